<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue'
import { api, sharedMusicXml } from '../api/client'
import type { Shared } from '../api/types'
import PaperChoice from '../components/PaperChoice.vue'
import { PaperMaker } from '../page/paper-maker'
import { remembered } from '../stores/remembered'
import { say, speak } from '../stores/say'
import Score from '../page/Score.vue'
import { BehindPages } from '../page/behind'
import type { ScorePage } from '../page/score-page'
import { lineWidth, marked, transfer, type Paper } from '../page/sheets'
import { problemWords } from '../desk/words'
import { paper } from '../stores/paper'

/** On a narrow screen shorter lines than those on paper keep the notes readable. */
const NARROW_WIDTH = 900
const NARROW_PIXELS = 640

const token = location.pathname.split('/').pop() ?? ''
const part = shallowRef<Shared | null>(null)
const fault = ref('')
const busy = ref('')
const width = ref(screenWidth())
const layer = computed(() => part.value?.layer ?? [])
const handShown = remembered('student-hand', false)
const tracks = computed(() => (handShown.value && part.value?.hand ? { bow: null, hand: { ...part.value.hand, before: null } } : null))
const heading = () => ({
    title: part.value?.title ?? '',
    composer: part.value?.composer ?? '',
    part: part.value?.part ?? '',
    ensemble: part.value?.ensemble ?? '',
    told: part.value?.performance?.sentences ?? [],
})
let onScreen: ScorePage | null = null
const behind = new BehindPages()

const maker = new PaperMaker(
    (size) => {
        const page = pageFor(size)
        return part.value?.notation ? (page ? marked(page, layer.value, size, heading()) : []) : transfer(part.value?.sheet ?? [], size, heading())
    },
    heading,
    () => paper.value,
    async (size) => part.value?.notation === true && pageFor(size) === null && (await behind.of(print(), lineWidth(size))),
)

const print = () => ({ music: part.value?.music ?? '', silent: part.value?.performance?.silent ?? [] })

function screenWidth(): number {
    return window.innerWidth < NARROW_PIXELS ? NARROW_WIDTH : lineWidth('a4')
}

/** What the screen shows, where its lines are as long as those on the paper. */
const pageFor = (size: Paper) => (width.value === lineWidth(size) ? onScreen : behind.ready(print(), lineWidth(size)))

async function drawn(page: ScorePage): Promise<void> {
    onScreen = page
    // A phone shows short lines; the lines for paper are engraved behind them.
    if (part.value?.music && pageFor(paper.value) === null) {
        await behind.of(print(), lineWidth(paper.value))
    }
}

async function save(): Promise<void> {
    busy.value = 'Making the PDF…'
    fault.value = ''
    try {
        await maker.save()
    } catch (problem) {
        fault.value = `The PDF could not be made: ${problemWords(problem)}`
    }
    busy.value = ''
}

const resized = () => (width.value = screenWidth())

onMounted(async () => {
    window.addEventListener('resize', resized)
    try {
        part.value = await api.shared(token)
        speak(part.value.words)
        document.title = `${part.value.title}, ${part.value.part}`
    } catch (problem) {
        fault.value = problemWords(problem)
    }
})
onBeforeUnmount(() => {
    window.removeEventListener('resize', resized)
    behind.dispose()
})
</script>

<template>
    <main class="student">
        <p v-if="fault" class="notice error" role="alert">{{ fault }}</p>
        <template v-if="part">
            <header class="student-head">
                <div>
                    <h1>{{ part.title }}</h1>
                    <p><strong>{{ part.part }}</strong>, marked for {{ part.ensemble }}</p>
                </div>
                <div class="student-tools">
                    <button v-if="part.hand" type="button" :aria-pressed="handShown" @click="handShown = !handShown">{{ handShown ? 'Hide the hand' : 'Show the hand' }}</button>
                    <PaperChoice v-model="paper" />
                    <button type="button" @click="maker.print()">Print</button>
                    <button type="button" :disabled="busy !== ''" @click="save">Save PDF</button>
                    <a v-if="part.notation" :href="sharedMusicXml(token)" download>MusicXML</a>
                </div>
            </header>
            <ul v-if="part.performance" class="not-played"><li v-for="sentence in part.performance.sentences" :key="sentence">{{ sentence }}</li></ul>
            <ul v-if="part.lines?.length" class="student-lines" aria-label="What to know of each passage"><li v-for="line in part.lines" :key="line.passage"><strong>{{ line.passage }}</strong> <span class="quiet">{{ line.from }}–{{ line.to }}</span> {{ line.text }}</li></ul>
            <p v-if="busy" class="notice" role="status">{{ busy }}</p>
            <div v-if="part.notation && part.music" class="paper">
                <Score :music="part.music" :layer="layer" :tracks="tracks" :silent="part.performance?.silent" :width="width" :label="`${part.title}, ${part.part}, with its marks`" @drawn="drawn" />
            </div>
            <section v-else class="transfer" aria-label="What to pencil into your printed part">
                <p>Take your printed part and pencil these in. Tick each one when it is there.</p>
                <p v-if="part.sheet?.length === 0" class="notice">There is nothing to pencil in yet.</p>
                <table v-else>
                    <thead><tr><th /><th>{{ say('Measure') }}</th><th>Beat</th><th>Note</th><th>Pencil in</th></tr></thead>
                    <tbody>
                        <tr v-for="(line, index) in part.sheet" :key="index">
                            <td><input type="checkbox" :aria-label="line.measure ? say(`Measure ${line.measure}, beat ${line.beat} is in`) : line.words"></td>
                            <td>{{ line.measure }}{{ line.to ? `–${line.to}` : '' }}</td><td>{{ line.notes.length > 1 ? '' : line.beat }}</td><td>{{ line.notes.length > 1 ? '' : line.pitch }}</td><td>{{ line.words }}</td>
                        </tr>
                    </tbody>
                </table>
            </section>
        </template>
        <p v-else-if="!fault" class="notice" role="status">Fetching your part…</p>
    </main>
</template>
