import { Skyline } from './skyline'
import { element, type Aside, type Box } from './svg'

/** One staff space in the engraver's units. */
export const SPACE = 180

/** Said outright and not by style sheet, so that a PDF has it too. */
export const INK = '#1d1e20'

export interface Head {
    id: string
    box: Box
    /** Heads of one chord share a column. */
    column: string
}

/** One line of music. Its coordinates are the engraver's; `top` is where its printed things reach highest. */
export interface System {
    element: SVGGElement
    heads: Map<string, Head>
    /** Printed slurs of this line, with where they begin and end. */
    slurs: { curve: SVGPathElement; left: number; right: number }[]
    shift: number
    /** Right edges of the measures. */
    barlines: number[]
    staffTop: number
    staffBottom: number
    top: number
    bottom: number
    /** Whether it begins and ends with a rest: there a page can be turned. */
    rests: { first: boolean; last: boolean }
    /** How high printed things reach; and how low, with its y turned round. */
    above: Skyline
    below: Skyline
    /** The print where something else is typed over it, by the first note of that: drawn small over it. */
    asides: Map<string, Aside>
}

/** A measure as it is printed, and the first note of what is typed over it. */
export interface Beside {
    note: string
    music: string
}

/** From before the first note of a line of music to its last barline. */
export function musicSpan(system: System): { left: number; right: number } {
    const right = system.barlines.at(-1) ?? 0
    return { left: Math.min(...[...system.heads.values()].map(({ box }) => box.x), right) - 0.8 * SPACE, right }
}

export interface Engraving {
    defs: SVGDefsElement[]
    systems: System[]
    width: number
}

const OBSTACLES =
    '.notehead, .stem, .flag, .accid, .artic, .dots, .beam > polygon, .tuplet, .tempo, .dir, .dynam, .hairpin, .reh, .fermata, .trill, .rest, .multiRest, .fing, .voltaBracket, .mNum, .keySig, .clef, .meterSig, .octave'

/**
 * Puts the engraver's pages into a drawing and measures them.
 *
 * @param host a drawing that is part of the document, so that things in it have a size
 */
export function unpack(pages: string[], host: SVGSVGElement): Engraving {
    const defs: SVGDefsElement[] = []
    const systems: System[] = []
    let width = 0
    for (const page of pages) {
        const drawing = document.importNode(new DOMParser().parseFromString(page, 'image/svg+xml').documentElement, true)
        const inner = drawing.querySelector('svg.definition-scale')
        const found = drawing.querySelector('defs')
        if (found) {
            defs.push(found)
            host.append(found)
        }
        width = Math.max(width, Number(inner?.getAttribute('viewBox')?.split(' ')[2] ?? 0))
        const margin = shift(drawing.querySelector('.page-margin'))
        drawing.querySelectorAll<SVGGElement>('g.system').forEach((system) => systems.push(measured(system, margin, host)))
    }
    return { defs, systems, width }
}

function shift(moved: Element | null): { x: number; y: number } {
    const [x, y] = moved?.getAttribute('transform')?.match(/-?[\d.]+/g) ?? ['0', '0']
    return { x: Number(x), y: Number(y) }
}

function measured(system: SVGGElement, margin: { x: number; y: number }, host: SVGSVGElement): System {
    const attributes = { transform: `translate(${margin.x}, 0)`, fill: INK, stroke: INK }
    Object.entries(attributes).forEach(([name, value]) => system.setAttribute(name, value))
    const outer = element('g', { class: 'line' }, system)
    host.append(outer)
    system.querySelectorAll('text').forEach(flatten)
    const staves = staffLines(system)
    const staffTop = Math.min(...staves)
    const staffBottom = Math.max(...staves)
    const box = outer.getBBox()
    const above = Skyline.over(box.x + box.width + 4 * SPACE, staffTop)
    const below = Skyline.over(box.x + box.width + 4 * SPACE, -staffBottom)
    const add = (thing: Box) => {
        if (thing.width === 0 && thing.height === 0) {
            return // an empty group has its box at the origin
        }
        above.add(thing)
        below.add({ ...thing, y: -thing.y - thing.height })
    }
    system.querySelectorAll<SVGGraphicsElement>(OBSTACLES).forEach((thing) => add(moved(thing.getBBox(), margin.x)))
    system.querySelectorAll<SVGPathElement>('.slur > path, .tie > path').forEach((curve) => follow(curve, margin.x, add))
    return {
        element: outer,
        heads: headsOf(system, margin.x),
        slurs: [...system.querySelectorAll<SVGPathElement>('.slur > path')].map((curve) => {
            const { x, width } = moved(curve.getBBox(), margin.x)
            return { curve, left: x, right: x + width }
        }),
        shift: margin.x,
        barlines: barlinesOf(system, margin.x),
        rests: restsAt(system),
        staffTop,
        staffBottom,
        top: above.highest(),
        bottom: -below.highest(),
        above,
        below,
        asides: new Map(),
    }
}

function moved(box: Box, x: number): Box {
    return { x: box.x + x, y: box.y, width: box.width, height: box.height }
}

function staffLines(system: SVGGElement): number[] {
    const lines = [...system.querySelectorAll('.staff > path')]
    return lines.map((line) => Number(line.getAttribute('d')?.match(/^M[\d.-]+ ([\d.-]+)/)?.[1] ?? 0))
}

function barlinesOf(system: SVGGElement, x: number): number[] {
    const right = [...system.querySelectorAll('.measure')].map((measure) => {
        const lines = [...measure.querySelectorAll('.staff > path')].map((line) => Number(line.getAttribute('d')?.match(/L([\d.-]+)/)?.[1] ?? 0))
        return Math.max(0, ...lines) + x
    })
    return right.sort((a, b) => a - b)
}

/** A slur is not as high everywhere as its box: its outer curve is followed instead. */
function follow(curve: SVGPathElement, x: number, add: (box: Box) => void): void {
    const length = curve.getTotalLength()
    const points = Math.max(8, Math.ceil(length / 120))
    for (let point = 0; point <= points; point++) {
        const at = curve.getPointAtLength((length * point) / points)
        add({ x: at.x + x - 40, y: at.y - 20, width: 80, height: 40 })
    }
}

function restsAt(system: SVGGElement): { first: boolean; last: boolean } {
    const things = [...system.querySelectorAll('.layer .note, .layer .rest, .layer .mRest, .layer .multiRest')]
    const isRest = (thing: Element | undefined) => thing !== undefined && !thing.classList.contains('note')
    return { first: isRest(things[0]), last: isRest(things.at(-1)) }
}

function headsOf(system: SVGGElement, x: number): Map<string, Head> {
    const heads = new Map<string, Head>()
    system.querySelectorAll<SVGGElement>('g.note').forEach((note) => {
        const head = note.querySelector<SVGGElement>('.notehead')
        if (head) {
            heads.set(note.id, { id: note.id, box: moved(head.getBBox(), x), column: note.closest('g.chord')?.id ?? note.id })
        }
    })
    return heads
}

/**
 * Gives every piece of a text its own place and look. Screen, print and PDF then agree, whatever each of them
 * thinks of letter widths; and the engraver's music letters, for which we ship no font, become drawings.
 */
function flatten(text: SVGTextElement): void {
    const flat = element('g')
    let shift = 0
    let before = ' '
    for (const leaf of text.querySelectorAll<SVGTSpanElement>('tspan')) {
        const content = leaf.children.length === 0 ? (leaf.textContent ?? '') : ''
        if (content.trim() === '') {
            continue
        }
        const at = leaf.getStartPositionOfChar(0)
        const style = getComputedStyle(leaf)
        const size = parseFloat(style.fontSize)
        const isNote = leaf.getAttribute('font-family') === 'Leipzig'
        // The engraver sets “(” right after the words and its metronome note right after “(”.
        shift += (content.startsWith('(') && !/\s$/.test(before)) || isNote ? 0.22 * size : 0
        before = content
        flat.append(
            isNote
                ? metronomeNote(content, at.x + shift, at.y)
                : element(
                      'text',
                      {
                          x: at.x + shift,
                          y: at.y,
                          stroke: 'none',
                          'font-family': 'Source Serif 4',
                          'font-size': size,
                          'font-weight': Number(style.fontWeight) >= 600 ? 'bold' : 'normal',
                          'font-style': style.fontStyle === 'italic' ? 'italic' : 'normal',
                      },
                      content.replace(/\s/g, '\u00a0'),
                  ),
        )
    }
    text.replaceWith(flat)
}

/** Codes of the engraver's metronome notes: whether the head is filled, and how many flags. */
const METRONOME: Record<string, [boolean, number]> = {
    '\uECA3': [false, 0],
    '\uECA5': [true, 0],
    '\uECA7': [true, 1],
    '\uECA9': [true, 2],
}

function metronomeNote(text: string, x: number, y: number): SVGGElement {
    const drawn = element('g', { class: 'metronome-note', transform: `translate(${x}, ${y})`, stroke: INK, fill: 'none' })
    for (const sign of text) {
        const [filled, flags] = METRONOME[sign] ?? [true, 0]
        if (sign === '\uECB7') {
            drawn.append(element('circle', { cx: 225, cy: -45, r: 26, fill: INK, stroke: 'none' }))
            continue
        }
        drawn.append(
            element('ellipse', {
                cx: 75,
                cy: -55,
                rx: 78,
                ry: 54,
                transform: 'rotate(-22, 75, -55)',
                fill: filled ? INK : 'none',
                'stroke-width': 20,
            }),
            element('path', { d: 'M146 -72 V-460', 'stroke-width': 20 }),
        )
        for (let flag = 0; flag < flags; flag++) {
            drawn.append(element('path', { d: `M146 ${-460 + 90 * flag} q15 90 75 130 t30 130`, 'stroke-width': 22 }))
        }
    }
    return drawn
}
