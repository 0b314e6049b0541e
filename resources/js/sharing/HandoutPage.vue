<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, defineAsyncComponent, onBeforeUnmount, ref, shallowRef } from 'vue'
import type { PracticeSheet, PracticeStep, Shared, Slip } from '../api/types'
import PaperChoice from '../components/PaperChoice.vue'
import { problemWords } from '../desk/words'
import { BehindPages } from '../page/behind'
import { PaperMaker } from '../page/paper-maker'
import type { Engraved } from '../page/print'
import Score from '../page/Score.vue'
import type { ScorePage } from '../page/score-page'
import { lineWidth, marked, transfer, type Paper } from '../page/sheets'
import { NARROW_WIDTH } from '../page/widths'
import { useHearing } from '../sound/hearing'
import LargeHand from '../sound/LargeHand.vue'
import PlayBar from '../sound/PlayBar.vue'
import { timeOf } from '../practising/words'
import { paper } from '../stores/paper'
import { remembered } from '../stores/remembered'
import { say } from '../stores/say'
import Changes from './Changes.vue'
import Projector from './Projector.vue'
import type { HandoutSource } from './source'
import { dayWords } from '../stores/days'

/** A handout, as a student has it: the page, large, heard, printed, and what is new on it. */
const props = defineProps<{
    part: Shared
    source: HandoutSource
    /** Of the link, for paper. */
    address: string | null
    /** Since the handout that was looked at last. */
    slip: Slip | null
    engraved: (width: number) => Promise<Engraved>
}>()
const emit = defineEmits<{ seen: [] }>()

/** With the engraver, which nobody loads who only looks at the part. */
const PracticePage = defineAsyncComponent(() => import('../practising/PracticePage.vue'))

/** On a narrow screen shorter lines than those on paper keep the notes readable. */
const NARROW_PIXELS = 640

const fault = ref('')
const busy = ref('')
const width = ref(screenWidth())
const layer = computed(() => props.part.layer ?? [])
const handShown = remembered('student-hand', false)
const tracks = computed(() => (handShown.value && props.part.hand ? { bow: null, hand: { ...props.part.hand, before: null } } : null))
const projecting = ref(false)
const looked = ref(false)
const wanted = ref('')
const lost = ref('')
const chosen = ref<string | null>(null)
const onScreen = shallowRef<ScorePage | null>(null)
const behind = new BehindPages()
const name = computed(() => `${props.source.base} ${props.part.handout.number} ${props.part.handout.at}`)
const letters = computed(() => (props.part.measures ?? []).filter(({ letter }) => letter !== undefined))
const changed = computed(() => (looked.value ? [] : (props.slip?.lines ?? [])))
const pointed = computed(() => changed.value.filter(({ write }) => write !== null).flatMap(({ notes }) => (notes.length > 0 ? [{ from: notes[0] ?? '', to: notes.at(-1) ?? '', label: 'new', kind: 'here' as const }] : [])))

const hearing = useHearing(
    computed(() => (props.part.notation ? { name: name.value, heard: () => props.source.heard() } : null)),
    () => Promise.resolve([]),
    (problem) => (fault.value = problem),
)
const heard = computed(() => hearing.cursor.value?.note?.id ?? null)
/** Tempos that the director chose, as shares of the tempo of the concert. */
const presets = computed(() => {
    const { concert = 0, practice = null, passages = [] } = props.part.tempo ?? {}
    const share = (tempo: number) => Math.max(50, Math.min(100, Math.round((100 * tempo) / concert)))
    return concert === 0 ? [] : [
        ...(practice === null ? [] : [{ words: `practice ${practice}`, percent: share(practice) }]),
        ...passages.map(({ passage, tempo }) => ({ words: `${passage}: ${tempo}`, percent: share(tempo) })),
        ...(practice === null && passages.length === 0 ? [] : [{ words: `concert ${Math.round(concert)}`, percent: 100 }]),
    ]
})

const print = () => ({ music: name.value, silent: props.part.performance?.silent ?? [], beside: props.part.printed ?? [], ready: props.engraved })
const heading = () => ({
    title: props.part.title,
    composer: props.part.composer,
    part: props.part.part,
    ensemble: props.part.ensemble,
    told: props.part.performance?.sentences ?? [],
    handout: props.part.handout,
    address: props.address,
})

const maker = new PaperMaker(
    (size) => {
        const page = pageFor(size)
        return props.part.notation ? (page ? marked(page, layer.value, size, heading()) : []) : transfer(props.part.sheet ?? [], size, heading())
    },
    heading,
    () => paper.value,
    async (size) => props.part.notation && pageFor(size) === null && (await behind.of(print(), lineWidth(size))),
)

function screenWidth(): number {
    return window.innerWidth < NARROW_PIXELS ? NARROW_WIDTH : lineWidth('a4')
}

/** What the screen shows, where its lines are as long as those on the paper. */
const pageFor = (size: Paper) => (width.value === lineWidth(size) ? onScreen.value : behind.ready(print(), lineWidth(size)))

async function drawn(page: ScorePage): Promise<void> {
    onScreen.value = page
    behind.forget()
    // A phone shows short lines; those for paper are made ready when there is time, so that the browser's own menu prints too.
    await new Promise((later) => setTimeout(later, 1500))
    if (props.part.notation && pageFor(paper.value) === null) {
        await behind.of(print(), lineWidth(paper.value)).catch(() => undefined)
    }
}

async function use(words: string, work: () => Promise<void>): Promise<void> {
    busy.value = words
    fault.value = ''
    try {
        await work()
    } catch (problem) {
        fault.value = `That did not work: ${problemWords(problem)}`
    }
    busy.value = ''
}

function go(note: string): void {
    chosen.value = note
    const line = onScreen.value?.place(note)
    if (line) {
        window.scrollBy({ top: line.top - Math.max(60, (innerHeight - line.height) / 3), behavior: 'smooth' })
    }
}

function goTo(place: string): void {
    const found = (props.part.measures ?? []).find(({ measure, letter }) => measure === place || letter?.toLowerCase() === place.toLowerCase())
    lost.value = found || place === '' ? '' : say(`There is nothing to play in measure ${place} here.`)
    if (found) {
        go(found.note)
    }
}

const placeOf = ({ measure, to }: PracticeStep) => `${say('Measure')} ${measure === to ? measure : `${measure}–${to}`}`

const practising = shallowRef<PracticeSheet | null>(null)

/** Its notes are fetched when somebody opens it. */
const practise = (key: string) =>
    practising.value?.key === key
        ? (practising.value = null)
        : use('Fetching the sheet…', async () => void (practising.value = (await props.source.practice()).find((sheet) => sheet.key === key) ?? null))

const play = (note: string | null) => (hearing.playing.value ? hearing.stop() : void hearing.play(note === null ? [] : [note]))

function sawThem(): void {
    looked.value = true
    emit('seen')
}

useEventListener(window, 'resize', () => (width.value = screenWidth()))
onBeforeUnmount(() => {
    maker.dispose()
    behind.dispose()
})
</script>

<template>
    <header class="student-head">
        <div>
            <h1>{{ part.title }}</h1>
            <p><strong>{{ part.part }}</strong>, marked for {{ part.ensemble }} <span class="quiet">Handout {{ part.handout.number }}, {{ dayWords(part.handout.at) }}<template v-if="part.occasion">; {{ part.occasion.name }}: {{ dayWords(part.occasion.on) }}</template></span></p>
            <p v-if="part.tempo && part.notation" class="quiet small-print">Tempo in the concert {{ Math.round(part.tempo.concert) }}<template v-if="part.tempo.practice !== null">; for practice {{ part.tempo.practice }}</template><template v-for="one in part.tempo.passages" :key="one.passage">; {{ one.passage }} at {{ one.tempo }}</template>.</p>
        </div>
        <div class="student-tools">
            <button v-if="part.notation" type="button" :aria-pressed="hearing.shown.value" @click="hearing.shown.value = !hearing.shown.value, hearing.shown.value || hearing.stop()">Play along</button>
            <button v-if="part.hand" type="button" :aria-pressed="handShown" @click="handShown = !handShown">{{ handShown ? 'Hide the hand' : 'Show the hand' }}</button>
            <button v-if="part.notation" type="button" :disabled="onScreen === null" @click="projecting = true">Projector</button>
            <PaperChoice v-model="paper" />
            <button type="button" @click="use('Making the page…', () => maker.print())">Print</button>
            <button type="button" :disabled="busy !== ''" @click="use('Making the PDF…', () => maker.save())">Save PDF</button>
            <a v-if="part.notation" :href="source.musicXml" download>MusicXML</a>
        </div>
    </header>
    <p v-if="fault" class="notice error" role="alert">{{ fault }}</p>
    <section v-if="slip && slip.lines.length > 0 && !looked" class="notice news" aria-label="What is new">
        <p><strong>{{ slip.lines.length === 1 ? 'One change' : `${slip.lines.length} changes` }} since you last looked</strong> <span class="quiet">(from handout {{ slip.from.number ?? '–' }} to {{ slip.to.number }}). On a printed part:</span></p>
        <Changes :lines="slip.lines" @go="go" />
        <button type="button" @click="sawThem">They are in my part</button>
    </section>
    <nav v-if="part.notation && (part.measures?.length ?? 0) > 0" class="student-index" aria-label="Go to">
        <button v-for="one in letters" :key="one.note" type="button" @click="go(one.note)">{{ one.letter }}</button>
        <form @submit.prevent="goTo(wanted.trim())"><label>{{ say('Measure') }} <input v-model="wanted" inputmode="numeric" size="4"></label> <button type="submit">Go</button></form>
        <span v-if="lost" role="status">{{ lost }}</span>
    </nav>
    <ul v-if="part.performance" class="not-played"><li v-for="sentence in part.performance.sentences" :key="sentence">{{ sentence }}</li></ul>
    <ul v-if="part.lines?.length" class="student-lines" aria-label="What to know of each passage"><li v-for="line in part.lines" :key="line.passage"><strong>{{ line.passage }}</strong> <span v-if="line.passage !== `${line.from}–${line.to}`" class="quiet">{{ line.from }}–{{ line.to }}</span> {{ line.text }}</li></ul>
    <section v-if="part.practice?.length" class="student-practice" aria-label="To practise">
        <p><strong>To practise:</strong> <span class="quiet">slowly first, with a rest between. Stop if it hurts, and tell your teacher.</span></p>
        <ul><li v-for="step in part.practice" :key="`${step.measure} ${step.words}`"><button type="button" @click="goTo(step.measure)">{{ placeOf(step) }}</button> {{ step.words }}</li></ul>
    </section>
    <section v-if="part.sheets?.length" class="student-practice" aria-label="Sheets to practise from">
        <p><strong>Sheets to practise from:</strong></p>
        <ul>
            <li v-for="one in part.sheets" :key="one.key">
                <button v-if="part.notation" type="button" :aria-expanded="practising?.key === one.key" @click="practise(one.key)">{{ one.title }}</button><strong v-else>{{ one.title }}</strong>
                <span class="quiet"> {{ timeOf(one.seconds) }}: {{ one.steps.map(({ title }) => title).join('; ') }}</span>
            </li>
        </ul>
        <PracticePage v-if="practising" :key="practising.key" :sheet="practising" :title="part.title" :part="part.part" :ensemble="part.ensemble" :width="width" />
    </section>
    <p v-if="busy" class="notice" role="status">{{ busy }}</p>
    <div v-if="part.notation" class="paper">
        <Score :music="name" :ready="engraved" :layer="layer" :tracks="tracks" :silent="part.performance?.silent" :beside="part.printed" :width="width" :selected="chosen === null ? [] : [chosen]" :pointed="pointed" :heard="heard" :label="`${part.title}, ${part.part}, with its marks`" @drawn="drawn" @choose="(note) => (chosen = note)" />
    </div>
    <section v-else class="transfer" aria-label="What to pencil into your printed part">
        <p>Take your printed part and pencil these in. Tick each one when it is there.</p>
        <p v-if="!part.sheet?.length" class="notice">There is nothing to pencil in yet.</p>
        <Changes v-else :lines="part.sheet" />
    </section>
    <LargeHand v-if="hearing.large.value && hearing.playing.value && part.hand" :cursor="hearing.cursor.value" :notes="part.hand.notes" />
    <PlayBar v-if="hearing.shown.value" :keyed="!projecting" :hearing="hearing" :span="''" :several="false" :presets="presets" :shows="part.hand !== undefined" @play="play(chosen)" @close="hearing.stop(), (hearing.shown.value = false)" />
    <Projector v-if="projecting && onScreen" :page="onScreen" :layer="layer" :title="`${part.title}, ${part.part}`" :hearing="hearing" :from="chosen" @close="projecting = false" @play="play" />
</template>
