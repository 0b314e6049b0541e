import { useIdle, useIntervalFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { ref } from 'vue'
import { api, onSignedOut } from '../api/client'
import type { Session, Words } from '../api/types'
import { useQueue } from '../record/queue'
import { daysIn } from './days'
import { speak } from './say'

const MINUTE_MS = 60_000

/** Who is signed in. The queue sends for that person and for nobody else. */
export const useSession = defineStore('session', () => {
    const queue = useQueue()
    const name = ref<string | null>(null)
    const id = ref<number | null>(null)
    const known = ref(false)
    /** Nobody has an account yet. */
    const empty = ref(false)
    /** The password was right; the code beside it is wanted. */
    const owesCode = ref(false)
    /** This installation sends letters. */
    const mails = ref(false)
    /** How they speak where no ensemble says otherwise. */
    const own = ref<Words>({ terms: {} })
    const idleMinutes = ref<number | null>(null)

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
        if (session.owesCode && lost.value) {
            // Only the code is wanted: what is on the screen stays.
            owesCode.value = true
            return
        }
        name.value = session.director?.name ?? null
        id.value = session.director?.id ?? null
        known.value = true
        own.value = session.words
        speak(own.value)
        daysIn(session.timeZone)
        empty.value = session.empty
        owesCode.value = session.owesCode
        mails.value = session.mails
        idleMinutes.value = session.idleMinutes
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
        is({ director: null, empty: false, owesCode: false, idleMinutes: null, mails: mails.value, words: { terms: {} }, timeZone: null })
    }

    async function giveCode(code: string): Promise<void> {
        is(await api.giveCode(code))
    }

    /** Whoever does nothing for as long as their school says is signed out; what they were at stays, behind the question for the password. */
    const idle = useIdle(MINUTE_MS)
    useIntervalFn(async () => {
        const minutes = idleMinutes.value
        if (id.value === null || minutes === null || lost.value) {
            return
        }
        if (Date.now() - idle.lastActive.value >= minutes * MINUTE_MS) {
            lost.value = true
            await api.signOut().catch(() => undefined)
        } else if (!idle.idle.value) {
            // The server is told that somebody is here, though they only read.
            const answer = await api.session().catch(() => null)
            lost.value = answer !== null && answer.director === null
        }
    }, MINUTE_MS / 2)

    return { own, name, id, known, empty, owesCode, mails, lost, renewed, is, load, signIn, giveCode, signOut }
})
