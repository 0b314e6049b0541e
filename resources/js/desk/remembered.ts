import { ref, watch, type Ref } from 'vue'

/** A switch that is on or off the next time too, on this machine. */
export function remembered(name: string, usually: boolean): Ref<boolean> {
    const key = `upright-pencil.${name}`
    const kept = localStorage.getItem(key)
    const on = ref(kept === null ? usually : kept === 'on')
    watch(on, (now) => localStorage.setItem(key, now ? 'on' : 'off'))
    return on
}
