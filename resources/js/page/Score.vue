<script setup lang="ts">
import { onLongPress } from '@vueuse/core'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { Mark } from '../api/types'
import type { Beside } from './engraving'
import type { Engraved } from './print'
import { ScorePage, type Flag, type Pointed, type Tracks } from './score-page'

const props = defineProps<{
    music: string
    /** Made from its contents; where it is given, what is engraved is kept in this browser. */
    name?: string
    layer: Mark[]
    width: number
    label: string
    selected?: string[]
    flags?: Flag[]
    /** Measures that are not played, counted from 0. */
    silent?: readonly number[] | undefined
    /** The print, where something else is typed over it. */
    beside?: readonly Beside[] | undefined
    /** Where it is engraved elsewhere; the music is then only its name. */
    ready?: ((width: number) => Promise<Engraved>) | undefined
    tracks?: Tracks | null
    pointed?: readonly Pointed[]
    /** The note that is heard. */
    heard?: string | null | undefined
}>()

const emit = defineEmits<{ drawn: [page: ScorePage]; choose: [note: string, extend: boolean]; linger: [note: string] }>()

const host = ref<HTMLElement>()
const fault = ref('')
const busy = ref(true)
let page: ScorePage | null = null
let order = 0

async function draw(): Promise<void> {
    if (!page) {
        return
    }
    const mine = ++order
    busy.value = true
    fault.value = ''
    try {
        await page.engrave({ music: props.music, name: props.name, silent: props.silent ?? [], beside: props.beside ?? [], ...(props.ready ? { ready: props.ready } : {}) }, props.width)
        if (mine !== order) {
            return
        }
        page.paint(props.layer)
        page.cross(props.silent ?? [])
        page.flag(props.flags ?? [])
        page.point(props.pointed ?? [])
        page.select(props.selected ?? [])
        follow()
        document.documentElement.dataset.drawn = String(Math.round(performance.now()))
        emit('drawn', page)
    } catch (problem) {
        fault.value = `${problem instanceof Error ? problem.message : String(problem)} Reload the page to try again.`
    }
    busy.value = false
}

function follow(): void {
    page?.follow(props.tracks ?? null)
}

function choose(event: MouseEvent): void {
    const note = page?.noteAt(event.clientX, event.clientY)
    if (note) {
        emit('choose', note, event.shiftKey)
    }
}

// A finger that stays on a note does what a key of its own does with a keyboard.
onLongPress(host, (event) => {
    const note = page?.noteAt(event.clientX, event.clientY)
    if (note) {
        emit('linger', note)
    }
})

onMounted(() => {
    if (host.value) {
        page = new ScorePage(host.value)
        page.drawing.setAttribute('aria-label', props.label)
        void draw()
    }
})
onBeforeUnmount(() => {
    page?.dispose()
    page = null
    order++
})
watch(() => [props.music, props.width], draw)
watch(
    () => props.layer,
    (layer) => page?.paint(layer),
    { flush: 'sync' },
)
watch(
    () => props.silent,
    (silent) => page?.cross(silent ?? []),
)
watch(() => props.tracks, follow)
watch(
    () => props.pointed,
    (pointed) => page?.point(pointed ?? []),
)
watch(
    () => props.heard,
    (note) => page?.follows(note ?? null),
    { flush: 'sync' },
)
watch(
    () => props.flags,
    (flags) => page?.flag(flags ?? []),
)
watch(
    () => props.selected,
    (selected) => page?.select(selected ?? []),
    { flush: 'sync' },
)
</script>

<template>
    <div class="score-host" :class="{ busy }">
        <p v-if="fault" class="notice error" role="alert">{{ fault }}</p>
        <p v-else-if="busy" class="notice" role="status">Engraving the page…</p>
        <div ref="host" class="score-frame" @click="choose" />
    </div>
</template>
