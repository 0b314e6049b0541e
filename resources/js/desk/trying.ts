import { ElMessage } from 'element-plus'
import { ref, shallowRef } from 'vue'
import { api } from '../api/client'
import type { Decision, Drawn, Way, Why } from '../api/types'
import { problemWords } from './words'

/** What is looked at on the page before anything is decided: a fix, another way to finger, what is carried here, a version, one that is being made, or what the line-up offers. */
export interface Trial {
    kind: 'fix' | 'way' | 'carry' | 'version' | 'draft' | 'line' | 'suggestion'
    place: number
    /** What would be decided: just what is shown. */
    decisions: Decision[]
    drawn: Drawn
}

/** Other ways to finger, reasons, and what the page would be with them. Nothing here decides anything. */
export function useTrying(part: () => number | null, players: () => string | null) {
    const trial = shallowRef<Trial | null>(null)
    /** Why the chosen note is fingered as it is; undefined: nobody asked. */
    const why = shallowRef<Why | undefined>(undefined)
    /** Other ways to finger what is selected; null: nobody asked. */
    const ways = shallowRef<Way[] | null>(null)
    const asking = ref(false)
    /** Another version that is being made: what is decided goes into it, not into the record. */
    const drafting = shallowRef<Decision[] | null>(null)
    let order = 0

    async function ask<T>(question: (part: number) => Promise<T>, use: (answer: T) => void): Promise<void> {
        const id = part()
        const mine = ++order
        if (id === null) {
            return
        }
        asking.value = true
        try {
            const answer = await question(id)
            if (mine === order) {
                use(answer)
            }
        } catch (problem) {
            if (mine === order) {
                ElMessage.error(problemWords(problem))
            }
        }
        if (mine === order) {
            asking.value = false
        }
    }

    /** Whatever is still on its way changes nothing any more. */
    function drop(): void {
        order++
        asking.value = false
    }

    const look = (kind: Trial['kind'], place: number, decisions: Decision[]) => ask((id) => api.preview(id, players(), decisions), (drawn) => (trial.value = { kind, place, decisions, drawn }))

    /** Leaves what is looked at. */
    function leave(): void {
        drop()
        trial.value = null
    }

    function draft(decisions: Decision[]): void {
        drafting.value = [...(drafting.value ?? []), ...decisions]
        if (drafting.value.length > 0) {
            void look('draft', 0, drafting.value)
        }
    }

    /** The last thing that was put into the other version goes from it. @returns whether there was one */
    function undraft(): boolean {
        if (drafting.value === null || drafting.value.length === 0) {
            return false
        }
        drafting.value = drafting.value.slice(0, -1)
        if (drafting.value.length > 0) {
            void look('draft', 0, drafting.value)
        } else {
            leave()
        }
        return true
    }

    return {
        trial,
        drafting,
        draft,
        undraft,
        endDraft: (): void => {
            drafting.value = null
            leave()
        },
        why,
        ways,
        asking,
        look,
        leave,
        explain: (note: string) => ask((id) => api.why(id, players(), note), (answer) => (why.value = answer)),
        findWays: (from: string, to: string) => ask((id) => api.ways(id, players(), from, to), (answer) => (ways.value = answer.ways)),
        lookAtWay: (place: number) => {
            const way = ways.value?.[place]
            if (way) {
                void look('way', place, way.decisions)
            } else {
                leave()
            }
        },
        /** Forgets what was asked: the selection or the page is another. */
        forget: () => {
            drop()
            why.value = undefined
            ways.value = null
            if (trial.value?.kind === 'way') {
                trial.value = null
            }
        },
    }
}
