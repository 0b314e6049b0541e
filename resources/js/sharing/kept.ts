import { clear, createStore, get, set } from 'idb-keyval'
import type { Heard, Shared } from '../api/types'
import { keepPage } from '../components/kept-page'
import type { Engraved } from '../page/print'

/**
 * What a student's device keeps: the last music that was opened, so that it is there without a connection, and which handout was
 * looked at last. Nothing else, and none of it longer than fourteen days.
 */
const DAYS = 14
const DAY_MS = 86_400_000
const NAME = 'last'

export interface Kept {
    /** The address that it was opened at. */
    base: string
    at: number
    view: Shared
    /** By the width of a line. */
    engraved: Record<number, Engraved>
    heard?: Heard
}

/** Whether it was kept for as long as it may be; a clock that was put back does not make that longer. */
export const isPast = ({ at }: { at: number }, now = Date.now()): boolean => now - at > DAYS * DAY_MS || at - now > DAY_MS

/** Whether it is time to write down that it was seen on line again. */
export const isOfYesterday = ({ at }: { at: number }, now = Date.now()): boolean => now - at > DAY_MS

const store = () => createStore('upright-pencil-student', 'music')

export async function lastKept(base: string): Promise<Kept | null> {
    try {
        const kept = await get<Kept>(NAME, store())
        if (kept && isPast(kept)) {
            await forgetKept()
            return null
        }
        return kept?.base === base ? kept : null
    } catch {
        return null
    }
}

export async function keepLast(kept: Kept): Promise<void> {
    // A view from the page's state cannot be stored as it is.
    await set(NAME, JSON.parse(JSON.stringify(kept)), store()).catch(() => undefined)
}

export async function forgetKept(): Promise<void> {
    await clear(store()).catch(() => undefined)
}

interface Seen {
    base: string
    number: number
    at: number
}

const SEEN = 'upright-pencil.seen'

/** The handout of a link that was looked at last, if that is not too long ago. */
export function seenNumber(base: string): number | null {
    try {
        const seen = JSON.parse(localStorage.getItem(SEEN) ?? 'null') as Seen | null
        return seen?.base === base && !isPast(seen) ? seen.number : null
    } catch {
        return null
    }
}

export function sawNumber(base: string, number: number): void {
    try {
        localStorage.setItem(SEEN, JSON.stringify({ base, number, at: Date.now() } satisfies Seen))
    } catch {
        // Where nothing can be kept, changes are not told.
    }
}

/** The pieces of the page itself, so that it opens without a connection: they hold nothing of anybody. */
export const keepThePage = (): Promise<void> => keepPage('upright-pencil-page', '/s/', true)
