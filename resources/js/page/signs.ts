import { element, type Aside } from './svg'

/**
 * The hand of the pencil layer (docs/design.md): our own drawings, in the engraver's units (a staff space is 180).
 * Each sign stands on the point (0, 0), centred, and says how wide and high it is.
 */
export interface Sign {
    drawing: SVGElement
    width: number
    height: number
}

const STROKE = { fill: 'none', 'stroke-linecap': 'round', 'stroke-linejoin': 'round' }

/** How much smaller than usual the print is drawn where something else is played. */
const SMALL = 0.66

/** A measure as it is printed, small, with what it is. */
export function printedSmall({ print, box }: Aside): Sign {
    const name = writing('print', 300)
    const copy = print.cloneNode(true) as SVGGElement
    copy.querySelectorAll('[id]').forEach((thing) => thing.removeAttribute('id'))
    const { x, y, width, height } = box
    const whole = width * SMALL + name.width + 120
    copy.setAttribute('transform', `translate(${-whole / 2 + name.width + 120 - x * SMALL}, ${-(y + height) * SMALL}) scale(${SMALL})`)
    name.drawing.setAttribute('transform', `translate(${-whole / 2 + name.width / 2}, ${-0.35 * height * SMALL})`)
    return { drawing: element('g', { opacity: 0.75 }, name.drawing, copy), width: whole, height: height * SMALL }
}

/** A square staple with a heavy back: down-bow. */
function downBow(): Sign {
    const drawing = element(
        'g',
        {},
        element('path', { ...STROKE, 'stroke-width': 36, d: 'M-112 -6 L-115 -196' }),
        element('path', { ...STROKE, 'stroke-width': 36, d: 'M114 -2 L112 -196' }),
        element('path', { stroke: 'none', d: 'M-133 -214 L131 -222 L129 -122 L-131 -116 Z' }),
    )
    return { drawing, width: 270, height: 222 }
}

/** A narrow wedge, its first side heavier, as a pencil makes it: up-bow. */
function upBow(): Sign {
    const drawing = element(
        'g',
        {},
        element('path', { ...STROKE, 'stroke-width': 50, d: 'M-98 -258 L-2 -22' }),
        element('path', { ...STROKE, 'stroke-width': 34, d: 'M-2 -22 L100 -266' }),
    )
    return { drawing, width: 240, height: 284 }
}

export function bowSign(bow: 'down' | 'up'): Sign {
    return bow === 'down' ? downBow() : upBow()
}

/** A lifted comma: the bow leaves the string and comes back. */
export function retakeSign(): Sign {
    const drawing = element('path', {
        ...STROKE,
        'stroke-width': 40,
        d: 'M-40 -214 q44 -16 52 26 q8 62 -62 118',
    })
    return { drawing, width: 190, height: 240 }
}

/** A comma alone: the bow is lifted and set down elsewhere. */
export function liftSign(): Sign {
    return { ...retakeSign(), width: 150 }
}

/** A short mark across a stroke that changes inside a printed slur. */
export function splitSign(): Sign {
    return { drawing: element('path', { ...STROKE, 'stroke-width': 36, d: 'M-40 -20 L44 -220' }), width: 110, height: 240 }
}

/** The pencil hand's letters have no arrows and no accidentals: they are drawn, each in a box of its own. */
const DRAWN: Record<string, (x: number, size: number) => string> = {
    '↑': (x, size) => `M${x} ${-0.02 * size} V${-0.68 * size} M${x - 0.13 * size} ${-0.48 * size} L${x} ${-0.68 * size} L${x + 0.13 * size} ${-0.48 * size}`,
    '↓': (x, size) => `M${x} ${-0.68 * size} V${-0.02 * size} M${x - 0.13 * size} ${-0.22 * size} L${x} ${-0.02 * size} L${x + 0.13 * size} ${-0.22 * size}`,
    '♯': (x, size) => `M${x - 0.07 * size} ${-0.66 * size} V${0.04 * size} M${x + 0.07 * size} ${-0.7 * size} V0 M${x - 0.16 * size} ${-0.4 * size} l${0.32 * size} ${-0.08 * size} M${x - 0.16 * size} ${-0.18 * size} l${0.32 * size} ${-0.08 * size}`,
    '♭': (x, size) => `M${x - 0.1 * size} ${-0.74 * size} V0 C${x + 0.2 * size} ${-0.16 * size} ${x + 0.16 * size} ${-0.48 * size} ${x - 0.1 * size} ${-0.28 * size}`,
    '♮': (x, size) => `M${x - 0.09 * size} ${-0.7 * size} V${-0.12 * size} l${0.18 * size} ${-0.08 * size} M${x - 0.09 * size} ${-0.42 * size} l${0.18 * size} ${-0.08 * size} V${0.06 * size}`,
}

/** Numerals and capitals are wider than the letters of a word. */
function lettersWide(count: number): number {
    return count <= 3 ? 0.46 * Math.max(1, 0.92 * count) : 0.4 * count
}

/** Letters and numerals of the pencil hand. */
export function writing(text: string, size: number): Sign {
    const pieces = text.split(/([↑↓♯♭♮])/).filter((piece) => piece !== '')
    const widths = pieces.map((piece) => (DRAWN[piece] ? 0.36 * size : size * lettersWide(piece.length)))
    const width = widths.reduce((sum, piece) => sum + piece, 0)
    const drawing = element('g', {})
    let left = -width / 2
    pieces.forEach((piece, index) => {
        const x = left + (widths[index] ?? 0) / 2
        const path = DRAWN[piece]?.(x, size)
        drawing.append(
            path
                ? element('path', { ...STROKE, 'stroke-width': 0.075 * size, d: path })
                : element('text', { 'font-family': 'Patrick Hand', 'font-size': size, 'text-anchor': 'middle', x, y: 0, stroke: 'none' }, piece),
        )
        left += widths[index] ?? 0
    })
    return { drawing, width, height: size * 0.7 }
}

function stroked(d: string, width: number, height: number, thick = 34): Sign {
    return { drawing: element('g', {}, element('path', { ...STROKE, 'stroke-width': thick, d })), width, height }
}

export const accentSign = (): Sign => stroked('M-120 -30 L120 -100 L-120 -170', 260, 190)

export const strongAccentSign = (): Sign => stroked('M-90 -10 L0 -210 L90 -10', 210, 220)

export const dotSign = (): Sign => ({ drawing: element('g', {}, element('circle', { cx: 0, cy: -45, r: 44, stroke: 'none' })), width: 110, height: 110 })

export const tenutoSign = (): Sign => stroked('M-110 -40 H110', 240, 90, 38)

export function fermataSign(): Sign {
    const drawing = element('g', {}, element('path', { ...STROKE, 'stroke-width': 34, d: 'M-170 -20 C-170 -240 170 -240 170 -20' }), element('circle', { cx: 0, cy: -45, r: 38, stroke: 'none' }))
    return { drawing, width: 370, height: 220 }
}

/** A tick above the staff: everybody breathes, or lifts, after the note. */
export const breathSign = (): Sign => stroked('M20 -200 L70 -110 L170 -260', 260, 270)

/** A sign with two strokes through it: what is printed does not hold. */
export function struckOut(sign: Sign): Sign {
    const [x, top] = [sign.width / 2 + 30, -sign.height - 30]
    return {
        ...sign,
        drawing: element('g', {}, sign.drawing, element('path', { ...STROKE, 'stroke-width': 32, d: `M${-x} 20 L${x} ${top} M${-x} ${top} L${x} 20` })),
        width: sign.width + 60,
        height: sign.height + 50,
    }
}

/** A sign with one stroke through it: what is pencilled is rubbed out. */
export function rubbedOut(sign: Sign): Sign {
    const x = sign.width / 2 + 40
    return { drawing: element('g', {}, sign.drawing, element('path', { ...STROKE, 'stroke-width': 26, d: `M${-x} 10 L${x} ${-sign.height - 10}` })), width: sign.width + 80, height: sign.height + 20 }
}

/** A broken line after a word, with a hook where the word stops holding. */
export function broken(left: number, right: number, y: number, closed: boolean): SVGElement {
    return element('g', {}, element('path', { ...STROKE, 'stroke-width': 22, 'stroke-dasharray': '70 75', d: `M${left} ${y} H${right}` }), ...(closed ? [element('path', { ...STROKE, 'stroke-width': 22, d: `M${right} ${y} v80` })] : []))
}

/** An arc over two or more notes with a stop at both ends: the hook. */
export function hookArc(left: number, right: number, y: number, open: 'none' | 'left' | 'right' = 'none'): SVGElement {
    const lift = Math.min(150, 60 + (right - left) * 0.08)
    const arc = element('path', {
        ...STROKE,
        'stroke-width': 30,
        d: `M${left} ${y} C${left + (right - left) * 0.25} ${y - lift} ${left + (right - left) * 0.75} ${y - lift} ${right} ${y}`,
    })
    const dash = (x: number) => element('path', { ...STROKE, 'stroke-width': 38, d: `M${x - 34} ${y + 46} h68` })
    const stops = [open === 'left' ? null : dash(left + 10), open === 'right' ? null : dash(right - 10)]
    return element('g', {}, arc, ...stops.filter((stop) => stop !== null))
}

/** One finger over two strings: a bracket from the first note to the last. */
export function barBracket(left: number, right: number, y: number, open: boolean): SVGElement {
    return element('g', {}, element('path', { ...STROKE, 'stroke-width': 30, d: `M${left} ${y} v-80 H${right}${open ? '' : ' v80'}` }))
}

/** A finger that stays down: a line from its number, with a short stroke where it may be lifted. */
export function stayLine(left: number, right: number, y: number, open: boolean): SVGElement {
    return element('g', {}, element('path', { ...STROKE, 'stroke-width': 26, d: `M${left} ${y - 40} H${right}${open ? '' : ' m0 -45 v90'}` }))
}

/** A pencilled slur. It stands over the notes and is open to the side where it goes on in another line of music. */
export function slurArc(left: number, right: number, y: number): SVGElement {
    const lift = Math.min(220, 90 + (right - left) * 0.08)
    const arc = element('path', {
        ...STROKE,
        'stroke-width': 28,
        d: `M${left} ${y} C${left + (right - left) * 0.2} ${y - lift} ${left + (right - left) * 0.8} ${y - lift} ${right} ${y}`,
    })
    return element('g', {}, arc)
}

/** Short strokes through a printed slur: it is struck out, and can still be seen. */
export function strikes(curve: SVGPathElement, shift: number): SVGElement {
    const length = curve.getTotalLength() / 2
    const made = element('g', { ...STROKE, 'stroke-width': 30 })
    for (let at = 0.22; at < 0.85; at += 0.28) {
        const point = curve.getPointAtLength(length * at)
        made.append(element('path', { d: `M${point.x + shift - 62} ${point.y + 82} l130 -170` }))
    }
    return made
}

/** A small bow sign over a held note where the bow changes. */
export function changeSign(bow: 'down' | 'up'): Sign {
    const sign = bowSign(bow)
    return { drawing: element('g', {}, element('g', { transform: 'scale(0.78)' }, sign.drawing)), width: sign.width * 0.78, height: sign.height * 0.78 }
}

/** Player by player a tick on a line of its own: outside above inside. */
export function staggerTicks(left: number, right: number, players: readonly (readonly number[])[], bottom: number): Sign {
    const made = element('g', { ...STROKE, 'stroke-width': 22 })
    players.forEach((shares, player) => {
        const y = bottom - 70 - (players.length - 1 - player) * 150
        made.append(element('path', { d: `M${left} ${y} H${right}`, 'stroke-dasharray': '30 60' }))
        shares.forEach((share) => made.append(element('path', { d: `M${left + (right - left) * share} ${y - 62} v124`, 'stroke-width': 34 })))
        const name = players.length === 2 ? (['out', 'in'][player] ?? '') : String(player + 1)
        made.append(element('text', { x: left - 30, y: y + 60, 'font-family': 'Patrick Hand', 'font-size': 230, 'text-anchor': 'end', stroke: 'none', fill: 'currentColor' }, name))
    })
    return { drawing: made, width: right - left, height: 150 * players.length + 40 }
}
