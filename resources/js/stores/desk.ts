import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { api, Refused } from '../api/client'
import type { LogEntry } from '../api/requests'
import type { Decision, Desk, Marking } from '../api/types'
import { preview } from '../desk/preview'
import { keep, leftBehind } from './pending'

export type Saving = 'saved' | 'saving' | 'waiting' | 'signed-out'

const RETRY_MS = 3000

/** One part on the desk: what the server worked out, and the decisions on their way to it. */
export const useDesk = defineStore('desk', () => {
    const part = shallowRef<Desk | null>(null)
    const marking = shallowRef<Marking | null>(null)
    const queue = ref<LogEntry[]>([])
    const saving = ref<Saving>('saved')
    /** Decisions made on a page that had been overtaken; the director says what becomes of them. */
    const overtaken = ref<LogEntry[]>([])
    const message = ref('')
    let sending = false
    let retry = 0

    const layer = computed(() =>
        preview(marking.value?.layer ?? [], [...queue.value].flatMap((entry) => entry.decisions ?? [])),
    )

    async function open(id: number): Promise<void> {
        close()
        const opened = await api.part(id)
        part.value = opened
        marking.value = opened.marking
        queue.value = leftBehind(id)
        remember()
        void flush()
    }

    function close(): void {
        clearTimeout(retry)
        part.value = marking.value = null
        queue.value = overtaken.value = []
        message.value = ''
        saving.value = 'saved'
    }

    function remember(): void {
        if (part.value) {
            keep(part.value.part.id, [...overtaken.value, ...queue.value])
        }
    }

    function decide(...decisions: Decision[]): void {
        push({ kind: 'decide', decisions })
    }

    function push(entry: Pick<LogEntry, 'kind' | 'decisions'>): void {
        const base = queue.value.length === 0 ? (marking.value?.seq ?? 0) : -1
        queue.value = [...queue.value, { ...entry, base, key: crypto.randomUUID() }]
        remember()
        void flush()
    }

    /** Sends what waits, one after the other: each is made on the page that the one before led to. */
    async function flush(): Promise<void> {
        if (sending) {
            return
        }
        sending = true
        clearTimeout(retry)
        while (part.value && queue.value[0] && (await sent(part.value.part.id, queue.value[0])));
        sending = false
    }

    async function sent(id: number, entry: LogEntry): Promise<boolean> {
        saving.value = 'saving'
        try {
            const answer = await api.append(id, { ...entry, base: entry.base === -1 ? (marking.value?.seq ?? 0) : entry.base })
            if (part.value?.part.id === id) {
                queue.value = queue.value.filter((waiting) => waiting.key !== entry.key)
                marking.value = answer
                remember()
                saving.value = queue.value.length === 0 ? 'saved' : 'saving'
                message.value = overtaken.value.length === 0 ? '' : message.value
            }
            return true
        } catch (problem) {
            return refused(id, problem)
        }
    }

    async function refused(id: number, problem: unknown): Promise<boolean> {
        if (!(problem instanceof Refused) || problem.status === 429) {
            saving.value = 'waiting'
            message.value = problem instanceof Error ? problem.message : String(problem)
            retry = window.setTimeout(() => void flush(), RETRY_MS)
            return false
        }
        if (problem.status === 401) {
            saving.value = 'signed-out'
            return false
        }
        if (problem.status === 409) {
            overtaken.value = [...overtaken.value, ...queue.value.filter((entry) => entry.kind === 'decide')]
            queue.value = []
        } else {
            queue.value = queue.value.slice(1)
        }
        remember()
        await refresh(id)
        // The message says that the page is up to date, so it waits until it is.
        message.value = problem.message
        return true
    }

    /** Brings the page up to date with what others decided. */
    async function refresh(id: number): Promise<void> {
        try {
            const newest = await api.marking(id)
            if (part.value?.part.id === id) {
                marking.value = newest
                saving.value = queue.value.length === 0 ? 'saved' : 'saving'
            }
        } catch {
            saving.value = 'waiting'
            retry = window.setTimeout(() => void refresh(id).then(flush), RETRY_MS)
        }
    }

    /** The overtaken decisions are made again on the page as it is now, or let go. */
    function settleOvertaken(again: boolean): void {
        const entries = overtaken.value
        overtaken.value = []
        message.value = ''
        remember()
        if (again) {
            entries.forEach((entry) => push({ kind: 'decide', decisions: entry.decisions ?? [] }))
        }
    }

    return {
        part,
        marking,
        layer,
        queue,
        saving,
        overtaken,
        message,
        open,
        close,
        decide,
        flush,
        settleOvertaken,
        undo: () => push({ kind: 'undo' }),
        redo: () => push({ kind: 'redo' }),
    }
})
