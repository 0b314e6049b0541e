import { ElMessage } from 'element-plus'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api } from '../api/client'
import type { Decision, Desk, Finding, Mark, Marking, Note, Question } from '../api/types'
import { preview } from '../marks/preview'
import type { Entry, Proposed } from '../record/entries'
import { useQueue } from '../record/queue'
import { speak } from './say'

/** Notes whose proposals go along with an entry. */
const MOST_PROPOSED = 200

/** Keys of one's own entries that count, and of those that were taken back; the next one last. */
interface Stacks {
    undo: string[]
    redo: string[]
}

/** What the way back leads to: an entry of the record, or one that was cancelled before it was ever sent. */
type TakenBack = { key: string } | { again: Decision[] }

/** One part on the desk: what the server worked out, and what of the queue is about it. */
export const useDesk = defineStore('desk', () => {
    const queue = useQueue()
    const part = shallowRef<Desk | null>(null)
    const marking = shallowRef<Marking | null>(null)
    const base = shallowRef<Stacks>({ undo: [], redo: [] })
    const takenBack = ref<TakenBack[]>([])
    let opening = 0

    const id = computed(() => part.value?.part.id ?? null)
    /** The group of players whose edition lies on the desk. */
    const players = computed(() => part.value?.players ?? null)
    const notes = computed<Note[]>(() => marking.value?.notes ?? [])
    const findings = computed<Finding[]>(() => marking.value?.findings ?? [])
    /** Places that are kept in several versions, open or settled. */
    const questions = computed<Question[]>(() => marking.value?.questions ?? [])
    /** What is left for the director. */
    const left = computed(() => findings.value.filter(({ mended }) => !mended))
    /** What the plan did, and why. */
    const plan = computed(() => findings.value.filter(({ mended }) => mended))
    const waiting = computed(() => queue.waiting.filter((entry) => entry.part === id.value))
    const aside = computed(() => queue.aside.filter((entry) => entry.part === id.value))
    const stacks = computed(() => waiting.value.reduce(after, base.value))
    const layer = computed(() => {
        const gone = new Set(waiting.value.flatMap(({ kind, takes }) => (kind === 'undo' && takes !== undefined ? [takes] : [])))
        return preview(drawn(notes.value), waiting.value.filter(({ key }) => !gone.has(key)).flatMap(({ decisions }) => decisions ?? []))
    })

    /** @throws Refused, Unreachable */
    async function open(wanted: number, edition: string | null): Promise<boolean> {
        close()
        const mine = ++opening
        const opened = await api.part(wanted, edition)
        if (mine !== opening) {
            return false
        }
        part.value = opened
        speak(opened.words)
        show(opened.marking)
        return true
    }

    function close(): void {
        opening++
        part.value = marking.value = null
        base.value = { undo: [], redo: [] }
        takenBack.value = []
        queue.shows(0, null)
    }

    /** Puts an answer on the page, unless it is older than what is there. */
    function show(answer: Marking): void {
        if (id.value === null || answer.seq < (marking.value?.seq ?? 0)) {
            return
        }
        if (marking.value && answer.over !== marking.value.over) {
            void layAnew()
            return
        }
        if (answer.since === undefined) {
            marking.value = answer
            base.value = { undo: answer.undoable ?? [], redo: answer.redoable ?? [] }
        } else if (answer.since === marking.value?.state) {
            marking.value = merged(marking.value, answer)
        } else {
            void refresh()
            return
        }
        queue.shows(id.value, answer.state)
    }

    /** Something else is typed over the print by now, or no more: the page is another. */
    async function layAnew(): Promise<void> {
        const [now, edition] = [id.value, players.value]
        const opened = now === null ? null : await api.part(now, edition).catch(() => null)
        if (opened && now === id.value && edition === players.value) {
            part.value = opened
            marking.value = null
            show(opened.marking)
        }
    }

    /** Brings the page up to date with what others, or another window, decided. */
    async function refresh(): Promise<void> {
        const [now, edition] = [id.value, players.value]
        if (now === null) {
            return
        }
        try {
            const newest = await api.marking(now, edition)
            if (now === id.value && edition === players.value) {
                show(newest)
            }
        } catch {
            // The page stays as it is; the next answer brings it up to date.
        }
    }

    queue.onAnswer((about, answer, entry) => {
        if (about !== id.value) {
            return
        }
        // What was decided in another edition of this part is told of that one.
        if (answer === null || (entry.players ?? null) !== players.value) {
            void refresh()
            return
        }
        base.value = answer.since === undefined ? base.value : after(base.value, entry)
        show(answer)
    })

    function push(made: Pick<Entry, 'kind' | 'decisions' | 'takes' | 'proposed'>): void {
        if (part.value?.part.final === true) {
            ElMessage.info({ message: 'This piece is final. A director takes that back on its page.', grouping: true })
        } else if (part.value?.part.decides === false && !part.value.part.suggests) {
            ElMessage.info({ message: 'You may look at this part; its director has not asked you to decide.', grouping: true })
        } else if (id.value !== null) {
            if (part.value?.part.decides === false) {
                ElMessage.info({ message: 'Suggested: a director takes it or leaves it.', grouping: true, duration: 1500 })
            }
            queue.push({ ...made, part: id.value, ...(players.value === null ? {} : { players: players.value }), seen: marking.value?.seq ?? 0 })
        }
    }

    function decide(...decisions: Decision[]): void {
        takenBack.value = []
        push({ kind: 'decide', decisions, proposed: proposed(notes.value, decisions) })
    }

    /** @returns whether there was anything to undo */
    function undo(): boolean {
        const key = stacks.value.undo.at(-1)
        if (key === undefined) {
            return false
        }
        const again = waiting.value.find((entry) => entry.key === key)?.decisions
        if (again && queue.cancel(key)) {
            takenBack.value = [...takenBack.value, { again }]
        } else {
            takenBack.value = [...takenBack.value, { key }]
            push({ kind: 'undo', takes: key })
        }
        return true
    }

    /** @returns whether there was anything to redo */
    function redo(): boolean {
        const last = takenBack.value.at(-1)
        const key = last === undefined ? stacks.value.redo.at(-1) : 'key' in last ? last.key : undefined
        takenBack.value = takenBack.value.slice(0, -1)
        if (last !== undefined && 'again' in last) {
            push({ kind: 'decide', decisions: last.again, proposed: proposed(notes.value, last.again) })
        } else if (key !== undefined) {
            push({ kind: 'redo', takes: key })
        }
        return last !== undefined || key !== undefined
    }

    /** What lost its note was placed or let go. */
    function settledGone(gone: number): void {
        if (part.value) {
            part.value = { ...part.value, gone: part.value.gone.filter((one) => one.id !== gone) }
            void refresh()
        }
    }

    return {
        part,
        players,
        marking,
        notes,
        findings,
        questions,
        left,
        plan,
        layer,
        waiting,
        aside,
        canUndo: computed(() => stacks.value.undo.length > 0),
        canRedo: computed(() => stacks.value.redo.length > 0 || takenBack.value.length > 0),
        open,
        close,
        decide,
        settledGone,
        refresh,
        undo,
        redo,
        settle: (again: boolean) => id.value !== null && queue.settle(id.value, again, marking.value?.seq ?? 0),
    }
})

export function drawn(notes: readonly Note[]): Mark[] {
    return notes.flatMap(({ marks }) => marks)
}

/** What one more entry makes of the way back and forth. */
function after({ undo, redo }: Stacks, { kind, key, takes = '' }: Entry): Stacks {
    if (kind === 'decide') {
        return { undo: [...undo, key], redo: [] }
    }
    return kind === 'undo'
        ? { undo: undo.filter((one) => one !== takes), redo: [...redo.filter((one) => one !== takes), takes] }
        : { undo: [...undo, takes], redo: redo.filter((one) => one !== takes) }
}

/** What a page shows with what is different on it. */
function merged(now: Marking, answer: Marking): Marking {
    const notes = new Map((answer.notes ?? []).map((note) => [note.id, note]))
    const findings = new Map([...(now.findings ?? []), ...(answer.findings ?? [])].map((finding) => [finding.id, finding]))
    return {
        ...now,
        seq: answer.seq,
        state: answer.state,
        notes: (now.notes ?? []).map((note) => notes.get(note.id) ?? note),
        findings: (answer.order ?? []).flatMap((id) => findings.get(id) ?? []),
        skipped: answer.skipped ?? [],
        questions: answer.questions ?? [],
    }
}

/** What nobody has decided and the page shows, at the notes that are decided about. */
function proposed(notes: readonly Note[], decisions: readonly Decision[]): Proposed[] {
    const about = new Set(decisions.flatMap((decision) => ('note' in decision ? [decision.note] : [])))
    return notes
        .filter(({ id }) => about.has(id))
        .flatMap(({ marks }) => marks.filter(({ decided }) => decided !== true))
        .slice(0, MOST_PROPOSED)
        .map(({ note, kind, text }) => ({ note, kind, ...(text === undefined ? {} : { text }) }))
}
