import { clear, createStore, del, entries, get, keys, set } from 'idb-keyval'

/** Engraved music that this browser keeps, so that a part opens at once the next time. It may be lost at any time. */
const MOST = 60

interface Kept {
    pages: string[]
    at: number
}

const store = () => createStore('upright-pencil', 'engravings')

export async function kept(name: string): Promise<string[] | undefined> {
    try {
        return (await get<Kept>(name, store()))?.pages
    } catch {
        return undefined
    }
}

export async function keep(name: string, pages: string[]): Promise<void> {
    try {
        await set(name, { pages, at: Date.now() }, store())
        const all = await entries<string, Kept>(store())
        const old = all.sort(([, one], [, other]) => other.at - one.at).slice(MOST)
        await Promise.all(old.map(([key]) => del(key, store())))
    } catch {
        // Where nothing can be kept it is engraved anew.
    }
}

/** Whether this browser has opened music before. */
export async function hasKept(): Promise<boolean> {
    return (await keys(store()).catch(() => [])).length > 0
}

/** Whoever signs out leaves no music behind. */
export async function forgetEngravings(): Promise<void> {
    await clear(store()).catch(() => undefined)
}
