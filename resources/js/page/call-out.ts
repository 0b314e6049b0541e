import type { CallOut } from '../api/types'
import { say } from '../stores/say'
import type { Heading, Paper } from './sheets'
import { tableSheets } from './table-sheet'

/** What all sections change, for the podium. */
export function calledOut(lines: CallOut['lines'], paper: Paper, heading: Heading): SVGSVGElement[] {
    const rows = lines.map(({ part, line }) => [
        line.measure + (line.to ? `–${line.to}` : ''),
        line.notes.length > 1 ? '' : line.beat,
        part,
        line.notes.length > 1 ? '' : line.pitch,
        `${line.check ? 'look first: ' : ''}${line.words}${line.reason ? ` (${line.reason})` : ''}`,
    ])
    return tableSheets([{ title: say('Measure'), share: 0.11, bold: true }, { title: 'Beat', share: 0.08 }, { title: 'Section', share: 0.19, bold: true }, { title: 'Note', share: 0.1 }, { title: 'Pencil in', share: 0.52 }], rows, paper, heading)
}
