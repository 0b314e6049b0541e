import type { Mark, SheetLine } from '../api/types'
import { say } from '../stores/say'
import { INK } from './engraving'
import type { ScorePage } from './score-page'
import { element } from './svg'

export type Paper = 'a4' | 'letter'

/** Width and height in hundredths of a millimetre, which are the engraver's units. */
export const PAPERS: Record<Paper, { width: number; height: number; name: string }> = {
    a4: { width: 21000, height: 29700, name: 'A4' },
    letter: { width: 21590, height: 27940, name: 'Letter' },
}

export interface Heading {
    title: string
    composer: string
    part: string
    ensemble: string
    /** What is not played, in sentences. */
    told: readonly string[]
}

const MARGIN_TOP = 1400
const MARGIN_BOTTOM = 1700
const HEADING = 2700

/**
 * The pages of a part with some marks, for printing and for PDF alike. What the screen shows just now, a preview say, does
 * not matter.
 */
export function marked(page: ScorePage, layer: readonly Mark[], paper: Paper, heading: Heading): SVGSVGElement[] {
    const { width, height } = PAPERS[paper]
    const left = (width - page.width) / 2
    const sheets: SVGSVGElement[] = []
    let sheet: SVGSVGElement | null = null
    let y = 0
    for (const line of page.copies(layer)) {
        if (!sheet || y + line.height > height - MARGIN_BOTTOM) {
            sheet = blank(paper)
            sheets.push(sheet)
            page.defs.forEach((defs) => sheet?.append(defs.cloneNode(true)))
            y = MARGIN_TOP
            if (sheets.length === 1) {
                sheet.append(headingOn(width, left, heading))
                y += headingHeight(heading)
            }
        }
        line.drawing.setAttribute('transform', `translate(${left.toFixed(0)}, ${(y - line.top).toFixed(0)})`)
        sheet.append(line.drawing)
        y += line.height
    }
    sheets.forEach((made, index) => made.append(footer(paper, left, heading, index + 1, sheets.length)))
    return sheets
}

const ROW = 760
const COLUMNS = [0, 900, 3300, 5700, 8100]

/** What to pencil where, for players who have a printed part; with a box to tick. */
export function transfer(lines: readonly SheetLine[], paper: Paper, heading: Heading): SVGSVGElement[] {
    const { width, height } = PAPERS[paper]
    const left = 1500
    const rows = Math.floor((height - MARGIN_TOP - MARGIN_BOTTOM - headingHeight(heading) - ROW) / ROW)
    const sheets: SVGSVGElement[] = []
    for (let first = 0; first === 0 || first < lines.length; first += rows) {
        const sheet = blank(paper)
        const top = MARGIN_TOP + headingHeight(heading)
        sheet.append(headingOn(width, left, heading), row(left, top, ['', say('Measure'), 'Beat', 'Note', 'Pencil in'], true))
        lines.slice(first, first + rows).forEach((line, index) => {
            const y = top + (index + 1) * ROW
            sheet.append(
                element('rect', { x: left, y: y - 330, width: 360, height: 360, fill: 'none', stroke: INK, 'stroke-width': 20 }),
                row(left, y, ['', line.measure, line.beat, line.note, line.sign], false),
                element('path', { d: `M${left} ${y + 200} H${width - left}`, stroke: '#c9c5bb', 'stroke-width': 12 }),
            )
        })
        sheets.push(sheet)
    }
    sheets.forEach((made, index) => made.append(footer(paper, left, heading, index + 1, sheets.length)))
    return sheets
}

function row(left: number, y: number, cells: readonly string[], bold: boolean): SVGGElement {
    return element(
        'g',
        {},
        ...cells.map((cell, column) => words(cell, left + (COLUMNS[column] ?? 0), y, 400, { 'font-weight': bold ? 'bold' : 'normal' })),
    )
}

function blank(paper: Paper): SVGSVGElement {
    const { width, height } = PAPERS[paper]
    return element('svg', { class: `sheet ${paper}`, viewBox: `0 0 ${width} ${height}`, width: `${width / 100}mm`, height: `${height / 100}mm` })
}

const headingHeight = ({ told }: Heading) => HEADING + 420 * Math.max(0, told.length - 1)

function headingOn(width: number, left: number, heading: Heading): SVGGElement {
    return element(
        'g',
        {},
        words(heading.title, width / 2, MARGIN_TOP + 720, 860, { 'text-anchor': 'middle', 'font-weight': 'bold' }),
        words(heading.part, left, MARGIN_TOP + 1650, 480, { 'font-weight': 'bold' }),
        ...heading.told.map((sentence, index) => words(sentence, width / 2, MARGIN_TOP + 1500 + 420 * index, 340, { 'text-anchor': 'middle', 'font-style': 'italic' })),
        words(heading.composer, width - left, MARGIN_TOP + 1650, 420, { 'text-anchor': 'end' }),
    )
}

function footer(paper: Paper, left: number, heading: Heading, number: number, count: number): SVGGElement {
    const { width, height } = PAPERS[paper]
    const y = height - 900
    return element(
        'g',
        {},
        words(`${heading.part}, marked for ${heading.ensemble}`, left, y, 320, {}),
        words(`${heading.title}, page ${number} of ${count}`, width - left, y, 320, { 'text-anchor': 'end' }),
    )
}

function words(text: string, x: number, y: number, size: number, look: Record<string, string>): SVGTextElement {
    return element('text', { x, y, 'font-size': size, 'font-family': 'Source Serif 4', fill: INK, stroke: 'none', ...look }, text)
}
