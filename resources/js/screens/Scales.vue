<script setup lang="ts">
import { ElAlert, ElButton, ElCheckbox, ElCheckboxGroup, ElOption, ElSelect } from 'element-plus'
import { computed, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../api/client'
import type { ScalePattern, Scales } from '../api/types'
import { useAttempt } from '../components/attempt'
import TopBar from '../components/TopBar.vue'
import { lineWidth } from '../page/sheets'
import MusicSheet from '../practising/MusicSheet.vue'
import { SECTIONS } from '../staff/words'
import { speak } from '../stores/say'

/** Scales and arpeggios for all instruments of a class together, in any key, and in the keys of the next concert. */
const ensemble = Number(useRoute().params.id)
const scales = ref<Scales | null>(null)
const patterns = ref<ScalePattern[] | null>(null)
const tonic = ref('D')
const mode = ref('major')
/** All keys of the concert on one page. */
const ofConcert = ref(false)
const octaves = ref(1)
const figure = ref('scale')
const bow = ref('separate')
const open = ref('profile')
const sections = ref<(keyof typeof SECTIONS)[]>(['violin', 'viola', 'cello', 'bass'])
const { fault, busy, attempt } = useAttempt()

const TONICS = ['C', 'G', 'D', 'A', 'E', 'B', 'F#', 'F', 'Bb', 'Eb', 'Ab', 'Db']
const MODES = { major: 'major', 'natural-minor': 'natural minor', 'harmonic-minor': 'harmonic minor', 'melodic-minor': 'melodic minor', chromatic: 'chromatic' }
const BOWS = { separate: 'separate bows', 'two-of-each': 'two of each', 'slurred-twos': 'slurred in twos', 'slurred-fours': 'slurred in fours', 'hooked-twos': 'hooked in twos' }
const OPEN = { profile: 'as the class profile says', 'up-open-down-four': 'open going up, four coming down', open: 'open strings', four: 'without open strings' }
const spoken = (name: string) => name.replace('#', '♯').replace(/(?<=[A-G])b/, '♭')

const keys = computed(() => (ofConcert.value ? (scales.value?.concert.map(({ key }) => key).join(',') ?? '') : `${tonic.value}:${mode.value}`))
const heading = computed(() => ({ title: scales.value?.title ?? '', composer: '', part: sections.value.map((one) => SECTIONS[one]).join(', '), ensemble: scales.value?.ensemble ?? '', told: [] }))

const load = () =>
    attempt(async () => {
        scales.value = await api.scales(ensemble, { keys: keys.value, octaves: octaves.value, figure: figure.value, bow: bow.value, open: open.value === 'profile' ? null : open.value, for: sections.value.join(',') })
        speak(scales.value.words)
        document.title = `Scales: ${scales.value.ensemble}`
    })
function take(key: string): void {
    const [one, kind] = key.split(':')
    ;[tonic.value, mode.value, ofConcert.value] = [one ?? 'D', kind ?? 'major', false]
    void load()
}
function concert(): void {
    ofConcert.value = true
    void load()
}

/** One-octave major scales, as far as this class has been taught. */
const byFinger = () => attempt(async () => void (patterns.value ??= (await api.scalePatterns(ensemble)).patterns))

onMounted(load)
</script>

<template>
    <TopBar says-saving><h1 v-if="scales" class="top-title">{{ scales.ensemble }}: scales</h1></TopBar>
    <main class="practice-screen">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <form class="practice-choice" @submit.prevent="load">
            <div v-if="scales && scales.concert.length > 0">
                <p class="quiet">Keys of the next concert</p>
                <div class="chips"><ElButton v-for="one in scales.concert" :key="one.key" size="small" :title="one.title" @click="take(one.key)">{{ spoken(one.name) }}</ElButton></div>
                <ElButton v-if="scales.concert.length > 1" size="small" :type="ofConcert ? 'primary' : 'default'" @click="concert">All of them on one page</ElButton>
            </div>
            <label>Key <ElSelect v-model="tonic" aria-label="Tonic" @change="ofConcert = false"><ElOption v-for="one in TONICS" :key="one" :value="one" :label="spoken(one)" /></ElSelect></label>
            <label>Kind <ElSelect v-model="mode" aria-label="Kind of scale" @change="ofConcert = false"><ElOption v-for="(name, one) in MODES" :key="one" :value="one" :label="name" /></ElSelect></label>
            <label>Figure <ElSelect v-model="figure" aria-label="Figure"><ElOption value="scale" label="scale" /><ElOption value="arpeggio" label="arpeggio" /></ElSelect></label>
            <label>Octaves <ElSelect v-model="octaves" aria-label="Octaves"><ElOption v-for="one in 3" :key="one" :value="one" :label="String(one)" /></ElSelect></label>
            <label>Bow <ElSelect v-model="bow" aria-label="Bow"><ElOption v-for="(name, one) in BOWS" :key="one" :value="one" :label="name" /></ElSelect></label>
            <label>Open strings <ElSelect v-model="open" aria-label="Open strings"><ElOption v-for="(name, one) in OPEN" :key="one" :value="one" :label="name" /></ElSelect></label>
            <ElCheckboxGroup v-model="sections" aria-label="Instruments"><ElCheckbox v-for="(name, one) in SECTIONS" :key="one" :value="one" :label="name" /></ElCheckboxGroup>
            <ElButton type="primary" native-type="submit" :loading="busy" :disabled="sections.length === 0">Write it</ElButton>
        </form>
        <MusicSheet v-if="scales" :music="scales.music" :heard="scales.heard" :heading="heading" :label="scales.title" :width="lineWidth('a4')">
            <template #head><p><strong>{{ spoken(scales.title) }}</strong><span v-if="scales.octaves < octaves" class="quiet">: {{ scales.octaves === 1 ? 'one octave is' : 'two octaves are' }} what all of them have</span></p></template>
            <table class="scale-table">
                <thead><tr><th>Instrument</th><th>Starts</th><th>Going up</th><th>Half steps between</th></tr></thead>
                <tbody><tr v-for="one in scales.sections" :key="one.instrument"><th>{{ one.instrument }}</th><td>{{ one.starts }}</td><td>{{ one.fingers }}</td><td>{{ one.patterns }}</td></tr></tbody>
            </table>
            <details @toggle="byFinger">
                <summary>Which scales start on which finger</summary>
                <table v-if="patterns" class="scale-table">
                    <thead><tr><th>Instrument</th><th>Starts on</th><th>Half steps between</th><th>On which string, from which note</th></tr></thead>
                    <tbody><tr v-for="one in patterns" :key="`${one.instrument} ${one.starts} ${one.patterns}`"><th>{{ one.instrument }}</th><td>{{ one.starts }}</td><td>{{ one.patterns }}</td><td>{{ one.where }}</td></tr></tbody>
                </table>
                <p v-else class="quiet">Working it out…</p>
            </details>
        </MusicSheet>
    </main>
</template>
