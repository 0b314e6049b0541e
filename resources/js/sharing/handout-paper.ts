import type { Handout, Handouts } from '../api/types'
import type { BehindPages } from '../page/behind'
import { lineWidth, marked, transfer, type Heading, type Paper } from '../page/sheets'
import { HandoutSource } from './source'

/** The newest that everybody of a part has, or some players. */
export const newestOf = ({ handouts }: Handouts, audience: string): Handout | null => handouts.find((one) => one.audience === audience && one.withdrawn === null) ?? null

/** An open link to a handout, or to always the newest, as it stands on paper. */
export function addressOf({ links }: Handouts, { id, audience }: Handout): string | null {
    return links.find((link) => link.audience === audience && link.address !== null && (link.handout === null || link.handout === id))?.address ?? null
}

/** A handout on paper, as it was handed out: with its number and, where one is open, with a link. */
export async function handoutSheets(id: number, address: string | null, paper: Paper, behind: BehindPages): Promise<SVGSVGElement[]> {
    const source = new HandoutSource(`/api/handouts/${id}`)
    const view = await source.view()
    const heading: Heading = { title: view.title, composer: view.composer, part: view.part, ensemble: view.ensemble, told: view.performance?.sentences ?? [], handout: view.handout, address }
    if (!view.notation) {
        return transfer(view.sheet ?? [], paper, heading)
    }
    const page = await behind.of({ music: source.base, silent: view.performance?.silent ?? [], beside: view.printed ?? [], ready: (width) => source.engraved(view, width) }, lineWidth(paper))
    return marked(page, view.layer ?? [], paper, heading)
}
