import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { api } from '../api/client'
import type { Alike, AlikePlace, Decision } from '../api/types'
import type { Pointed } from '../page/score-page'

/** A decision on more notes than that is no figure. */
const MOST_NOTES = 24
/** Milliseconds after the last decision before like places are looked for: whoever goes on deciding is not disturbed. */
const QUIET_MS = 500

/** Where a figure that was decided comes again: offered quietly, taken with one key, some of it or all. */
export function useCarrying(part: () => number | null, players: () => string | null, decided: (notes: readonly string[]) => boolean, waiting: Ref<readonly unknown[]>) {
    const offer = shallowRef<Alike | null>(null)
    /** First notes of the places that are left out. */
    const left = ref<string[]>([])
    /** The place that is stepped to. */
    const at = ref<string | null>(null)
    let timer = 0
    let order = 0
    let meant: string[] = []

    /** Those to which something could be carried. */
    const open = computed(() => offer.value?.places.filter((place) => place.likeness === 'free' && place.decisions.length > 0) ?? [])
    const otherwise = computed(() => offer.value?.places.filter(({ likeness }) => likeness === 'otherwise') ?? [])
    const taken = computed(() => open.value.filter(({ from }) => !left.value.includes(from)))
    const pointed = computed<Pointed[]>(() => [
        ...open.value.map((place, index) => ({ from: place.from, to: place.to, label: String(index + 1), kind: place.from === at.value ? ('here' as const) : left.value.includes(place.from) ? ('left' as const) : ('like' as const) })),
        ...otherwise.value.map((place) => ({ from: place.from, to: place.to, label: 'otherwise', kind: 'left' as const })),
    ])

    async function find(notes: readonly string[]): Promise<Alike | null> {
        const [id, mine] = [part(), ++order]
        if (id === null || notes.length === 0) {
            return null
        }
        const found = await api.alike(id, players(), [...notes])
        if (mine !== order || id !== part()) {
            return null
        }
        offer.value = found
        left.value = []
        at.value = null
        return found
    }

    /** Looks for like places once what was just decided is saved and nothing more comes. */
    function after(notes: readonly string[]): void {
        clear()
        meant = notes.length <= MOST_NOTES ? [...notes] : []
        schedule()
    }

    function schedule(): void {
        clearTimeout(timer)
        if (meant.length > 0 && waiting.value.length === 0) {
            timer = window.setTimeout(() => {
                const notes = meant
                meant = []
                // What was taken back meanwhile is not offered elsewhere; an answer that does not come disturbs nobody.
                if (decided(notes)) {
                    void find(notes).then((found) => found && open.value.length + otherwise.value.length === 0 && clear(), () => undefined)
                }
            }, QUIET_MS)
        }
    }

    function clear(): void {
        order++
        clearTimeout(timer)
        meant = []
        offer.value = null
        left.value = []
        at.value = null
    }

    /** What takes the offer: the places that are left, and that the others are meant to stay as they are. */
    function all(): Decision[] {
        const apart = open.value.filter(({ from }) => left.value.includes(from)).map(({ from, to }) => ({ note: from, to, apart: true }))
        const decisions = taken.value.flatMap((place) => place.decisions)
        return decisions.length === 0 && apart.length === 0 ? [] : [...decisions, ...apart]
    }

    function next(): AlikePlace | null {
        const places = [...open.value, ...otherwise.value]
        const now = places.findIndex(({ from }) => from === at.value)
        const place = places[(now + 1) % Math.max(1, places.length)] ?? null
        at.value = place?.from ?? null
        return place
    }

    function here(): AlikePlace | null {
        return open.value.find(({ from }) => from === at.value) ?? null
    }

    function toggle(from: string): void {
        left.value = left.value.includes(from) ? left.value.filter((one) => one !== from) : [...left.value, from]
    }

    /** A place that was taken by itself is not offered again. */
    function done(from: string): void {
        if (offer.value) {
            offer.value = { ...offer.value, places: offer.value.places.filter((place) => place.from !== from) }
        }
    }

    watch(waiting, schedule)

    return { offer, open, otherwise, taken, left, at, pointed, find, after, clear, all, next, here, toggle, done }
}
