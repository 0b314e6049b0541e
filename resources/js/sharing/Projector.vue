<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, onMounted, ref, watch } from 'vue'
import type { Mark } from '../api/types'
import type { ScorePage } from '../page/score-page'
import { element } from '../page/svg'
import type { useHearing } from '../sound/hearing'

/** For a class: one line of music at a time, as large as the wall allows. */
const props = defineProps<{ page: ScorePage; layer: readonly Mark[]; title: string; hearing: ReturnType<typeof useHearing> | null; from: string | null }>()
const emit = defineEmits<{ close: []; play: [note: string] }>()

const stage = ref<HTMLElement>()
const at = ref(0)
const lines = computed(() => props.page.copies(props.layer))
const shown = computed(() => lines.value[at.value] ?? null)
const heard = computed(() => props.hearing?.cursor.value?.note?.id ?? null)

function draw(): void {
    const line = shown.value
    if (!stage.value || !line) {
        return
    }
    const drawing = line.drawing.cloneNode(true) as SVGGElement
    drawing.setAttribute('transform', '')
    const svg = element('svg', { class: 'score', viewBox: `0 ${line.top} ${props.page.width} ${line.height}`, role: 'img', 'aria-label': `${props.title}, line ${at.value + 1} of ${lines.value.length}` })
    props.page.defs.forEach((defs) => svg.append(defs.cloneNode(true)))
    svg.append(drawing)
    stage.value.replaceChildren(svg)
    light()
}

/** The note that is heard stands out. */
function light(): void {
    stage.value?.querySelectorAll('.lit').forEach((note) => note.classList.remove('lit'))
    const note = heard.value === null ? null : stage.value?.querySelector(`[id="${CSS.escape(heard.value)}"]`)
    note?.classList.add('lit')
}

const lineOf = (note: string): number => lines.value.findIndex(({ drawing }) => drawing.querySelector(`[id="${CSS.escape(note)}"]`) !== null)
const firstNote = (): string => shown.value?.drawing.querySelector('g.note')?.id ?? ''

function go(by: number): void {
    at.value = Math.max(0, Math.min(lines.value.length - 1, at.value + by))
}

useEventListener(window, 'keydown', (event) => {
    const keys: Record<string, () => void> = { ArrowRight: () => go(1), ArrowDown: () => go(1), PageDown: () => go(1), ArrowLeft: () => go(-1), ArrowUp: () => go(-1), PageUp: () => go(-1), Home: () => (at.value = 0), End: () => go(lines.value.length), Escape: () => emit('close'), ' ': () => emit('play', firstNote()) }
    const key = keys[event.key]
    if (key) {
        event.preventDefault()
        key()
    }
})
watch(heard, (note) => {
    const line = note === null ? -1 : lineOf(note)
    if (line >= 0 && line !== at.value) {
        at.value = line
    } else {
        light()
    }
})
watch([at, () => props.layer], draw)
onMounted(() => {
    const line = props.from === null ? -1 : lineOf(props.from)
    at.value = Math.max(0, line)
    draw()
})
</script>

<template>
    <div class="projector" role="dialog" aria-label="Projector">
        <div ref="stage" class="projector-stage" />
        <footer>
            <button type="button" :disabled="at === 0" @click="go(-1)"><kbd aria-hidden="true">←</kbd> Line before</button>
            <span>{{ title }}, line {{ at + 1 }} of {{ lines.length }}</span>
            <button type="button" :disabled="at >= lines.length - 1" @click="go(1)">Next line <kbd aria-hidden="true">→</kbd></button>
            <button v-if="hearing" type="button" :aria-pressed="hearing.playing.value" @click="emit('play', firstNote())"><kbd aria-hidden="true">Space</kbd> {{ hearing.playing.value ? 'Stop' : 'Play' }}</button>
            <button type="button" @click="emit('close')"><kbd aria-hidden="true">Esc</kbd> Leave</button>
        </footer>
    </div>
</template>
