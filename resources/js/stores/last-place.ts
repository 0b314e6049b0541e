import { useLocalStorage } from '@vueuse/core'
import type { Desk } from '../api/types'

/** Where somebody worked last, on this machine. */
export interface LastPlace {
    part: number
    note: string
    title: string
    name: string
    measure: string
}

const place = useLocalStorage<LastPlace | null>('upright-pencil.last-place', null, { serializer: { read: (text) => JSON.parse(text) as LastPlace | null, write: (kept) => JSON.stringify(kept) } })

export const lastPlace = place

let timer = 0

/** Kept once the keys are calm: walking along a line writes nothing. */
export function rememberPlace(desk: Desk, measure: string, note: string): void {
    clearTimeout(timer)
    timer = window.setTimeout(() => (place.value = { part: desk.part.id, note, title: desk.piece.title, name: desk.part.name, measure }), 400)
}
