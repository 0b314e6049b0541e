import { computed, ref, type Ref } from 'vue'
import type { Finding } from '../api/types'
import type { useTrying } from './trying'

/**
 * The finding or note of the plan that is looked at, by what it is and not by its place: others may come and go before it.
 * Walking goes from finding to finding; the plan's notes are gone to one by one.
 */
export function useFindingWalk(findings: Ref<readonly Finding[]>, plan: Ref<readonly Finding[]>, trying: ReturnType<typeof useTrying>, choose: (note: string) => void) {
    const current = ref<string | null>(null)
    const all = computed(() => [...findings.value, ...plan.value])
    const finding = computed(() => all.value.find(({ id }) => id === current.value) ?? null)

    function go(id: string): void {
        const found = all.value.find((one) => one.id === id)
        if (found) {
            current.value = id
            trying.leave()
            choose(found.note)
        }
    }

    function step(by: number): void {
        const count = findings.value.length
        const now = findings.value.findIndex(({ id }) => id === current.value)
        const next = now === -1 ? (by > 0 ? 0 : count - 1) : (now + by + count) % count
        const found = findings.value[next]
        if (found) {
            go(found.id)
        }
    }

    function look(place: number): void {
        const fix = finding.value?.fixes[place]
        if (fix) {
            void trying.look('fix', place, fix.decisions)
        } else {
            trying.leave()
        }
    }

    return { current, finding, go, step, look, leave: () => (current.value = null) }
}
