import type { Decision, KindName, TheirEntry } from '../api/types'

/** What was drawn at a note, decided by nobody, when an entry was made. */
export interface Proposed {
    note: string
    kind: KindName
    text?: string
}

/** One entry of a part's record, from the key that made it until the server has acknowledged it. */
export interface Entry {
    /** Its name, for good: the same key sent again is the same entry. */
    key: string
    part: number
    /** The group of players in whose edition it was made. */
    players?: string | undefined
    kind: 'decide' | 'undo' | 'redo'
    decisions?: Decision[]
    /** The key of the entry that an undo or redo is about. */
    takes?: string
    /** The key of the entry that waited before it. */
    follows?: string
    /** The newest entry of the record that the page had seen. */
    seen: number
    proposed?: Proposed[]
    /** Orders the entries of this browser; milliseconds, made to differ. */
    at: number
    /** Whether it was ever sent: then it may have arrived. */
    tried: boolean
    /** Why the server refused it; the director says what becomes of it. */
    aside?: Aside
}

export interface Aside {
    message: string
    /** What somebody else decided about the same notes. */
    theirs: TheirEntry[]
}

const PREFIX = 'upright-pencil.entry'

/** What this browser keeps of one person's entries, each by itself, where a crash does not reach. */
export class Drawer {
    private readonly prefix: string

    constructor(person: number) {
        this.prefix = `${PREFIX}.${person}.`
    }

    all(): Entry[] {
        const entries: Entry[] = []
        for (const name of names().filter((key) => key.startsWith(this.prefix))) {
            const entry = read(name)
            if (entry) {
                entries.push(entry)
            }
        }
        return entries.sort((one, other) => one.at - other.at)
    }

    /** An entry as it lies there now: another window may be sending it. */
    get(key: string): Entry | null {
        return read(this.prefix + key)
    }

    /** @returns whether it is kept */
    put(entry: Entry): boolean {
        try {
            localStorage.setItem(this.prefix + entry.key, JSON.stringify(entry))
            return true
        } catch {
            return false
        }
    }

    drop(key: string): void {
        try {
            localStorage.removeItem(this.prefix + key)
        } catch {
            // Where nothing can be kept, nothing has to be taken out.
        }
    }

    /** Whether a change in another window is about this drawer. */
    isMine(name: string | null): boolean {
        return name === null || name.startsWith(this.prefix)
    }
}

function names(): string[] {
    try {
        return Object.keys(localStorage)
    } catch {
        return []
    }
}

function read(name: string): Entry | null {
    try {
        return entryIn(localStorage.getItem(name))
    } catch {
        return null
    }
}

/** The entry that a drawer's text holds; null where it holds none. */
export function entryIn(text: string | null): Entry | null {
    try {
        const entry = JSON.parse(text ?? 'null') as Entry | null
        return entry !== null && typeof entry.key === 'string' && typeof entry.part === 'number' ? entry : null
    } catch {
        // Damaged: there is nothing in it to send.
        return null
    }
}

/** The name of this browser: its windows see each other's entries, others do not. */
export function browserName(make: () => string): string {
    const name = `${PREFIX}s-of`
    try {
        const kept = localStorage.getItem(name) ?? make()
        localStorage.setItem(name, kept)
        return kept
    } catch {
        return make()
    }
}

/** The notes that an entry is about; null: more than can be named here. */
export function touched(entry: Entry): Set<string> | null {
    const notes = new Set<string>()
    for (const decision of entry.decisions ?? []) {
        if (!('note' in decision) || decision.to !== undefined) {
            return null
        }
        notes.add(decision.note)
    }
    return notes
}

/** What depends on a refused entry: what is about the same notes after it, and what takes it back. */
export function dependents(refused: Entry, later: readonly Entry[]): Entry[] {
    const keys = new Set([refused.key])
    let notes = touched(refused)
    const found: Entry[] = []
    for (const entry of later) {
        const own = touched(entry)
        const same = entry.kind === 'decide' && (notes === null || own === null || [...own].some((note) => notes?.has(note)))
        if (same || (entry.takes !== undefined && keys.has(entry.takes))) {
            found.push(entry)
            keys.add(entry.key)
            notes = notes === null || own === null ? null : new Set([...notes, ...own])
        }
    }
    return found
}
