<script setup lang="ts">
import { ElAlert, ElButton, ElCheckbox, ElInput, ElInputNumber } from 'element-plus'
import { v4 as uuid } from 'uuid'
import { computed, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../api/client'
import type { KeptPractice, Practice, PracticeSheet } from '../api/types'
import { useAttempt } from '../components/attempt'
import TopBar from '../components/TopBar.vue'
import { lineWidth } from '../page/sheets'
import PracticePage from '../practising/PracticePage.vue'
import { timeOf } from '../practising/words'
import { say, speak } from '../stores/say'

/** Practice made from a passage: what is offered for it, put together, looked at, heard, and chosen for the next handout. */
const route = useRoute()
const part = Number(route.params.id)
const told = ref<Practice | null>(null)
const from = ref(typeof route.query.from === 'string' ? route.query.from : '')
const to = ref(typeof route.query.to === 'string' ? route.query.to : '')
const minutes = ref<number | null>(null)
const chosen = ref<string[]>([])
/** All sections under each other, for the projector. */
const all = ref(false)
const sheet = ref<PracticeSheet | null>(null)
const { fault, busy, attempt } = useAttempt()

const offered = computed(() => told.value?.offered.filter(({ because }) => because !== null) ?? [])
const others = computed(() => told.value?.offered.filter(({ because }) => because === null) ?? [])
const titles = computed(() => new Map(told.value?.offered.map(({ kind, title }) => [kind, title]) ?? []))
const wanted = () => ({ from: from.value.trim(), to: to.value.trim() || from.value.trim(), kinds: chosen.value, minutes: minutes.value })

async function load(): Promise<void> {
    told.value = await api.practice(part, from.value || null, to.value || null)
    speak(told.value.words)
    document.title = `Practice: ${told.value.title}`
    ;[from.value, to.value] = [told.value.from, told.value.to]
}

const look = () =>
    attempt(async () => {
        const before = `${told.value?.from} ${told.value?.to}`
        await load()
        if (before !== `${from.value} ${to.value}`) {
            chosen.value = offered.value.map(({ kind }) => kind).filter((kind) => chosen.value.includes(kind))
        }
        sheet.value = null
    })
const make = () => attempt(async () => void (sheet.value = await api.makePractice(part, { ...wanted(), all: all.value })))
const keep = () =>
    attempt(async () => {
        await api.keepPractice(part, { ...wanted(), key: uuid() })
        await load()
    })
const takeAway = (one: KeptPractice) =>
    attempt(async () => {
        await api.takePracticeAway(one.id)
        await load()
    })
const open = (one: KeptPractice) =>
    attempt(async () => {
        ;[from.value, to.value, minutes.value, chosen.value] = [one.from, one.to, one.minutes, [...one.kinds]]
        await load()
        all.value = false
        sheet.value = await api.makePractice(part, { ...wanted(), all: false })
    })

onMounted(() => attempt(load))
</script>

<template>
    <TopBar says-saving><h1 v-if="told" class="top-title">{{ told.title }}, {{ told.name }}: practice</h1></TopBar>
    <main class="practice-screen">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <template v-if="told">
            <form class="practice-choice" @submit.prevent="make">
                <div class="row">
                    <label>{{ say('Measures') }} <ElInput v-model="from" class="narrow" aria-label="First measure" @change="look" /></label>
                    <label>to <ElInput v-model="to" class="narrow" aria-label="Last measure" @change="look" /></label>
                    <RouterLink :to="`/parts/${part}?measure=${encodeURIComponent(from)}`">On the desk</RouterLink>
                </div>
                <fieldset>
                    <legend>Helps here</legend>
                    <p v-if="offered.length === 0" class="quiet">Nothing here asks for practice of its own.</p>
                    <label v-for="one in offered" :key="one.kind" class="offer"><ElCheckbox :model-value="chosen.includes(one.kind)" :label="one.title" @update:model-value="(on) => (chosen = on ? [...chosen, one.kind] : chosen.filter((kind) => kind !== one.kind))" /><small class="quiet">{{ one.because }}</small></label>
                </fieldset>
                <details v-if="others.length > 0">
                    <summary>More exercises</summary>
                    <ElCheckbox v-for="one in others" :key="one.kind" :model-value="chosen.includes(one.kind)" :label="one.title" @update:model-value="(on) => (chosen = on ? [...chosen, one.kind] : chosen.filter((kind) => kind !== one.kind))" />
                </details>
                <div class="row">
                    <label>Minutes <ElInputNumber :model-value="minutes ?? undefined" :min="1" :max="120" :value-on-clear="null" size="small" placeholder="any" aria-label="Minutes" @update:model-value="(value) => (minutes = value ?? null)" /></label>
                    <ElCheckbox v-model="all" label="All sections on one page" />
                    <ElButton type="primary" native-type="submit" :loading="busy" :disabled="chosen.length === 0">Make the sheet</ElButton>
                </div>
                <section v-if="told.kept.length > 0" aria-label="Goes out with the next handout">
                    <h2>Goes out with the next handout</h2>
                    <ul class="links">
                        <li v-for="one in told.kept" :key="one.id">
                            <span><strong>{{ one.from === one.to ? one.from : `${one.from}–${one.to}` }}</strong> {{ one.kinds.map((kind) => titles.get(kind) ?? kind).join('; ') }}</span>
                            <span class="row"><ElButton size="small" @click="open(one)">Open</ElButton><ElButton v-if="told.decides" size="small" @click="takeAway(one)">Take off</ElButton></span>
                        </li>
                    </ul>
                </section>
            </form>
            <div class="practice-made">
                <PracticePage v-if="sheet && sheet.steps.length > 0" :sheet="sheet" :title="told.title" :part="told.name" :ensemble="told.ensemble" :width="lineWidth('a4')">
                    <button v-if="told.decides && !all" type="button" class="primary" @click="keep">Hand out with the part</button>
                </PracticePage>
                <p v-else-if="!sheet" class="notice">Choose measures and exercises. All of it is made from the fingers and bows as they stand on the desk now, in the order: left hand alone, bow alone, together, in tempo.</p>
                <p v-if="sheet && !sheet.music && sheet.steps.length > 0" class="notice">This piece is a printed set: names of steps and measures go out, no notes.</p>
                <p v-if="sheet && sheet.apart.length > 0" class="notice">Not all sections have this alike; make it for each by itself: {{ sheet.apart.join('; ') }}.</p>
                <p v-if="sheet && sheet.leftOut.length > 0" class="notice">Did not fit the minutes: {{ sheet.leftOut.map(({ title, seconds }) => `${title} (${timeOf(seconds)})`).join('; ') }}.</p>
            </div>
        </template>
    </main>
</template>
