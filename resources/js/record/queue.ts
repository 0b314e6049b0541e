import { useEventListener } from '@vueuse/core'
import { defineStore } from 'pinia'
import { v4 as uuid } from 'uuid'
import { computed, ref, shallowRef } from 'vue'
import { api, Refused, Unreachable } from '../api/client'
import type { Marking } from '../api/types'
import { browserName, dependents, Drawer, entryIn, type Aside, type Entry } from './entries'

export type Saving = 'saved' | 'saving' | 'waiting' | 'signed-out' | 'aside'

const FIRST_PAUSE_MS = 1000
const LONGEST_PAUSE_MS = 30_000

/** An answer to an entry; null: another window of this browser got it. */
export type Answered = (part: number, answer: Marking | null, entry: Entry) => void

/**
 * The entries of one person on their way into the records of parts: one queue, whatever screen or window is open. It
 * sends them one after the other, waits and tries again, and sets aside what is refused. Nothing leaves it unacknowledged
 * unless its maker lets it go.
 */
export const useQueue = defineStore('queue', () => {
    const person = ref<number | null>(null)
    const entries = shallowRef<Entry[]>([])
    /** Why what waits cannot be saved just now. */
    const trouble = ref('')
    const signedOut = ref(false)
    /** Whether this browser keeps what waits: some do not. */
    const keeps = ref(true)
    const browser = browserName(uuid)
    const listeners = new Set<Answered>()
    /** Entries that lie in the drawer: only those can vanish from it in another window. */
    const stored = new Set<string>()
    /** What the page that is open shows of a part, so that the answer need not hold the whole. */
    const shown = new Map<number, string>()
    let drawer: Drawer | null = null
    let running = false
    let timer = 0
    let pause = FIRST_PAUSE_MS

    const waiting = computed(() => entries.value.filter((entry) => !entry.aside))
    const aside = computed(() => entries.value.filter((entry) => entry.aside))
    const saving = computed<Saving>(() => {
        if (waiting.value.length === 0) {
            return aside.value.length > 0 ? 'aside' : 'saved'
        }
        return signedOut.value ? 'signed-out' : trouble.value === '' ? 'saving' : 'waiting'
    })

    /** Somebody is signed in: what this browser kept of theirs is sent, and nothing of anybody else. */
    function begin(id: number): void {
        signedOut.value = false
        if (person.value !== id) {
            person.value = id
            drawer = new Drawer(id)
            entries.value = drawer.all()
            stored.clear()
            entries.value.forEach(({ key }) => stored.add(key))
        }
        retry()
    }

    /** Nobody is signed in: what waits stays in the drawer. */
    function end(): void {
        clearTimeout(timer)
        person.value = drawer = null
        entries.value = []
        stored.clear()
        trouble.value = ''
    }

    function push(made: Pick<Entry, 'part' | 'players' | 'kind' | 'decisions' | 'takes' | 'seen' | 'proposed'>): void {
        const before = waiting.value.filter(({ part }) => part === made.part).at(-1)
        const at = Math.max(Date.now(), (entries.value.at(-1)?.at ?? 0) + 1)
        const entry: Entry = { ...made, ...(before ? { follows: before.key } : {}), key: uuid(), at, tried: false }
        entries.value = [...entries.value, entry]
        keep(entry)
        void flush()
    }

    function keep(entry: Entry): void {
        keeps.value = drawer?.put(entry) ?? false
        if (keeps.value) {
            stored.add(entry.key)
        }
    }

    function replace(entry: Entry): void {
        entries.value = entries.value.map((one) => (one.key === entry.key ? entry : one))
        keep(entry)
    }

    function drop(...keys: string[]): void {
        entries.value = entries.value.filter(({ key }) => !keys.includes(key))
        keys.forEach((key) => {
            drawer?.drop(key)
            stored.delete(key)
        })
    }

    /** Takes back an entry that was never sent. @returns whether it was still here */
    function cancel(key: string): boolean {
        const entry = waiting.value.find((one) => one.key === key)
        if (!entry || entry.tried || drawer?.get(key)?.tried) {
            return false
        }
        drop(key)
        return true
    }

    function retry(): void {
        clearTimeout(timer)
        pause = FIRST_PAUSE_MS
        void flush()
    }

    async function flush(): Promise<void> {
        if (running || person.value === null || signedOut.value) {
            return
        }
        running = true
        clearTimeout(timer)
        const id = person.value
        for (let entry = waiting.value[0]; entry && person.value === id; entry = waiting.value[0]) {
            if (!(await sent(entry, id))) {
                break
            }
        }
        running = false
        if (person.value !== null && person.value !== id) {
            void flush()
        }
    }

    /** @returns whether the next one may be sent */
    async function sent(entry: Entry, id: number): Promise<boolean> {
        if (!entry.tried) {
            replace({ ...entry, tried: true })
        }
        try {
            const answer = await api.append(entry, id, browser, followed(entry), shown.get(entry.part))
            if (person.value !== id) {
                // It arrived, but somebody else sits here now.
                new Drawer(id).drop(entry.key)
                return false
            }
            drop(entry.key)
            trouble.value = ''
            pause = FIRST_PAUSE_MS
            listeners.forEach((listen) => listen(entry.part, answer, entry))
            return true
        } catch (problem) {
            return person.value === id && refused(entry, problem)
        }
    }

    /** The entry before it, unless that one was set aside: then the one before that. */
    function followed(entry: Entry): string | undefined {
        let follows = entry.follows
        for (let before = aside.value.find(({ key }) => key === follows); before; before = aside.value.find(({ key }) => key === follows)) {
            follows = before.follows
        }
        return follows
    }

    function refused(entry: Entry, problem: unknown): boolean {
        if (problem instanceof Refused && problem.status === 401) {
            signedOut.value = true
            return false
        }
        if (!(problem instanceof Refused) || problem.status === 429) {
            trouble.value = problem instanceof Error ? problem.message : String(problem)
            const asked = problem instanceof Refused || problem instanceof Unreachable ? problem.afterSeconds * 1000 : 0
            timer = window.setTimeout(() => void flush(), Math.max(pause, asked))
            pause = Math.min(LONGEST_PAUSE_MS, pause * 2)
            return false
        }
        trouble.value = ''
        setAside(entry, { message: problem.message, theirs: problem.theirs })
        listeners.forEach((listen) => listen(entry.part, null, entry))
        return true
    }

    function setAside(entry: Entry, why: Aside): void {
        const later = waiting.value.filter(({ part, at }) => part === entry.part && at > entry.at)
        replace({ ...entry, aside: why })
        dependents(entry, later).forEach((one) => replace({ ...one, aside: { message: 'It waits for the one before it.', theirs: [] } }))
    }

    /** What was set aside is let go, wherever it was meant for. */
    function letGo(...keys: string[]): void {
        drop(...aside.value.filter(({ key }) => keys.includes(key)).map(({ key }) => key))
    }

    /**
     * What was set aside is decided again on the page as it is now, in the same order; or let go. What the others decided was
     * told with it, so it has been seen even where the page does not show it yet.
     */
    function settle(part: number, again: boolean, seen: number): void {
        const settled = aside.value.filter((entry) => entry.part === part)
        const told = Math.max(seen, ...settled.flatMap((entry) => entry.aside?.theirs ?? []).map(({ seq }) => seq || 0))
        drop(...settled.map(({ key }) => key))
        settled
            .filter(({ kind }) => again && kind === 'decide')
            .forEach(({ players, decisions, proposed }) => push({ part, players, kind: 'decide', decisions, proposed, seen: told }))
    }

    /** Another window made, sent or let go of an entry. */
    function lookAgain(): void {
        const kept = drawer?.all() ?? []
        const gone = entries.value.filter(({ key }) => stored.has(key) && !kept.some((entry) => entry.key === key))
        const own = entries.value.filter(({ key }) => !stored.has(key))
        kept.forEach(({ key }) => stored.add(key))
        gone.forEach(({ key }) => stored.delete(key))
        entries.value = [...kept, ...own].sort((one, other) => one.at - other.at)
        gone.forEach((entry) => listeners.forEach((listen) => listen(entry.part, null, entry)))
        void flush()
    }

    useEventListener(window, 'storage', (event) => {
        if (!drawer?.isMine(event.key)) {
            return
        }
        // One that came and went before this window looked is told of all the same.
        const gone = event.newValue === null ? entryIn(event.oldValue) : null
        const missed = gone !== null && !stored.has(gone.key)
        lookAgain()
        if (missed) {
            listeners.forEach((listen) => listen(gone.part, null, gone))
        }
    })
    useEventListener(window, 'online', retry)
    useEventListener(document, 'visibilitychange', () => {
        if (document.visibilityState === 'visible') {
            retry()
        }
    })
    useEventListener(window, 'beforeunload', (event) => {
        if (waiting.value.length > 0) {
            event.preventDefault()
        }
    })

    function onAnswer(listen: Answered): () => void {
        listeners.add(listen)
        return () => listeners.delete(listen)
    }

    function shows(part: number, state: string | null): void {
        shown.clear()
        if (state !== null) {
            shown.set(part, state)
        }
    }

    return { person, entries, waiting, aside, saving, trouble, keeps, signedOut, begin, end, push, cancel, letGo, settle, retry, shows, onAnswer }
})
