import { useEventListener } from '@vueuse/core'
import { computed, ref } from 'vue'
import { api, Refused, type GivenNote } from '../api/client'
import type { NoteOfRehearsal, Rehearsal } from '../api/types'
import { keepPage } from '../components/kept-page'

/** A note from the tap that made it until the server has it: it waits in this browser, for whoever made it and nobody else. */
interface Waiting {
    person: number
    piece: number
    note: GivenNote
    /** Why the server refused it; its maker says what becomes of it. */
    refused?: string
}

const WAITING = 'upright-pencil.rehearsal-notes'
const LAST = 'upright-pencil.rehearsal'
const AGAIN_MS = 5000

function kept<T>(name: string, otherwise: T): T {
    try {
        return (JSON.parse(localStorage.getItem(name) ?? 'null') as T | null) ?? otherwise
    } catch {
        return otherwise
    }
}

function keep(name: string, what: unknown): boolean {
    try {
        localStorage.setItem(name, JSON.stringify(what))
        return true
    } catch {
        return false
    }
}

/** What was rehearsed last in this browser, so that it is there without a network too. */
export function lastRehearsal(piece: number): { person: number; told: Rehearsal } | null {
    const last = kept<{ person: number; told: Rehearsal } | null>(LAST, null)
    return last?.told.piece === piece ? last : null
}

export const keepRehearsal = (person: number, told: Rehearsal): void => void keep(LAST, { person, told })

/** Whoever signs out leaves nothing behind but what was never sent. */
export function forgetRehearsals(): void {
    localStorage.removeItem(LAST)
}

/**
 * Notes of a rehearsal: each is kept here before anything else, and sent as soon as there is a network; never twice, never lost.
 *
 * @param person who is signed in; null: nobody knows just now
 * @param arrived a note that the server has
 */
export function useNotes(piece: number, person: () => number | null, arrived: (note: NoteOfRehearsal) => void) {
    const all = ref<Waiting[]>(kept<Waiting[]>(WAITING, []))
    const safe = ref(true)
    let sending = false

    const own = computed(() => all.value.filter((one) => one.piece === piece && (person() === null || one.person === person())))

    function store(change: (now: Waiting[]) => Waiting[]): void {
        // Another window may have made or sent some meanwhile.
        all.value = change(kept<Waiting[]>(WAITING, []))
        safe.value = keep(WAITING, all.value)
    }

    const without = (key: string) => store((now) => now.filter(({ note }) => note.key !== key))

    async function send(): Promise<void> {
        if (sending || person() === null) {
            return
        }
        sending = true
        for (const one of all.value.filter((waiting) => waiting.person === person() && waiting.refused === undefined)) {
            try {
                const note = await api.keepNote(one.piece, one.note)
                without(one.note.key)
                if (one.piece === piece) {
                    arrived(note)
                }
            } catch (problem) {
                if (problem instanceof Refused && [403, 404, 422].includes(problem.status)) {
                    store((now) => now.map((waiting) => (waiting.note.key === one.note.key ? { ...waiting, refused: problem.message } : waiting)))
                } else {
                    break
                }
            }
        }
        sending = false
    }

    function make(by: number, note: GivenNote): void {
        store((now) => [...now, { person: by, piece, note }])
        void send()
    }

    useEventListener(window, 'online', () => void send())
    useEventListener(window, 'storage', (event) => event.key === WAITING && (all.value = kept<Waiting[]>(WAITING, [])))
    const timer = setInterval(() => all.value.length > 0 && void send(), AGAIN_MS)

    return { waiting: computed(() => own.value.filter(({ refused }) => refused === undefined)), refused: computed(() => own.value.filter(({ refused }) => refused !== undefined)), safe, make, send, letGo: without, stop: () => clearInterval(timer) }
}

/** The page itself, so that it opens without a network. */
export const keepRehearsalPage = (): Promise<void> => keepPage('upright-pencil-rehearsal', '/pieces/', false)
