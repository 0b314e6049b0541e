import type { Heard, PracticeSheet, Shared, Slip } from '../api/types'
import { engravedHere, type Engraved } from '../page/print'
import { NARROW_WIDTH, PAPER_WIDTH } from '../page/widths'
import { daysIn } from '../stores/days'

/** What the server engraves when it is handed out. */
const ENGRAVED = [NARROW_WIDTH, PAPER_WIDTH]

/** The server says that there is nothing (any more), in a sentence for whoever opened the link. */
export class Gone extends Error {}

/** No usable answer came. */
export class Away extends Error {}

/** Where a handout comes from: a link, or the staff's own list. */
export class HandoutSource {
    /** @param base address of the handout, without a slash at its end */
    constructor(readonly base: string) {}

    private async fetched(path: string): Promise<Response> {
        let answer: Response
        try {
            answer = await fetch(`${this.base}${path}`, { headers: { Accept: 'application/json' }, credentials: 'same-origin' })
        } catch {
            throw new Away('There is no connection just now.')
        }
        if (answer.status === 404 || answer.status === 410) {
            const told = (await answer.json().catch(() => ({}))) as { message?: string }
            throw new Gone(told.message || 'There is nothing here any more.')
        }
        if (!answer.ok) {
            throw new Away(answer.status === 429 ? 'That was too often in a short time. Wait a minute and try again.' : 'The server does not answer as it should. Try again in a moment.')
        }
        return answer
    }

    async view(): Promise<Shared> {
        const shared = (await (await this.fetched('')).json()) as Shared
        if (shared.zone) {
            daysIn(shared.zone)
        }
        return shared
    }

    async practice(): Promise<PracticeSheet[]> {
        return (await (await this.fetched('/practice')).json()) as PracticeSheet[]
    }

    async heard(): Promise<Heard> {
        return (await (await this.fetched('/heard')).json()) as Heard
    }

    /** From a handout of some number to this one. */
    async since(number: number): Promise<Slip> {
        return (await (await this.fetched(`/since/${number}`)).json()) as Slip
    }

    get musicXml(): string {
        return `${this.base}/musicxml`
    }

    /** Counted apart from reading; nothing depends on it. */
    opened(): void {
        void fetch(`${this.base}/opened`, { method: 'POST', keepalive: true }).catch(() => undefined)
    }

    /** As the server engraved it; where it has not yet, or for another width, it is engraved here. */
    async engraved(view: Shared, width: number): Promise<Engraved> {
        const made = ENGRAVED.includes(width) ? await this.fetched(`/engraved-${width}`) : null
        if (made && made.status !== 204) {
            return (await made.json()) as Engraved
        }
        const music = await (await this.fetched('/music')).text()
        return engravedHere({ music, silent: view.performance?.silent ?? [], beside: view.printed ?? [] }, width)
    }
}
