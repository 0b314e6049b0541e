<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed } from 'vue'
import { say } from '../stores/say'
import type { useHearing } from './hearing'

/** Hearing the part: from the chosen note or over the span, at a tempo, with click and count. */
const props = withDefaults(defineProps<{ hearing: ReturnType<typeof useHearing>; span: string; several: boolean; presets?: { words: string; percent: number }[]; shows?: boolean; keyed?: boolean }>(), { presets: () => [], shows: true, keyed: true })
const emit = defineEmits<{ play: []; close: [] }>()

const { tempo, rate, click, countIn, loop, stepsUp, large, company, playing, cursor } = props.hearing
const percent = computed({ get: () => Math.round(rate.value * 100), set: (value: number) => (rate.value = value / 100) })
const beats = computed(() => (tempo.value === null ? '' : `${Math.round((tempo.value * percent.value) / 100)} a minute`))
const where = computed(() => {
    const now = cursor.value
    return !now ? '' : now.count > 0 ? `count ${now.count}` : say(`measure ${now.measure}`)
})

/** Where no screen has keys of its own: Space plays and stops. */
useEventListener(window, 'keydown', (event) => {
    const busy = event.target instanceof HTMLElement && event.target.closest('input, button, select, textarea, a, summary') !== null
    if (props.keyed && event.key === ' ' && !busy && !event.defaultPrevented) {
        event.preventDefault()
        emit('play')
    }
})
</script>

<template>
    <section class="play-bar" aria-label="Hear it">
        <button type="button" class="play" :aria-pressed="playing" @click="emit('play')"><kbd aria-hidden="true">Space</kbd>{{ playing ? 'Stop' : 'Play' }}</button>
        <span class="play-where">{{ where || (span ? `the span: ${span}` : 'from the chosen note') }}</span>
        <label class="play-tempo"><span>Tempo {{ percent }} %<small v-if="beats">, {{ beats }}</small></span><input v-model.number="percent" type="range" min="50" max="100" step="5" aria-label="Tempo in percent"></label>
        <button v-for="one in presets" :key="one.words" type="button" class="play-preset" :aria-pressed="percent === one.percent" @click="percent = one.percent">{{ one.words }}</button>
        <label><input v-model="countIn" type="checkbox"> Count in</label>
        <label><input v-model="click" type="checkbox"> Click</label>
        <label><input v-model="loop" type="checkbox"> Again and again</label>
        <label v-if="loop"><input v-model="stepsUp" type="checkbox"> A step faster each time</label>
        <label v-if="several"><span class="visually-hidden">Which sections</span>
            <select v-model="company" aria-label="Which sections">
                <option value="alone">this section alone</option>
                <option value="all">with the others</option>
                <option value="others">only the others</option>
            </select>
        </label>
        <label v-if="shows"><input v-model="large" type="checkbox"> Bow and finger large</label>
        <button type="button" class="play-close" aria-label="Put the player away" @click="emit('close')">×</button>
    </section>
</template>
