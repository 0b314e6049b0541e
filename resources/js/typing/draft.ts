import { useEventListener } from '@vueuse/core'
import { createStore, del, get, keys, set } from 'idb-keyval'
import { computed, onBeforeUnmount, ref, shallowRef } from 'vue'
import { api, Refused } from '../api/client'
import type { Typed, Warning } from '../api/types'
import { problemWords } from '../desk/words'
import type { Manuscript } from './manuscript'

/** After the last key, before it is sent. */
const CALM_MS = 350
const LONGEST_PAUSE_MS = 30_000
/** Steps back that outlive the page. */
const MOST_BEFORE = 300

export type Keeping = 'saved' | 'saving' | 'waiting' | 'elsewhere'

/** What was typed and is not on the server yet, as this browser keeps it. */
interface Left {
    manuscript: Manuscript
    /** What it goes on from. */
    revision: number
    ensemble: number
    part: number | null
    piece: number | null
}

const store = () => createStore('upright-pencil-typing', 'drafts')

const slot = (person: number, key: string): string => `${person} ${key}`

const BEFORE = ' before'

/** Whoever signs out leaves behind only what has not been sent. */
export async function forgetHistories(): Promise<void> {
    const all = await keys<string>(store()).catch(() => [])
    await Promise.all(all.filter((key) => key.endsWith(BEFORE)).map((key) => del(key, store())))
}

/**
 * Something that is typed, on its way to the server: kept in this browser with every key, sent when the keys are calm, and
 * sent again until it arrives. Another window that typed on the same is told of, and nothing of either is lost.
 */
export function useDraft(person: number) {
    const typed = shallowRef<Typed | null>(null)
    const names = ref<string[]>([])
    const warnings = ref<Warning[]>([])
    const fault = ref<string | null>(null)
    const keeping = ref<Keeping>('saved')
    const trouble = ref('')
    /** What another window has typed, while this one waits for a word. */
    const theirs = shallowRef<Typed | null>(null)
    let manuscript: Manuscript | null = null
    let sent: Manuscript | null = null
    let past: () => readonly Manuscript[] = () => []
    let timer = 0
    let pause = 1000
    let running: Promise<void> | null = null

    const key = computed(() => typed.value?.key ?? '')

    /** @returns what is to be typed on */
    async function open(fetched: Typed): Promise<Manuscript> {
        typed.value = fetched
        understood(fetched)
        const there = JSON.parse(fetched.typed) as Manuscript
        const left = await get<Left>(slot(person, fetched.key), store()).catch(() => undefined)
        manuscript = sent = there
        if (left && JSON.stringify(left.manuscript) !== fetched.typed) {
            manuscript = left.manuscript
            if (left.revision === fetched.revision) {
                changed(left.manuscript)
            } else {
                theirs.value = fetched
                keeping.value = 'elsewhere'
            }
        }
        return manuscript
    }

    function understood(answer: Typed): void {
        names.value = answer.names
        warnings.value = answer.warnings
        fault.value = answer.fault
    }

    /** What can be undone of it from the last time, in this browser. */
    async function before(now: Manuscript): Promise<Manuscript[]> {
        const kept = await get<Manuscript[]>(slot(person, key.value) + BEFORE, store()).catch(() => undefined)
        return kept && JSON.stringify(kept.at(-1)) === JSON.stringify(now) ? kept.slice(0, -1) : []
    }

    /** @param before what it was, oldest first; asked when it is kept, not with every key */
    function changed(now: Manuscript, before: () => readonly Manuscript[] = past): void {
        manuscript = now
        past = before
        const at = typed.value
        if (!at) {
            return
        }
        if (now === sent && keeping.value !== 'elsewhere') {
            // What was taken back and done again is there already.
            clearTimeout(timer)
            keeping.value = running ? 'saving' : 'saved'
            return
        }
        void set(slot(person, at.key), { manuscript: now, revision: at.revision, ensemble: at.ensemble, part: at.part, piece: at.piece } satisfies Left, store()).catch(() => undefined)
        if (keeping.value !== 'elsewhere') {
            keeping.value = 'saving'
            clearTimeout(timer)
            timer = window.setTimeout(() => void flush(), CALM_MS)
        }
    }

    /** Sends what is not sent. @returns whether all is kept now */
    async function flush(): Promise<boolean> {
        clearTimeout(timer)
        await running
        if (manuscript === sent || keeping.value === 'elsewhere') {
            return keeping.value === 'saved'
        }
        running = send()
        await running
        running = null
        return manuscript === sent
    }

    async function send(): Promise<void> {
        const [at, now] = [typed.value, manuscript]
        if (!at || !now) {
            return
        }
        try {
            const answer = await api.keepManuscript(at.ensemble, at.key, { revision: at.revision, typed: JSON.stringify(now), part: at.part, piece: at.piece })
            typed.value = { ...at, revision: answer.revision }
            sent = now
            pause = 1000
            trouble.value = ''
            understood(answer)
            keeping.value = manuscript === sent ? 'saved' : 'saving'
            if (manuscript === sent) {
                await del(slot(person, at.key), store()).catch(() => undefined)
                await set(slot(person, at.key) + BEFORE, [...past().slice(-MOST_BEFORE), now], store()).catch(() => undefined)
            }
        } catch (problem) {
            await refused(at, problem)
        }
    }

    async function refused(at: Typed, problem: unknown): Promise<void> {
        trouble.value = problemWords(problem)
        if (problem instanceof Refused && problem.status === 409) {
            keeping.value = 'elsewhere'
            theirs.value = await api.manuscript(at.key).catch(() => null)
            return
        }
        keeping.value = 'waiting'
        timer = window.setTimeout(() => void flush(), pause)
        pause = Math.min(LONGEST_PAUSE_MS, pause * 2)
    }

    /** This window goes on: what the other typed is typed over. */
    function takeMine(): void {
        if (typed.value && theirs.value && manuscript) {
            typed.value = { ...typed.value, revision: theirs.value.revision }
            theirs.value = null
            keeping.value = 'saving'
            void flush()
        }
    }

    /** @returns what the other window typed, to go on from */
    async function takeTheirs(): Promise<Manuscript | null> {
        const other = theirs.value
        if (!other) {
            return null
        }
        await del(slot(person, other.key), store()).catch(() => undefined)
        theirs.value = null
        keeping.value = 'saved'
        return open(other)
    }

    async function forget(): Promise<void> {
        clearTimeout(timer)
        sent = manuscript
        await del(slot(person, key.value), store()).catch(() => undefined)
        await del(slot(person, key.value) + BEFORE, store()).catch(() => undefined)
    }

    useEventListener(window, 'online', () => void flush())
    useEventListener(document, 'visibilitychange', () => void flush())
    onBeforeUnmount(() => void flush())

    return { typed, key, names, warnings, fault, keeping, trouble, theirs, open, before, changed, flush, takeMine, takeTheirs, forget }
}

export type Draft = ReturnType<typeof useDraft>
