import type { Mark, Question, SheetLine } from '../api/types'
import { say } from '../stores/say'
import { INK } from './engraving'
import type { Copy, ScorePage } from './score-page'
import { rubbedSign, sheetSign } from './sheet-signs'
import type { Sign } from './signs'
import { qrCode } from './qr'
import { element } from './svg'
import { PAPER_WIDTH } from './widths'
import { dayWords } from '../stores/days'

export type Paper = 'a4' | 'letter' | 'large'

/**
 * Width and height in hundredths of a millimetre, which are the engraver's units; and how much larger than usual the music is.
 * Large print is for a projector and for those who need it.
 */
export const PAPERS: Record<Paper, { width: number; height: number; name: string; scale: number }> = {
    a4: { width: 21000, height: 29700, name: 'A4', scale: 1 },
    letter: { width: 21590, height: 27940, name: 'Letter', scale: 1 },
    large: { width: 29700, height: 21000, name: 'Large print', scale: 1.75 },
}

/** How wide a line of music is engraved for a paper, in tenths of a millimetre. */
export const lineWidth = (paper: Paper): number => (paper === 'large' ? Math.floor((PAPERS.large.width - 2400) / PAPERS.large.scale / 10) : PAPER_WIDTH)

export interface Heading {
    title: string
    composer: string
    part: string
    ensemble: string
    /** What is not played, in sentences. */
    told: readonly string[]
    /** Which handout it is; none: it was not handed out. */
    handout?: { number: number; at: string } | null | undefined
    /** Of a link to it, printed as a code too. */
    address?: string | null | undefined
    /** What kind of sheet it is, where it is no part. */
    kind?: string | undefined
}

const MARGIN_TOP = 1400
const MARGIN_BOTTOM = 1700
const HEADING = 2700
/** A page that ends in a rest may be emptier by this much than one that is full. */
const TURN_EARLIER = 0.4

/**
 * The pages of a part with some marks, for printing and for PDF alike. What the screen shows just now, a preview say, does
 * not matter. Pages end where there is a rest to turn in, unless that takes another page.
 */
export function marked(page: ScorePage, layer: readonly Mark[], paper: Paper, heading: Heading): SVGSVGElement[] {
    const { width, height, scale } = PAPERS[paper]
    const left = (width - page.width * scale) / 2
    const lines = page.copies(layer)
    const room = (first: boolean) => (height - MARGIN_TOP - MARGIN_BOTTOM - (first ? headingHeight(heading) : 0)) / scale
    const sheets = turned(lines, room).map((here, index) => {
        const sheet = blank(paper)
        page.defs.forEach((defs) => sheet.append(defs.cloneNode(true)))
        if (index === 0) {
            sheet.append(headingOn(width, Math.max(1200, left), heading))
        }
        let y = MARGIN_TOP + (index === 0 ? headingHeight(heading) : 0)
        for (const line of here) {
            line.drawing.setAttribute('transform', `translate(${left.toFixed(0)}, ${(y - line.top * scale).toFixed(0)}) scale(${scale})`)
            sheet.append(line.drawing)
            y += line.height * scale
        }
        return sheet
    })
    sheets.forEach((made, index) => made.append(footer(paper, Math.max(1200, left), heading, index + 1, sheets.length)))
    return sheets
}

/** Lines of music on pages. */
function turned(lines: readonly Copy[], room: (first: boolean) => number): Copy[][] {
    const full = filled(lines, room, () => false)
    const inRests = filled(lines, room, (last, next) => last.rests.last || next.rests.first)
    return inRests.length <= full.length ? inRests : full
}

function filled(lines: readonly Copy[], room: (first: boolean) => number, turns: (last: Copy, next: Copy) => boolean): Copy[][] {
    const pages: Copy[][] = []
    let from = 0
    while (from < lines.length) {
        const most = room(pages.length === 0)
        let [to, used] = [from, 0]
        for (let line = lines[to]; line && (to === from || used + line.height <= most); line = lines[++to]) {
            used += line.height
        }
        for (let end = to; to < lines.length && end > from && used > most * (1 - TURN_EARLIER); end--) {
            const [last, next] = [lines[end - 1], lines[end]]
            if (last && next && turns(last, next)) {
                to = end
                break
            }
            used -= last?.height ?? 0
        }
        pages.push(lines.slice(from, to))
        from = to
    }
    return pages.length === 0 ? [[]] : pages
}

/** An open question with what the page looks like in each of its versions. */
export interface VersionOnPaper {
    question: Question
    layers: { name: string; layer: readonly Mark[] }[]
}

/** The versions of all that is open, under each other: the lines of music that they are about, as A and as B, and what to listen for. */
export function versions(page: ScorePage, tried: readonly VersionOnPaper[], paper: Paper, heading: Heading): SVGSVGElement[] {
    const { width, height, scale } = PAPERS[paper]
    const left = (width - page.width * scale) / 2
    const sheets: SVGSVGElement[] = []
    let y = Infinity
    const place = (needs: number): SVGSVGElement => {
        let sheet = sheets.at(-1)
        if (!sheet || y + needs > height - MARGIN_BOTTOM) {
            sheet = blank(paper)
            page.defs.forEach((defs) => sheet?.append(defs.cloneNode(true)))
            sheets.push(sheet)
            y = MARGIN_TOP
            if (sheets.length === 1) {
                sheet.append(headingOn(width, left, heading))
                y += headingHeight(heading)
            }
        }
        return sheet
    }
    for (const { question, layers } of tried) {
        const lines = layers.map(({ name, layer }) => ({ name, copies: page.copies(layer, question.notes) }))
        const first = lines[0]?.copies[0]
        const where = say(question.measure === question.to ? `Measure ${question.measure}` : `Measures ${question.measure} to ${question.to}`)
        place(1200 + (first ? first.height * scale : 0)).append(words(`${where}${question.listen === '' ? '' : `: ${question.listen}`}`, left, y + 500, 420, { 'font-weight': 'bold' }))
        y += 900
        for (const { name, copies } of lines) {
            for (const [index, copy] of copies.entries()) {
                const sheet = place(copy.height * scale)
                copy.drawing.setAttribute('transform', `translate(${left.toFixed(0)}, ${(y - copy.top * scale).toFixed(0)}) scale(${scale})`)
                sheet.append(copy.drawing)
                if (index === 0) {
                    sheet.append(words(name, left - 700, y + (copy.height * scale) / 2, 700, { 'font-weight': 'bold' }))
                }
                y += copy.height * scale
            }
        }
    }
    sheets.forEach((made, index) => made.append(footer(paper, left, heading, index + 1, sheets.length)))
    return sheets
}

const ROW = 590
const SIGN = 1.12
/** What was pencilled and goes. */
const RUBBED = '#6d7075'
/** How wide a letter of words is, as a share of its size. */
const LETTER = 0.49
/** From so many rows on, a page has another column. */
const COLUMNS = [1, 2, 3] as const

interface SheetRow {
    measure: string
    beat: string
    pitch: string
    lines: SheetLine[]
    line: number | null
}

/**
 * What to pencil where, for players who have a printed part: a line a note or run, with a box to tick. It takes as many columns
 * as make it one side of paper, and follows the lines of the printed page where they are known.
 *
 * @param reasons whether it says why, where somebody did
 */
export function transfer(lines: readonly SheetLine[], paper: Paper, heading: Heading, reasons = false): SVGSVGElement[] {
    const { width, height } = PAPERS[paper]
    const left = 1400
    const rows = rowsOf(lines)
    const inColumn = Math.floor((height - MARGIN_TOP - MARGIN_BOTTOM - headingHeight(heading) - ROW) / ROW)
    const columns = COLUMNS.find((count) => rows.length <= inColumn * count) ?? 3
    const wide = (width - 2 * left) / columns
    const sheets: SVGSVGElement[] = []
    for (let first = 0; first === 0 || first < rows.length; first += inColumn * columns) {
        const sheet = blank(paper)
        const top = MARGIN_TOP + headingHeight(heading)
        sheet.append(headingOn(width, left, heading))
        for (let column = 0; column < columns; column++) {
            const here = rows.slice(first + column * inColumn, first + (column + 1) * inColumn)
            const x = left + column * wide
            if (here.length > 0) {
                sheet.append(words(say('Measure'), x + 520, top, 270, { 'font-weight': 'bold' }), words('Beat', x + 1750, top, 270, { 'font-weight': 'bold' }), words('Pencil in', x + 3250, top, 270, { 'font-weight': 'bold' }))
            }
            here.forEach((row, index) => sheet.append(...sheetRow(row, x, top + (index + 1) * ROW, wide, reasons, index === 0 || here[index - 1]?.line !== row.line)))
        }
        sheets.push(sheet)
    }
    sheets.forEach((made, index) => made.append(footer(paper, left, heading, index + 1, sheets.length)))
    return sheets
}

/** What is written at one note is one row. */
function rowsOf(lines: readonly SheetLine[]): SheetRow[] {
    const rows: SheetRow[] = []
    for (const line of lines) {
        const last = rows.at(-1)
        if (last && line.to === null && line.notes.length === 1 && last.lines.every((one) => one.to === null && one.notes.length === 1 && one.notes[0] === line.notes[0])) {
            last.lines.push(line)
        } else {
            rows.push({ measure: line.to === null ? line.measure : `${line.measure}–${line.to}`, beat: line.notes.length > 1 ? '' : line.beat, pitch: line.notes.length > 1 ? '' : line.pitch, lines: [line], line: line.line })
        }
    }
    return rows
}

function sheetRow(row: SheetRow, left: number, y: number, wide: number, reasons: boolean, begins: boolean): SVGElement[] {
    const made: SVGElement[] = [element('path', { d: `M${left} ${y + 150} H${left + wide - 260}`, stroke: begins && row.line !== null ? INK : '#c9c5bb', 'stroke-width': 10 })]
    if (begins && row.line !== null) {
        made.push(words(`line ${row.line}`, left + wide - 300, y, 250, { 'text-anchor': 'end', fill: '#4a4e53' }))
    }
    if (row.measure === '') {
        made.push(words(row.lines[0]?.words ?? '', left + 520, y, 310, { 'font-style': 'italic' }))
        return made
    }
    made.push(
        element('rect', { x: left + 60, y: y - 240, width: 270, height: 270, fill: 'none', stroke: INK, 'stroke-width': 18 }),
        words(row.measure, left + 520, y, 340, { 'font-weight': 'bold' }),
        words(row.beat, left + 1750, y, 320, {}),
        words(row.pitch, left + 2400, y, 300, {}),
    )
    let x = left + 3250
    const draw = (sign: Sign, colour: string): void => {
        sign.drawing.setAttribute('transform', `translate(${(x + (sign.width * SIGN) / 2).toFixed(0)}, ${y + 30}) scale(${SIGN})`)
        sign.drawing.setAttribute('fill', colour)
        sign.drawing.setAttribute('stroke', colour)
        made.push(sign.drawing)
        x += sign.width * SIGN + 220
    }
    for (const line of row.lines) {
        const rubbed = rubbedSign(line)
        if (rubbed) {
            draw(rubbed, RUBBED)
        } else if (line.erase !== null && line.write !== null) {
            made.push(words(`${line.erase} →`, x, y, 300, { fill: RUBBED }))
            x += 300 * LETTER * (line.erase.length + 3)
        }
        const sign = sheetSign(line)
        if (sign) {
            draw(sign, INK)
        } else {
            made.push(words(line.words, x, y, 300, { 'font-style': 'italic' }))
            x += 300 * LETTER * line.words.length + 220
        }
    }
    const reason = reasons ? row.lines.find((line) => line.reason)?.reason : undefined
    if (reason) {
        made.push(words(`(${reason})`, x, y, 260, { fill: '#4a4e53' }))
    }
    return made
}

export function blank(paper: Paper): SVGSVGElement {
    const { width, height } = PAPERS[paper]
    return element('svg', { class: `sheet ${paper}`, viewBox: `0 0 ${width} ${height}`, width: `${width / 100}mm`, height: `${height / 100}mm` })
}

export const headingHeight = ({ told }: Heading) => HEADING + 420 * Math.max(0, told.length - 1)

export function headingOn(width: number, left: number, heading: Heading): SVGGElement {
    return element(
        'g',
        {},
        words(heading.title, width / 2, MARGIN_TOP + 720, 860, { 'text-anchor': 'middle', 'font-weight': 'bold' }),
        words(heading.part, left, MARGIN_TOP + 1650, 480, { 'font-weight': 'bold' }),
        ...heading.told.map((sentence, index) => words(sentence, width / 2, MARGIN_TOP + 1500 + 420 * index, 340, { 'text-anchor': 'middle', 'font-style': 'italic' })),
        words(heading.composer, width - left, MARGIN_TOP + 1650, 420, { 'text-anchor': 'end' }),
    )
}

/** How large the code of a link is printed. */
const QR_SIZE = 1500

export function footer(paper: Paper, left: number, heading: Heading, number: number, count: number): SVGGElement {
    const { width, height } = PAPERS[paper]
    const y = height - 900
    const { handout, address } = heading
    const day = dayWords(handout?.at ?? new Date().toISOString())
    const code = address && number === 1 ? qrCode(address, QR_SIZE) : null
    code?.setAttribute('transform', `translate(${width / 2 - QR_SIZE / 2}, ${height - QR_SIZE - 120})`)
    return element(
        'g',
        {},
        words(`${heading.part}, marked for ${heading.ensemble}, ${handout ? `handout ${handout.number}, ` : ''}${day}`, left, y, 320, {}),
        words(`${heading.title}, page ${number} of ${count}`, width - left, y, 320, { 'text-anchor': 'end' }),
        ...(code && address ? [code, words(address, left, y + 400, 240, {})] : []),
    )
}

/** The same sheets as one copy of several, with its number in the corner: whoever gives a set out knows who has which. */
export function numbered(sheets: readonly SVGSVGElement[], paper: Paper, copy: number): SVGSVGElement[] {
    return sheets.map((sheet) => {
        const own = sheet.cloneNode(true) as SVGSVGElement
        own.append(words(say(`Copy ${copy}`), PAPERS[paper].width - 1200, 900, 320, { 'text-anchor': 'end' }))
        return own
    })
}

export function words(text: string, x: number, y: number, size: number, look: Record<string, string>): SVGTextElement {
    return element('text', { x, y, 'font-size': size, 'font-family': 'Source Serif 4', fill: INK, stroke: 'none', ...look }, text)
}
