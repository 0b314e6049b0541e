import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api, onSignedOut } from '../api/client'
import type { Session } from '../api/types'
import { useQueue } from '../record/queue'

/** Who is signed in. The queue sends for that person and for nobody else. */
export const useSession = defineStore('session', () => {
    const queue = useQueue()
    const name = ref<string | null>(null)
    const id = ref<number | null>(null)
    const known = ref(false)
    /** Nobody has an account yet. */
    const empty = ref(false)

    /** The session ended while somebody worked: the password is asked for in place, on every screen alike. */
    const lost = ref(false)
    /** How often a screen was begun anew for that. */
    const renewed = ref(0)
    onSignedOut(() => (lost.value = id.value !== null))

    function is(session: Session): void {
        if (lost.value && session.director !== null) {
            lost.value = false
            renewed.value++
        }
        name.value = session.director?.name ?? null
        id.value = session.director?.id ?? null
        known.value = true
        empty.value = session.empty
        if (id.value === null) {
            queue.end()
        } else {
            queue.begin(id.value)
        }
    }

    const load = async () => is(await api.session())

    async function signIn(email: string, password: string): Promise<void> {
        is(await api.signIn(email, password))
    }

    async function signOut(): Promise<void> {
        await api.signOut()
        is({ director: null, empty: false })
    }

    return { name, id, known, empty, lost, renewed, is, load, signIn, signOut }
})
