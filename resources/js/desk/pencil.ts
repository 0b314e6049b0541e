import type { Mark } from '../api/types'
import { SPACE, type Head, type System } from './engraving'
import { barBracket, bowSign, changeSign, hookArc, liftSign, retakeSign, slurArc, splitSign, staggerTicks, stayLine, strikes, writing, type Sign } from './signs'
import { element, type Box } from './svg'

const GAP = 0.32 * SPACE
const FINGER_SIZE = 2.6 * SPACE
const POSITION_SIZE = 1.75 * SPACE

/** Room above the printed things of a line that marks may need: a finger, a bow and a position, one over the other. */
export const ROOM = 4.6 * SPACE

/**
 * Draws the marks of one line of music: fingers next to the notes, bows above them, positions on top, nothing on
 * anything else.
 */
export function draw(system: System, marks: Map<string, Mark>): SVGGElement {
    const layer = element('g', { class: 'pencil', fill: '#26282c', stroke: '#26282c' })
    const line = new PencilLine(system, layer)
    const columns = new Map<string, { head: Head; mark: Mark }[]>()
    for (const head of system.heads.values()) {
        const mark = marks.get(head.id)
        if (mark) {
            columns.set(head.column, [...(columns.get(head.column) ?? []), { head, mark }])
        }
    }
    const ordered = [...columns.values()].sort((a, b) => (a[0]?.head.box.x ?? 0) - (b[0]?.head.box.x ?? 0))
    ordered.forEach((column) => line.fingers(column))
    ordered.flat().forEach(({ head, mark }) => line.hand(head, mark))
    ordered.flat().forEach(({ head, mark }) => line.slurs(head, mark))
    ordered.flat().forEach(({ head, mark }) => line.hook(head, mark))
    ordered.flat().forEach(({ head, mark }) => line.bow(head, mark))
    ordered.flat().forEach(({ head, mark }) => line.held(head, mark))
    ordered.flat().forEach(({ head, mark }) => line.position(head, mark))
    return layer
}

class PencilLine {
    private readonly skyline

    /** Where the finger of a note is written. */
    private readonly written = new Map<string, Box>()

    constructor(
        private readonly system: System,
        private readonly layer: SVGGElement,
    ) {
        this.skyline = system.above.copy()
    }

    /** Fingers of a chord are stacked as its notes are: the lowest nearest to the staff. */
    fingers(column: { head: Head; mark: Mark }[]): void {
        const lowestFirst = [...column].sort((a, b) => b.head.box.y - a.head.box.y)
        for (const { head, mark } of lowestFirst) {
            if (mark.finger !== null) {
                const sign = writing(`${mark.slide ? '–' : ''}${mark.finger}`, FINGER_SIZE)
                const bottom = this.free(centre(head) - sign.width / 2, sign.width)
                this.put(sign, centre(head), bottom, mark, 'finger')
                this.written.set(head.id, { x: centre(head) - sign.width / 2, y: bottom - sign.height, width: sign.width, height: sign.height })
            }
        }
    }

    /** One finger over two strings, and a finger that stays down while others play. */
    hand(head: Head, mark: Mark): void {
        if (mark.barTo !== null) {
            const to = this.system.heads.get(mark.barTo)
            const [one, other] = [this.written.get(head.id), this.written.get(mark.barTo)]
            if (to?.column === head.column && one && other) {
                this.upright(Math.min(one.x, other.x), Math.min(one.y, other.y), Math.max(one.y + one.height, other.y + other.height), mark)
            } else {
                this.over(head, to, mark, 'bar', barBracket)
            }
        }
        if (mark.stayTo !== null) {
            this.over(head, this.system.heads.get(mark.stayTo), mark, 'stay', stayLine)
        }
    }

    private upright(x: number, top: number, bottom: number, mark: Mark): void {
        this.add(element('g', {}, element('path', { fill: 'none', 'stroke-width': 30, d: `M${x + 10} ${top} h-60 V${bottom} h60` })), mark, 'bar')
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

    bow(head: Head, mark: Mark): void {
        const signs = [
            mark.action === 'retake' ? { sign: retakeSign(), kind: 'retake' } : null,
            mark.action === 'lift' ? { sign: liftSign(), kind: 'lift' } : null,
            mark.action === 'split' ? { sign: splitSign(), kind: 'split' } : null,
            mark.bow === null ? null : { sign: bowSign(mark.bow), kind: `bow-${mark.bow}` },
        ].filter((sign) => sign !== null)
        const width = signs.reduce((sum, { sign }) => sum + sign.width, 0)
        let left = centre(head) - width / 2
        const bottom = this.free(left, width)
        for (const { sign, kind } of signs) {
            this.put(sign, left + sign.width / 2, bottom, mark, kind)
            left += sign.width
        }
    }

    position(head: Head, mark: Mark): void {
        for (const [kind, text] of [['string', mark.string && `sul ${mark.string}`], ['position', mark.position], ['bow-place', mark.place]] as const) {
            if (text !== null) {
                this.place(writing(text, POSITION_SIZE), head, mark, kind)
            }
        }
    }

    /** Changes of bow on a held note, and staggered ones. */
    held(head: Head, mark: Mark): void {
        const [left, right] = [centre(head), this.endOf(head)]
        for (const { share, bow } of mark.changes) {
            const sign = changeSign(bow)
            const x = left + (right - left) * share
            this.put(sign, x, this.free(x - sign.width / 2, sign.width), mark, 'change')
        }
        if (mark.stagger.length > 0) {
            const bottom = this.free(left, right - left)
            const ticks = staggerTicks(left, right, mark.stagger, bottom)
            this.add(ticks.drawing, mark, 'stagger')
            this.skyline.add({ x: left, y: bottom - ticks.height, width: right - left, height: ticks.height })
        }
    }

    /** A printed slur that is struck out, and the pencilled ones. */
    slurs(head: Head, mark: Mark): void {
        if (mark.struckTo !== null) {
            const to = this.system.heads.get(mark.struckTo)
            const curve = this.printedSlur(centre(head), to ? centre(to) : Infinity)
            if (curve) {
                this.add(strikes(curve, this.system.shift), mark, 'struck')
            }
        }
        if (mark.slurTo !== null) {
            const to = this.system.heads.get(mark.slurTo)
            const [left, right] = [centre(head), to ? centre(to) : this.endOfLine(head)]
            const y = this.skyline.top(left - 40, right - left + 80) - 0.7 * GAP
            this.add(slurArc(left, right, y), mark, 'slur')
            this.skyline.add({ x: left, y: y - 120, width: right - left, height: 120 })
        }
    }

    /** The printed slur whose ends are nearest to two places. */
    private printedSlur(left: number, right: number): SVGPathElement | null {
        let best: { curve: SVGPathElement; distance: number } | null = null
        for (const curve of this.system.slurs) {
            const box = curve.getBBox()
            const distance = Math.abs(box.x + this.system.shift - left) + (right === Infinity ? 0 : Math.abs(box.x + box.width + this.system.shift - right))
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
        drawing.setAttribute('class', `mark ${kind} ${state(mark)}`)
        drawing.setAttribute('data-note', mark.note)
        this.layer.append(drawing)
    }

    /** From the note that is hooked to this one; over a line's end the arc stays open. */
    hook(head: Head, mark: Mark): void {
        if (mark.action !== 'hook' || mark.from === null) {
            return
        }
        const from = this.system.heads.get(mark.from)
        const right = centre(head)
        const left = from ? centre(from) : right - 4 * SPACE
        const y = this.skyline.top(left - 40, right - left + 80) - GAP - 46
        const arc = hookArc(left, right, y, from ? 'none' : 'left')
        this.add(arc, mark, 'hook')
        this.skyline.add({ x: left - 40, y: y - 90, width: right - left + 80, height: 90 })
    }

    private place(sign: Sign, head: Head, mark: Mark, kind: string): void {
        this.put(sign, centre(head), this.free(centre(head) - sign.width / 2, sign.width), mark, kind)
    }

    private free(x: number, width: number): number {
        return this.skyline.top(x, width) - GAP
    }

    private put(sign: Sign, x: number, bottom: number, mark: Mark, kind: string): void {
        sign.drawing.setAttribute('transform', `translate(${x.toFixed(0)}, ${bottom.toFixed(0)})`)
        this.add(sign.drawing, mark, kind)
        if (mark.decided) {
            this.layer.append(decidedLine(x, bottom + 0.2 * SPACE, sign.width))
        }
        this.skyline.add({ x: x - sign.width / 2, y: bottom - sign.height, width: sign.width, height: sign.height })
    }
}

function centre(head: Head): number {
    return head.box.x + head.box.width / 2
}

function state(mark: Mark): string {
    return mark.decided ? 'decided' : 'proposed'
}

/** On the desk what somebody decided is underlined; on paper every mark looks the same. */
function decidedLine(x: number, y: number, width: number): SVGElement {
    return element('path', { class: 'decided-line', d: `M${x - width * 0.4} ${y} l${width * 0.8} -8`, 'stroke-width': 22, fill: 'none', 'stroke-linecap': 'round' })
}
