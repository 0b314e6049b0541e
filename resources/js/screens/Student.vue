<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { onMounted, ref, shallowRef } from 'vue'
import type { Shared, Slip } from '../api/types'
import type { Engraved } from '../page/print'
import HandoutPage from '../sharing/HandoutPage.vue'
import { forgetKept, isOfYesterday, isPast, keepLast, keepThePage, lastKept, sawNumber, seenNumber, type Kept } from '../sharing/kept'
import { Away, Gone, HandoutSource } from '../sharing/source'
import { speak } from '../stores/say'

/** What stands behind a link: the newest handout, or the last that this device has seen while there is no connection. */
const token = location.pathname.split('/').pop() ?? ''
const source = new HandoutSource(`/api/shared/${encodeURIComponent(token)}`)

const address = `${location.origin}/s/${token}`

const part = shallowRef<Shared | null>(null)
const slip = shallowRef<Slip | null>(null)
const fault = ref('')
const away = ref(false)
let kept: Kept | null = null

const at = (view: Shared) => `${view.handout.number} ${view.handout.at}`

async function load(): Promise<void> {
    try {
        const view = await source.view()
        away.value = false
        fault.value = ''
        if (part.value === null || at(part.value) !== at(view)) {
            await show(view)
        } else if (kept && isOfYesterday(kept)) {
            kept.at = Date.now()
            void keepLast(kept)
        }
    } catch (problem) {
        if (problem instanceof Gone) {
            // Whoever is on line sees at once that it is closed, and nothing of it stays.
            part.value = null
            fault.value = problem.message
            await forgetKept()
        } else if (part.value === null) {
            await withoutConnection(problem)
        } else {
            away.value = problem instanceof Away
            await dropPast(problem)
        }
    }
}

async function show(view: Shared): Promise<void> {
    const last = seenNumber(source.base)
    const before = await lastKept(source.base)
    kept = { base: source.base, at: Date.now(), view, engraved: before && at(before.view) === at(view) ? before.engraved : {} }
    // Also a page without notation, of which nothing is ever engraved.
    void keepLast(kept)
    speak(view.words)
    document.title = `${view.title}, ${view.part}`
    slip.value = null
    part.value = view
    if (last === null) {
        sawNumber(source.base, view.handout.number)
    } else if (last !== view.handout.number) {
        slip.value = await source.since(last).catch(() => null)
    }
}

/** What stayed open without a connection for longer than it may be kept goes from the screen too. */
async function dropPast(problem: unknown): Promise<void> {
    if (kept && isPast(kept)) {
        kept = part.value = null
        away.value = false
        fault.value = problem instanceof Error ? problem.message : String(problem)
        await forgetKept()
    }
}

async function withoutConnection(problem: unknown): Promise<void> {
    kept = await lastKept(source.base)
    if (kept === null) {
        fault.value = problem instanceof Error ? problem.message : String(problem)
        return
    }
    away.value = true
    speak(kept.view.words)
    part.value = kept.view
}

/** What is engraved is kept with the music, so that it is there without a connection. */
async function engraved(width: number): Promise<Engraved> {
    const view = part.value
    const there = kept?.engraved[width]
    if (there || !view) {
        return there ?? { pages: [], asides: [], drawn: [] }
    }
    const made = await source.engraved(view, width)
    if (kept) {
        kept.engraved[width] = made
        void keepLast(kept)
    }
    return made
}

// A link that was closed meanwhile, or a new handout, is seen as soon as somebody looks again.
useEventListener(document, 'visibilitychange', () => document.visibilityState === 'visible' && void load())
useEventListener(window, 'online', () => void load())
window.setInterval(() => document.visibilityState === 'visible' && void load(), 60_000)

onMounted(async () => {
    await load()
    if (part.value !== null && !away.value) {
        source.opened()
    }
    // When there is time: the page's own pieces.
    setTimeout(() => void keepThePage(), 4000)
})
</script>

<template>
    <main class="student">
        <p v-if="fault" class="notice error" role="alert">{{ fault }}</p>
        <p v-if="away" class="notice" role="status">There is no connection. This is the part as this device saw it last.</p>
        <HandoutPage v-if="part" :key="at(part)" :part="part" :source="source" :address="address" :slip="slip" :engraved="engraved" @seen="sawNumber(source.base, part.handout.number)" />
        <p v-else-if="!fault" class="notice" role="status">Fetching your part…</p>
    </main>
</template>
