import { engraveLine } from '../page/engraver'
import { INK, SPACE } from '../page/engraving'
import { element } from '../page/svg'
import type { Caret } from './edits'
import { MIDDLE_OF, named, type ClefName, type TypedMeasure, type TypedNote } from './manuscript'
import { idOf, type Line } from './mei'

/** Width of a line in tenths of a millimetre: a staff of 7.2 mm is easily read on a screen of 1280 pixels. */
const WIDTH = 1650
const MOST_KEPT = 400

interface Drawn {
    host: HTMLElement
    /** What is to be seen, and the text of what is. */
    line: Line
    shown: string
    /** While it is engraved. */
    busy: Promise<void> | null
}

/** Words under a measure: what it lacks, has over, or (while it is typed) still wants. */
export interface Said {
    index: number
    words: string
    kind: 'missing' | 'over' | 'coming'
}

/** What a pointer meant: a note, or a place on the staff before a note. */
export interface Meant {
    measure: number
    note: number
    /** The pitch at that height; null: the note itself. */
    at: string | null
}

/** The staff that is typed on. Only lines that have changed are engraved; what was there stays until the new one is ready. */
export class StaffPage {
    private lines: Drawn[] = []
    private readonly known = new Map<string, string>()
    private caret: { measures: readonly TypedMeasure[]; at: Caret; selected: [number, number] | null } | null = null

    constructor(
        private readonly host: HTMLElement,
        private readonly failed: (fault: string) => void,
    ) {}

    /** @returns when the lines that have changed are on the page */
    async show(lines: readonly Line[]): Promise<void> {
        while (this.lines.length > lines.length) {
            this.lines.pop()?.host.remove()
        }
        await Promise.all(lines.map((line, index) => this.showLine(line, index)))
    }

    private showLine(line: Line, index: number): Promise<void> {
        const drawn = this.lines[index] ?? (this.lines[index] = this.added(line))
        drawn.line = line
        return (drawn.busy ??= this.catchUp(drawn).finally(() => (drawn.busy = null)))
    }

    /** One picture at a time: what was typed while it was made is in the next. */
    private async catchUp(drawn: Drawn): Promise<void> {
        while (drawn.shown !== drawn.line.mei) {
            const { mei } = drawn.line
            try {
                const page = this.known.get(mei) ?? (await engraveLine(mei, WIDTH))
                this.keep(mei, page)
                draw(drawn.host, page)
            } catch (fault) {
                this.failed(fault instanceof Error ? fault.message : String(fault))
            }
            drawn.shown = mei
        }
    }

    private keep(mei: string, page: string): void {
        this.known.set(mei, page)
        if (this.known.size > MOST_KEPT) {
            const oldest = this.known.keys().next().value
            if (oldest !== undefined) {
                this.known.delete(oldest)
            }
        }
    }

    private added(line: Line): Drawn {
        const host = document.createElement('div')
        host.className = 'typed-line'
        this.host.append(host)
        return { host, line, shown: '', busy: null }
    }

    /** @param selected first and last measure of what is selected */
    select(measures: readonly TypedMeasure[], at: Caret, selected: [number, number] | null): void {
        this.caret = { measures, at, selected }
        this.paintCaret()
        this.lineOf(at.measure)?.host.scrollIntoView({ block: 'nearest' })
    }

    /** What is said under measures. */
    say(measures: readonly TypedMeasure[], beats: readonly Said[]): void {
        this.host.querySelectorAll('.typing-beats').forEach((old) => old.remove())
        for (const { index, words, kind } of beats) {
            const box = this.measureBox(measures, index)
            box?.drawing.append(element('text', { class: `typing-beats ${kind}`, x: box.left + 60, y: box.bottom + 2.3 * SPACE, 'font-size': 1.35 * SPACE }, words))
        }
    }

    private lineOf(measure: number): Drawn | undefined {
        return this.lines.find(({ line }) => measure >= line.from && measure < line.to)
    }

    private paintCaret(): void {
        this.host.querySelectorAll('.typing-caret, .typing-selected').forEach((old) => old.remove())
        if (!this.caret) {
            return
        }
        const { measures, at, selected } = this.caret
        for (let measure = selected?.[0] ?? 1; measure <= (selected?.[1] ?? 0); measure++) {
            const box = this.measureBox(measures, measure)
            box?.drawing.prepend(element('rect', { class: 'typing-selected', x: box.left, y: box.top - SPACE, width: box.right - box.left, height: box.bottom - box.top + 2 * SPACE }))
        }
        const box = this.measureBox(measures, at.measure)
        if (!box) {
            return
        }
        const notes = measures[at.measure]?.notes ?? []
        const own = this.noteBox(notes[at.note], box)
        if (at.on && own) {
            box.drawing.prepend(element('rect', { class: 'typing-caret on', x: own.x - 70, y: Math.min(own.y, box.top) - 0.6 * SPACE, width: own.width + 140, height: Math.max(own.y + own.height, box.bottom) - Math.min(own.y, box.top) + 1.2 * SPACE, rx: 60 }))
            return
        }
        const before = this.noteBox(notes[at.note - 1], box)
        const x = own ? own.x - 110 : before ? Math.min(before.x + before.width + 130, box.right - 40) : box.left + 150
        box.drawing.append(element('path', { class: 'typing-caret', d: `M${x} ${box.top - 1.2 * SPACE} V${box.bottom + 1.2 * SPACE}` }))
    }

    private noteBox(note: TypedNote | undefined, box: MeasureBox): DOMRect | SVGRect | null {
        const drawn = note ? box.drawing.querySelector<SVGGElement>(`#${CSS.escape(idOf(note))}`) : null
        const head = drawn?.querySelector<SVGGElement>('.notehead') ?? drawn
        return head ? inDrawing(head, box.drawing) : null
    }

    private measureBox(measures: readonly TypedMeasure[], index: number): MeasureBox | null {
        const id = measures[index]?.id
        const drawn = id ? this.host.querySelector<SVGGElement>(`#${CSS.escape(id)}`) : null
        const drawing = drawn?.closest<SVGSVGElement>('svg.typed') ?? null
        return drawn && drawing ? boxOf(drawn, drawing) : null
    }

    /** What somebody points at. */
    meant(measures: readonly TypedMeasure[], clefs: readonly ClefName[], x: number, y: number): Meant | null {
        for (const { host, line } of this.lines) {
            const area = host.getBoundingClientRect()
            if (y < area.top || y > area.bottom) {
                continue
            }
            for (let measure = line.from; measure < line.to; measure++) {
                const box = this.measureBox(measures, measure)
                const matrix = box?.drawing.getScreenCTM()?.inverse()
                if (!box || !matrix) {
                    continue
                }
                const at = new DOMPoint(x, y).matrixTransform(matrix)
                if (at.x >= box.left - 20 && at.x <= box.right) {
                    return this.inMeasure(measures, measure, box, at, clefs[measure] ?? 'treble')
                }
            }
        }
        return null
    }

    private inMeasure(measures: readonly TypedMeasure[], measure: number, box: MeasureBox, at: DOMPoint, clef: ClefName): Meant {
        const notes = measures[measure]?.notes ?? []
        let before = notes.length
        for (let note = notes.length - 1; note >= 0; note--) {
            const own = this.noteBox(notes[note], box)
            if (own && Math.abs(own.x + own.width / 2 - at.x) < 1.1 * SPACE) {
                return { measure, note, at: null }
            }
            before = own && own.x > at.x ? note : before
        }
        const steps = Math.round(((box.top + box.bottom) / 2 - at.y) / (SPACE / 2))
        return { measure, note: before, at: named(MIDDLE_OF[clef] + steps) }
    }
}

interface MeasureBox {
    drawing: SVGSVGElement
    left: number
    right: number
    top: number
    bottom: number
}

function boxOf(measure: SVGGElement, drawing: SVGSVGElement): MeasureBox {
    const staff = [...measure.querySelectorAll<SVGPathElement>('.staff > path')].map((path) => inDrawing(path, drawing))
    const [left, right] = [Math.min(...staff.map(({ x }) => x)), Math.max(...staff.map(({ x, width }) => x + width))]
    const [top, bottom] = [Math.min(...staff.map(({ y }) => y)), Math.max(...staff.map(({ y, height }) => y + height))]
    // A rhythm has one line, but takes as much room.
    return bottom - top < SPACE ? { drawing, left, right, top: top - 2 * SPACE, bottom: bottom + 2 * SPACE } : { drawing, left, right, top, bottom }
}

/** A box in the coordinates of the drawing: lines of music are moved inside it. */
function inDrawing(thing: SVGGraphicsElement, drawing: SVGSVGElement): DOMRect {
    const box = thing.getBBox()
    const margin = drawing.querySelector('.page-margin')?.getAttribute('transform')?.match(/-?[\d.]+/g)?.map(Number) ?? [0, 0]
    return new DOMRect(box.x + (margin[0] ?? 0), box.y + (margin[1] ?? 0), box.width, box.height)
}

/** The engraver's own drawing; the page around it is left. */
function draw(host: HTMLElement, page: string): void {
    host.innerHTML = page
    host.querySelectorAll('svg.definition-scale').forEach((inner) => {
        inner.setAttribute('class', 'score typed')
        inner.setAttribute('color', INK)
        inner.querySelectorAll('g.system').forEach((system) => [system.setAttribute('fill', INK), system.setAttribute('stroke', INK)])
        const outer = inner.parentElement
        const defs = outer?.querySelector(':scope > defs')
        if (defs) {
            inner.prepend(defs)
        }
        outer?.replaceWith(inner)
    })
}
