import type { Mark } from '../api/types'
import { SPACE, type Head, type System } from './engraving'
import { KINDS } from '../marks/kinds'
import { barBracket, broken, printedSmall, hookArc, slurArc, staggerTicks, stayLine, strikes, struckOut, writing, type Sign } from './signs'
import type { Skyline } from './skyline'
import { element, type Box } from './svg'
import { STRUCK, type Slot } from '../marks/table'

const GAP = 0.32 * SPACE
const FINGER_SIZE = 2.6 * SPACE
const WORD_SIZE = 1.75 * SPACE
const TEXT_SIZE = 1.6 * SPACE
/** A text of more letters goes on in another line. */
const TEXT_LETTERS = 30

/** Room above the printed things of a line that marks usually need: a finger, a bow and a position, one over the other. */
export const ROOM = 4.6 * SPACE

/** What only those see who teach the part; it is taken out of everything that leaves the desk. */
export const STAFF_ONLY = 'staff-only'

/**
 * Draws the marks of one line of music: fingers next to the notes, bows above them, words on top, nothing on anything else.
 * How each kind is drawn stands in the table of kinds.
 *
 * @returns also the room that they take above the printed things: `ROOM`, or more where many words meet
 */
export function draw(system: System, marks: Map<string, Mark[]>): { layer: SVGGElement; room: number } {
    const layer = element('g', { class: 'pencil', fill: '#26282c', stroke: '#26282c' })
    const line = new PencilLine(system, layer)
    const columns = new Map<string, { head: Head; mark: Mark }[]>()
    for (const head of system.heads.values()) {
        const own = marks.get(head.id)?.map((mark) => ({ head, mark })) ?? []
        if (own.length > 0) {
            columns.set(head.column, [...(columns.get(head.column) ?? []), ...own])
        }
    }
    // Fingers of a chord are stacked as its notes are: the lowest nearest to the staff.
    const ordered = [...columns.values()]
        .map((column) => [...column].sort((a, b) => b.head.box.y - a.head.box.y))
        .sort((a, b) => (a[0]?.head.box.x ?? 0) - (b[0]?.head.box.x ?? 0))
        .flat()
    for (const slots of STACK) {
        for (const column of together(ordered)) {
            line.inARow(() =>
                slots.forEach((slot) => column.forEach(({ head, mark }) => {
                    const row = KINDS[mark.kind]
                    if (row.slot === slot) {
                        row.draw?.(line, head, mark)
                    }
                })),
            )
        }
    }
    return { layer, room: Math.max(ROOM, system.top - line.top() + 0.5 * SPACE) }
}

/** From the notes up: what stands over a note is never more than a finger, a row for the bow, and a line of words. */
const STACK: readonly (readonly Slot[])[] = [['finger'], ['hand'], ['slur'], ['hook'], ['sign', 'bow', 'held'], ['word'], ['text'], ['below']]

/** The marks of each column by themselves, from left to right. */
function together(ordered: readonly { head: Head; mark: Mark }[]): { head: Head; mark: Mark }[][] {
    const columns = new Map<string, { head: Head; mark: Mark }[]>()
    for (const one of ordered) {
        columns.set(one.head.column, [...(columns.get(one.head.column) ?? []), one])
    }
    return [...columns.values()]
}

/** In a line of words the place of the hand comes first, then the string; what holds over a span comes last, with its line. */
const WORD_ORDER: readonly Mark['kind'][] = ['position', 'string']

interface InRow {
    sign: Sign
    head: Head
    mark: Mark
    kind: string
    word: boolean
}

/** One line of music while its marks are drawn: what there is room for, and where fingers stand. */
export class PencilLine {
    private readonly skyline: Skyline

    private readonly depths: Skyline

    /** Where the finger of a note is written. */
    private readonly written = new Map<string, Box>()

    constructor(
        private readonly system: System,
        private readonly layer: SVGGElement,
    ) {
        this.skyline = system.above.copy()
        this.depths = system.below.copy()
    }

    /** How high its marks reach. */
    top(): number {
        return this.skyline.highest()
    }

    /** What stands in one row over a note, while it is being drawn. */
    private row: InRow[] = []

    /** Signs and words that are drawn meanwhile stand side by side over their note, not one over the other. */
    inARow(drawing: () => void): void {
        this.row = []
        drawing()
        const row = this.row.sort((one, other) => Number(one.mark.to !== undefined) - Number(other.mark.to !== undefined) || rank(one) - rank(other))
        const [first] = row
        if (!first) {
            return
        }
        const gap = first.word ? 0.7 * SPACE : 0.35 * SPACE
        const width = row.reduce((sum, { sign }) => sum + sign.width, gap * (row.length - 1))
        let left = centre(first.head) - (first.word ? Math.min(first.sign.width / 2, 1.2 * SPACE) : width / 2)
        const held = row.at(-1)?.mark.to
        const to = held === undefined ? undefined : this.system.heads.get(held)
        const end = held === undefined ? left + width : Math.max(left + width, to ? centre(to) + 0.6 * SPACE : this.endOfLine(first.head))
        const bottom = this.free(left, end - left)
        for (const { sign, mark, kind } of row) {
            this.put(sign, left + sign.width / 2, bottom, mark, kind)
            left += sign.width + gap
        }
        const last = row.at(-1)
        if (last && end > left + 0.8 * SPACE - gap) {
            this.add(broken(left - gap + 0.3 * SPACE, end, bottom - 0.3 * last.sign.height, to !== undefined), last.mark, `${last.kind}-line`)
            this.skyline.add({ x: left, y: bottom - last.sign.height, width: end - left, height: last.sign.height })
        }
    }

    finger(head: Head, mark: Mark): void {
        const sign = writing(mark.text ?? '', FINGER_SIZE)
        const bottom = this.free(centre(head) - sign.width / 2, sign.width)
        this.put(sign, centre(head), bottom, mark, 'finger')
        this.written.set(head.id, { x: centre(head) - sign.width / 2, y: bottom - sign.height, width: sign.width, height: sign.height })
    }

    /** A short line before the number to which a finger slides. */
    slide(head: Head, mark: Mark): void {
        const finger = this.written.get(head.id)
        if (finger) {
            const [right, y] = [finger.x - 0.1 * SPACE, finger.y + 0.62 * finger.height]
            const line = element('path', { fill: 'none', 'stroke-width': 30, 'stroke-linecap': 'round', d: `M${right - 0.7 * SPACE} ${y + 40} L${right} ${y - 40}` })
            this.add(element('g', {}, line), mark, 'slide')
        }
    }

    /** One finger over two strings. */
    bar(head: Head, mark: Mark): void {
        const to = this.system.heads.get(mark.to ?? '')
        const [one, other] = [this.written.get(head.id), this.written.get(mark.to ?? '')]
        if (to?.column === head.column && one && other) {
            const [x, top, bottom] = [Math.min(one.x, other.x), Math.min(one.y, other.y), Math.max(one.y + one.height, other.y + other.height)]
            this.add(element('g', {}, element('path', { fill: 'none', 'stroke-width': 30, d: `M${x + 10} ${top} h-60 V${bottom} h60` })), mark, 'bar')
        } else {
            this.over(head, to, mark, 'bar', barBracket)
        }
    }

    /** A finger that stays down while others play. */
    stay(head: Head, mark: Mark): void {
        this.over(head, this.system.heads.get(mark.to ?? ''), mark, 'stay', stayLine)
    }

    /** A line over everything from one note to another; over a line's end it stays open. */
    private over(head: Head, to: Head | undefined, mark: Mark, kind: string, sign: (left: number, right: number, y: number, open: boolean) => SVGElement): void {
        const left = centre(head) - 0.4 * SPACE
        const right = to ? centre(to) + 0.6 * SPACE : this.endOfLine(head)
        const y = this.skyline.top(left, right - left) - 0.5 * GAP
        this.add(sign(left, right, y, !to), mark, kind)
        this.skyline.add({ x: left, y: y - 100, width: right - left, height: 100 })
    }

    private endOfLine(head: Head): number {
        return this.system.barlines.at(-1) ?? centre(head) + 4 * SPACE
    }

    /** A sign over a note. */
    above(sign: Sign, head: Head, mark: Mark, kind: string = mark.kind): void {
        this.row.push({ sign, head, mark, kind, word: false })
    }

    /** A sign that belongs to the print: added, or struck out. */
    sign(sign: Sign, head: Head, mark: Mark): void {
        this.above(mark.text === STRUCK ? struckOut(sign) : sign, head, mark)
    }

    /** A word over a note, with a broken line to where it stops holding. */
    word(head: Head, mark: Mark): void {
        this.row.push({ sign: writing(mark.text ?? '', WORD_SIZE), head, mark, kind: mark.kind, word: true })
    }

    /** A bracket over a run of notes, with a word at its beginning. */
    bracket(head: Head, mark: Mark, words: string): void {
        this.word(head, { ...mark, text: words, to: mark.to ?? mark.note })
    }

    /** A text of several words, in as many lines as it needs. */
    text(head: Head, mark: Mark): void {
        const lines = wrapped(mark.text ?? '').map((line) => writing(line, TEXT_SIZE))
        const width = Math.max(...lines.map((line) => line.width))
        const left = Math.min(centre(head) - 0.5 * SPACE, this.endOfLine(head) - width)
        let bottom = this.free(left, width)
        for (const line of lines.reverse()) {
            this.put(line, left + line.width / 2, bottom, mark, mark.kind === 'staffText' ? `${mark.kind} ${STAFF_ONLY}` : mark.kind)
            bottom -= line.height + 0.5 * GAP
        }
    }

    /** Under the staff, where dynamics stand. */
    beneath(head: Head, mark: Mark): void {
        const sign = mark.text === STRUCK ? struckOut(writing('   ', FINGER_SIZE)) : writing(mark.text ?? '', 1.15 * FINGER_SIZE)
        const left = centre(head) - sign.width / 2
        const top = -this.depths.top(left, sign.width) + GAP
        sign.drawing.setAttribute('transform', `translate(${centre(head).toFixed(0)}, ${(top + sign.height).toFixed(0)})`)
        this.add(sign.drawing, mark, 'dynamic')
        if (mark.decided === true) {
            this.layer.append(decidedLine(centre(head), top + sign.height + 0.35 * SPACE, sign.width))
        }
        this.depths.add({ x: left, y: -top - sign.height, width: sign.width, height: sign.height })
    }

    /** A ring around the printed head, and the right note over it. */
    misprint(head: Head, mark: Mark): void {
        const { x, y, width, height } = head.box
        const ring = element('ellipse', { cx: x + width / 2, cy: y + height / 2, rx: width * 0.85, ry: height * 0.85, fill: 'none', 'stroke-width': 26 })
        this.add(element('g', {}, ring), mark, 'misprint-ring')
        this.word(head, mark)
    }

    /** The print, small, over the measure that is played instead. */
    rewritten(head: Head, mark: Mark): void {
        const print = this.system.asides.get(head.id)
        if (!print) {
            this.word(head, mark)
            return
        }
        const sign = printedSmall(print)
        const left = Math.min(head.box.x, this.endOfLine(head) - sign.width)
        this.put(sign, left + sign.width / 2, this.free(left, sign.width), mark, mark.kind)
    }

    /** A printed head that is not played: a stroke through it. */
    leftOut(head: Head, mark: Mark): void {
        const { x, y, width, height } = head.box
        const stroke = element('path', { d: `M${x - width * 0.35} ${y + height * 1.3}L${x + width * 1.35} ${y - height * 0.3}`, fill: 'none', 'stroke-width': 40, 'stroke-linecap': 'round' })
        this.add(element('g', {}, stroke), mark, 'left-out')
    }

    /** Signs inside a held note, at shares of its length. */
    inside(head: Head, mark: Mark, drawing: (index: number) => Sign): void {
        const [left, right] = [centre(head), this.endOf(head)]
        for (const [index, share] of (mark.shares?.[0] ?? []).entries()) {
            const sign = drawing(index)
            const x = left + (right - left) * share
            this.put(sign, x, this.free(x - sign.width / 2, sign.width), mark, 'change')
        }
    }

    /** The changes of each player or desk on a held note. */
    stagger(head: Head, mark: Mark): void {
        const [left, right] = [centre(head), this.endOf(head)]
        const bottom = this.free(left, right - left)
        const ticks = staggerTicks(left, right, mark.shares ?? [], bottom)
        this.add(ticks.drawing, mark, 'stagger')
        this.skyline.add({ x: left, y: bottom - ticks.height, width: right - left, height: ticks.height })
    }

    /** A printed slur that is struck out. */
    strike(head: Head, mark: Mark): void {
        const to = this.system.heads.get(mark.to ?? '')
        const curve = this.printedSlur(centre(head), to ? centre(to) : Infinity)
        if (curve) {
            this.add(strikes(curve, this.system.shift), mark, 'struck')
        }
    }

    slur(head: Head, mark: Mark): void {
        const to = this.system.heads.get(mark.to ?? '')
        const [left, right] = [centre(head), to ? centre(to) : this.endOfLine(head)]
        const y = this.skyline.top(left - 40, right - left + 80) - 0.7 * GAP
        this.add(slurArc(left, right, y), mark, 'slur')
        this.skyline.add({ x: left, y: y - 120, width: right - left, height: 120 })
    }

    /** From the note that is hooked to this one; over a line's end the arc stays open. */
    hook(head: Head, mark: Mark): void {
        const from = this.system.heads.get(mark.from ?? '')
        const right = centre(head)
        const left = from ? centre(from) : right - 4 * SPACE
        const y = this.skyline.top(left - 40, right - left + 80) - GAP - 46
        this.add(hookArc(left, right, y, from ? 'none' : 'left'), mark, 'hook')
        this.skyline.add({ x: left - 40, y: y - 90, width: right - left + 80, height: 90 })
    }

    /** The printed slur whose ends are nearest to two places. */
    private printedSlur(left: number, right: number): SVGPathElement | null {
        let best: { curve: SVGPathElement; distance: number } | null = null
        for (const { curve, ...ends } of this.system.slurs) {
            const distance = Math.abs(ends.left - left) + (right === Infinity ? 0 : Math.abs(ends.right - right))
            if (!best || distance < best.distance) {
                best = { curve, distance }
            }
        }
        return best && best.distance < 4 * SPACE ? best.curve : null
    }

    /** Where a note stops sounding on the page: at the next note or at the barline. */
    private endOf(head: Head): number {
        const after = [...this.system.heads.values()].map((other) => other.box.x).filter((x) => x > head.box.x + head.box.width)
        const bar = this.system.barlines.find((x) => x > head.box.x)
        return Math.min(...after, bar ?? Infinity, head.box.x + 30 * SPACE)
    }

    private add(drawing: SVGElement, mark: Mark, kind: string): void {
        drawing.setAttribute('class', `mark ${kind} ${mark.decided === true ? 'decided' : 'proposed'}`)
        drawing.setAttribute('data-note', mark.note)
        this.layer.append(drawing)
    }

    private free(x: number, width: number): number {
        return this.skyline.top(x, width) - GAP
    }

    private put(sign: Sign, x: number, bottom: number, mark: Mark, kind: string): void {
        sign.drawing.setAttribute('transform', `translate(${x.toFixed(0)}, ${bottom.toFixed(0)})`)
        this.add(sign.drawing, mark, kind)
        if (mark.decided === true) {
            const line = decidedLine(x, bottom + 0.2 * SPACE, sign.width)
            if (kind.includes(STAFF_ONLY)) {
                line.classList.add(STAFF_ONLY)
            }
            this.layer.append(line)
        }
        this.skyline.add({ x: x - sign.width / 2, y: bottom - sign.height, width: sign.width, height: sign.height })
    }
}

function rank({ mark }: InRow): number {
    const place = WORD_ORDER.indexOf(mark.kind)
    return place === -1 ? WORD_ORDER.length : place
}

function centre(head: Head): number {
    return head.box.x + head.box.width / 2
}

/** Lines of a few words each. */
function wrapped(text: string): string[] {
    const lines: string[] = ['']
    for (const word of text.split(/\s+/)) {
        const last = lines[lines.length - 1] ?? ''
        if (last !== '' && last.length + word.length >= TEXT_LETTERS) {
            lines.push(word)
        } else {
            lines[lines.length - 1] = last === '' ? word : `${last} ${word}`
        }
    }
    return lines
}

/** On the desk what somebody decided is underlined; on paper every mark looks the same. */
function decidedLine(x: number, y: number, width: number): SVGElement {
    return element('path', { class: 'decided-line', d: `M${x - width * 0.4} ${y} l${width * 0.8} -8`, 'stroke-width': 22, fill: 'none', 'stroke-linecap': 'round' })
}
