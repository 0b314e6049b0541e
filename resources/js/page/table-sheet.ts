import { INK } from './engraving'
import { blank, footer, headingHeight, headingOn, PAPERS, words, type Heading, type Paper } from './sheets'
import { element } from './svg'

const LEFT = 1700
const TOP = 1400
const BOTTOM = 1700
const ROW = 620
const SIZE = 310
/** A letter of the text is about so wide, as a share of its size. */
const LETTER = 0.47

export interface Column {
    title: string
    /** Share of the page's width. */
    share: number
    bold?: boolean
}

/** A table on as many sheets as it needs; what is too long for its column goes on in another line. */
export function tableSheets(columns: readonly Column[], rows: readonly (readonly string[])[], paper: Paper, heading: Heading): SVGSVGElement[] {
    const { width, height } = PAPERS[paper]
    const wide = width - 2 * LEFT
    const at = columns.map((_, index) => LEFT + wide * columns.slice(0, index).reduce((sum, { share }) => sum + share, 0))
    const sheets: SVGSVGElement[] = []
    let y = Infinity
    for (const row of rows) {
        const cells = columns.map(({ share }, index) => wrapped(row[index] ?? '', Math.max(4, Math.floor((share * wide) / (SIZE * LETTER)))))
        const needs = ROW * 0.72 * Math.max(...cells.map(({ length }) => length)) + ROW * 0.28
        if (y + needs > height - BOTTOM) {
            const sheet = blank(paper)
            sheets.push(sheet)
            y = TOP
            if (sheets.length === 1) {
                sheet.append(headingOn(width, LEFT, heading))
                y += headingHeight(heading)
            }
            columns.forEach(({ title }, index) => sheet.append(words(title, at[index] ?? LEFT, y, 260, { fill: '#4a4e53' })))
            y += ROW
        }
        const sheet = sheets.at(-1)
        sheet?.append(element('path', { d: `M${LEFT} ${y - ROW * 0.62} H${LEFT + wide}`, stroke: '#c9c5bb', 'stroke-width': 10 }))
        cells.forEach((lines, index) => lines.forEach((line, below) => sheet?.append(words(line, at[index] ?? LEFT, y + below * ROW * 0.72, SIZE, columns[index]?.bold === true ? { 'font-weight': 'bold', fill: INK } : {}))))
        y += needs
    }
    sheets.forEach((made, index) => made.append(footer(paper, LEFT, heading, index + 1, sheets.length)))
    return sheets
}

function wrapped(text: string, letters: number): string[] {
    const lines = ['']
    for (const word of text.split(' ')) {
        const last = lines.length - 1
        if (`${lines[last]} ${word}`.length > letters && lines[last] !== '') {
            lines.push(word)
        } else {
            lines[last] = `${lines[last]} ${word}`.trim()
        }
    }
    return lines
}
