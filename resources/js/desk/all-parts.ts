import { zipSync } from 'fflate'
import { api } from '../api/client'
import type { Desk } from '../api/types'
import { BehindPages } from '../page/behind'
import { fileName, PaperMaker } from '../page/paper-maker'
import { save } from '../page/pdf'
import { lineWidth, marked, numbered, transfer, type Paper } from '../page/sheets'
import { addressOf, handoutSheets, newestOf } from '../sharing/handout-paper'
import { drawn } from '../stores/desk'
import { headingOf, printOf, type OnPaper } from './on-paper'

export interface AllParts {
    /** as they were handed out last, or, where nothing is handed out of a part yet, as it is now */
    handedOut: boolean
    what: Exclude<OnPaper, 'versions'>
    proposals: boolean
    reasons: boolean
    paper: Paper
    /** Part id => how many copies of it; none: it is left out. */
    copies: Record<number, number>
    /** Each copy says which it is. */
    numbered: boolean
    as: 'pdf' | 'zip'
}

/**
 * All parts of a piece for the copier: one PDF in the order of the score, each part as often as it is asked for, or an archive of
 * PDFs, one a part.
 *
 * @param told which part is being made
 */
export async function saveAllParts(desk: Desk, how: AllParts, told: (name: string) => void): Promise<void> {
    const behind = new BehindPages()
    const maker = new PaperMaker(() => [], () => headingOf(desk), () => how.paper)
    try {
        const all: SVGSVGElement[] = []
        const files: Record<string, Uint8Array> = {}
        for (const { id, name } of desk.siblings.filter((sibling) => (how.copies[sibling.id] ?? 0) > 0)) {
            told(name)
            const sheets = (how.handedOut ? await handedOut(id, how.paper, behind) : null) ?? (await sheetsOf(await api.part(id, null), how, behind))
            if (how.as === 'zip') {
                files[`${fileName(name)}.pdf`] = new Uint8Array(await (await maker.pdfOf(sheets, `${desk.piece.title}, ${name}`)).arrayBuffer())
            } else {
                for (let copy = 0; copy < (how.copies[id] ?? 0); copy++) {
                    all.push(...(how.numbered ? numbered(sheets, how.paper, copy + 1) : sheets.map((sheet) => sheet.cloneNode(true) as SVGSVGElement)))
                }
            }
            behind.forget()
        }
        const title = fileName(desk.piece.title)
        if (how.as === 'zip') {
            save(new Blob([zipSync(files, { level: 0 }) as BlobPart], { type: 'application/zip' }), `${title}-parts.zip`)
        } else {
            told('the file')
            save(await maker.pdfOf(all, desk.piece.title), `${title}-all-parts.pdf`)
        }
    } finally {
        maker.dispose()
        behind.dispose()
    }
}

async function sheetsOf(desk: Desk, how: AllParts, behind: BehindPages): Promise<SVGSVGElement[]> {
    if (how.what === 'sheet' || desk.piece.rights === 'printed-only') {
        return transfer((await api.sheet(desk.part.id, null, how.proposals)).sheet, how.paper, headingOf(desk), how.reasons)
    }
    const page = await behind.of(printOf(desk), lineWidth(how.paper))
    return marked(page, drawn(desk.marking.notes ?? []).filter(({ decided }) => how.proposals || decided === true), how.paper, headingOf(desk))
}

async function handedOut(part: number, paper: Paper, behind: BehindPages): Promise<SVGSVGElement[] | null> {
    const told = await api.handouts(part)
    const newest = newestOf(told, '')
    return newest && (await handoutSheets(newest.id, addressOf(told, newest), paper, behind))
}
