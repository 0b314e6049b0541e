import { useLocalStorage, type RemovableRef } from '@vueuse/core'

/** A switch that is on or off the next time too, on this machine. */
export function remembered(name: string, usually: boolean): RemovableRef<boolean> {
    return useLocalStorage(`upright-pencil.${name}`, usually, { serializer: { read: (kept) => kept === 'on', write: (on) => (on ? 'on' : 'off') } })
}
