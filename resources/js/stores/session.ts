import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api } from '../api/client'

export const useSession = defineStore('session', () => {
    const name = ref<string | null>(null)
    const known = ref(false)

    async function load(): Promise<void> {
        name.value = (await api.session()).director?.name ?? null
        known.value = true
    }

    async function signIn(email: string, password: string): Promise<void> {
        name.value = (await api.signIn(email, password)).director?.name ?? null
        known.value = true
    }

    async function signOut(): Promise<void> {
        await api.signOut()
        name.value = null
    }

    return { name, known, load, signIn, signOut }
})
