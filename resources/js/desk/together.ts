import { useEventListener, useIntervalFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { api } from '../api/client'
import type { Suggestion } from '../api/types'
import type { Pointed } from '../page/score-page'
import { useDesk } from '../stores/desk'

/** Whoever has the same part open sees what others decide within so long. */
const EVERY_MS = 4000

/** Two people in one part: what the other decides comes by itself, and what is suggested lies beside the page. */
export function useTogether() {
    const desk = useDesk()
    const suggestions = ref<Suggestion[]>([])
    const fault = ref('')

    const open = computed(() => suggestions.value.filter(({ answer }) => answer === null))
    const answered = computed(() => suggestions.value.filter(({ answer, mine }) => answer !== null && mine))
    const pointed = computed<Pointed[]>(() => open.value.flatMap(({ note, by }) => (note === null ? [] : [{ from: note, to: note, label: `${by} suggests`, kind: 'settle' as const }])))

    async function look(): Promise<void> {
        const part = desk.part?.part.id
        if (part === undefined || document.visibilityState !== 'visible') {
            return
        }
        try {
            const pulse = await api.pulse(part)
            if (part !== desk.part?.part.id) {
                return
            }
            // The page first: what is looked at on it would go with the page before.
            if (pulse.seq > (desk.marking?.seq ?? 0) && desk.waiting.length === 0) {
                await desk.refresh()
            }
            if (part === desk.part?.part.id) {
                suggestions.value = pulse.suggestions
            }
        } catch {
            // The network is away: the next look brings it.
        }
    }

    async function answer(which: readonly Suggestion[], take: boolean, reason: string): Promise<void> {
        const part = desk.part?.part.id
        if (part === undefined) {
            return
        }
        try {
            suggestions.value = (await api.answerSuggestions(part, which.map(({ key }) => key), take, reason)).suggestions
            fault.value = ''
            await desk.refresh()
        } catch (problem) {
            fault.value = problem instanceof Error ? problem.message : String(problem)
        }
    }

    useIntervalFn(() => void look(), EVERY_MS)
    useEventListener(document, 'visibilitychange', () => void look())
    watch(
        () => desk.part?.part.id,
        () => {
            suggestions.value = []
            void look()
        },
        { immediate: true },
    )
    // What one suggests oneself is seen at once.
    watch(() => desk.marking?.seq, () => void look())

    return { open, answered, pointed, fault, answer }
}
