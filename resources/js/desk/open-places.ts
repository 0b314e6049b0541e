import { ElMessage } from 'element-plus'
import { computed, shallowRef } from 'vue'
import { api } from '../api/client'
import type { OpenPlace, OpenPlaces } from '../api/types'
import { problemWords } from './words'

/** What is worth deciding, in this part and the others of its piece: the hardest first. */
export function useOpenPlaces(part: () => number | null, state: () => string) {
    const all = shallowRef<OpenPlaces | null>(null)
    const busy = shallowRef(false)
    const seen = new Set<string>()
    let known = ''

    const count = computed(() => all.value?.parts.reduce((sum, one) => sum + one.places.length, 0) ?? 0)
    const name = (id: number, place: OpenPlace) => `${id} ${place.kind} ${place.note}`

    async function load(): Promise<void> {
        const id = part()
        if (id === null || busy.value) {
            return
        }
        busy.value = true
        try {
            all.value = await api.openPlaces(id)
            known = state()
        } catch (problem) {
            ElMessage.error(problemWords(problem))
        }
        busy.value = false
    }

    /** @returns where to go: in this part or, when that is done, in another; null: nothing is open in the piece */
    async function next(): Promise<{ part: number; name: string; place: OpenPlace; first: boolean } | null> {
        if (all.value === null || known !== state()) {
            await load()
        }
        const parts = all.value?.parts ?? []
        const here = Math.max(0, parts.findIndex((one) => one.part === part()))
        const inOrder = [...parts.slice(here), ...parts.slice(0, here)]
        for (const round of [0, 1]) {
            for (const one of inOrder) {
                const place = one.places.find((each) => !seen.has(name(one.part, each)))
                if (place) {
                    seen.add(name(one.part, place))
                    return { part: one.part, name: one.name, place, first: round === 1 }
                }
            }
            seen.clear()
        }
        return null
    }

    return { all, busy, count, load, next }
}
