import { computed, ref, type Ref } from 'vue'
import type { Note, Stop } from '../api/types'

/** One chosen note, or a span of them, and what belongs to it. */
export function useSelection(notes: Ref<Note[]>) {
    const selected = ref<string | null>(null)
    /** Where a span begins; null when one note is selected. */
    const anchor = ref<string | null>(null)

    const places = computed(() => new Map(notes.value.map((note, index) => [note.id, index])))
    const at = (id: string | null | undefined): Note | null => notes.value[places.value.get(id ?? '') ?? -1] ?? null
    const chosen = computed(() => at(selected.value))
    const selection = computed(() => {
        const [from, to] = [places.value.get(anchor.value ?? ''), places.value.get(selected.value ?? '')]
        if (to === undefined) {
            return []
        }
        const ids = notes.value.slice(Math.min(from ?? to, to), Math.max(from ?? to, to) + 1).map(({ id }) => id)
        return from !== undefined && from > to ? ids.reverse() : ids
    })
    const spanWords = computed(() => (selection.value.length > 1 ? `${selection.value.length} notes, measures ${measures()}` : ''))
    /** A bow sign belongs to the first note of its stroke. */
    const strokeChosen = computed(() => {
        const stroke = chosen.value?.stroke
        return stroke === null || stroke === undefined ? chosen.value : (notes.value.find((note) => note.stroke === stroke) ?? chosen.value)
    })

    /** The first and the last selected note, in the order of the page. */
    const ends = computed(() => [selection.value[0], selection.value.at(-1)].sort((one, other) => (places.value.get(one ?? '') ?? 0) - (places.value.get(other ?? '') ?? 0)))

    /** The first and last selected note: one where no span is selected, none where nothing is. */
    function span(): string[] {
        const [first, last] = ends.value
        return first === undefined || last === undefined ? [] : first === last ? [first] : [first, last]
    }

    /** “5-8”: the printed numbers of the measures that the selection lies in. */
    function measures(): string {
        const [first, last] = ends.value.map((id) => at(id)?.measure ?? '')
        return first === last ? (first ?? '') : `${first}-${last}`
    }

    /** The note so many places away, or the first or last. */
    function away(by: number): string | null {
        const now = selected.value === null ? -Math.sign(by) : (places.value.get(selected.value) ?? 0)
        return notes.value[Math.min(notes.value.length - 1, Math.max(0, now + by))]?.id ?? null
    }

    /** A note that is held over is fingered where it begins. */
    function fingered(id: string | null | undefined): string | null {
        let place = places.value.get(id ?? '') ?? -1
        while (place > 0 && notes.value[place]?.tied) {
            place--
        }
        return notes.value[place]?.id ?? null
    }

    /** How the next or previous note that is fingered again is stopped. */
    function beside(by: number): Stop | null {
        const place = places.value.get(selected.value ?? '') ?? 0
        const found = (by > 0 ? notes.value.slice(place + 1) : notes.value.slice(0, place).reverse()).find((note) => !note.tied)
        return found?.stop ?? null
    }

    function choose(note: string, extend: boolean): void {
        anchor.value = extend ? (anchor.value ?? selected.value) : null
        selected.value = note
    }

    function clear(): void {
        selected.value = anchor.value = null
    }

    return { selected, anchor, chosen, selection, ends, spanWords, strokeChosen, at, span, measures, away, fingered, beside, choose, clear }
}
