<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ElAlert, ElButton, ElForm, ElFormItem, ElInput, ElMessage, ElProgress, ElRadio, ElRadioGroup, ElSelect } from 'element-plus'
import { v4 as uuid } from 'uuid'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../api/client'
import type { Reading, ReadPart, ShelfEnsemble } from '../api/types'
import RightsChoice from '../components/RightsChoice.vue'
import TopBar from '../components/TopBar.vue'
import { LEVELS, problemWords } from '../desk/words'
import { MOST_BYTES, partNames, tuneChoices } from '../music/files'
import MusicDrop from '../music/MusicDrop.vue'
import PartsRead from '../music/PartsRead.vue'
import ReadWarnings from '../music/ReadWarnings.vue'
import { KINDS } from '../staff/words'

/** What is pasted has no name of its own. */
const PASTED = 'pasted tune'
/** A lesson line of a method book has 8 to 16 measures. */
const LONGEST_LINE = 16

const router = useRouter()
const ensembles = ref<ShelfEnsemble[]>([])
const files = shallowRef<File[]>([])
const tune = ref<number | null>(null)
const reading = ref<Reading | null>(null)
const corrected = ref<Record<string, string>>({})
const taken = ref<string[]>([])
const title = ref('')
const ensemble = ref<number | undefined>(undefined)
const rights = ref('')
const kind = ref<keyof typeof KINDS>('piece')
/** A tune that is typed or pasted as ABC. */
const pasting = ref(false)
const abc = ref('')
const fault = ref('')
const busy = ref('')
/** The same key again is the same piece, so a double click or a lost answer does not make two. */
let key: string = uuid()
let order = 0

const classes = computed(() => ensembles.value.map(({ id, name, level }) => ({ value: id, label: `${name}, ${LEVELS[level ?? ''] ?? 'class profile cannot be used'}` })))
const tunes = computed(() => tuneChoices(reading.value?.tunes ?? []))
const missing = computed(() =>
    [taken.value.length === 0 ? 'which parts' : '', title.value.trim() === '' ? 'a title' : '', ensemble.value === undefined ? 'the ensemble' : '', rights.value === '' ? 'whether players may see the notes' : ''].filter(Boolean),
)

onMounted(async () => {
    try {
        ensembles.value = (await api.shelf()).ensembles.filter(({ directs, putAway }) => directs && !putAway)
        ensemble.value = ensembles.value[0]?.id
    } catch (problem) {
        fault.value = problemWords(problem)
    }
})

async function take(chosen: File[], which: number | null = null): Promise<void> {
    files.value = chosen
    tune.value = which
    corrected.value = {}
    reading.value = null
    key = uuid()
    const understood = await read()
    if (files.value === chosen && tune.value === which) {
        title.value = understood ? understood.title || named(chosen) : ''
        taken.value = understood?.parts.filter(({ strings }) => strings).map(({ id }) => id) ?? []
        kind.value = understood?.parts.every(({ measures, strings }) => strings && measures <= LONGEST_LINE) ? 'line' : 'piece'
    }
}

const named = ([first]: File[]) => (first === undefined || first.name === PASTED ? '' : first.name.replace(/\.[^.]+$/, ''))

/** What was understood of the files that were chosen last; an answer about earlier ones changes nothing. */
async function read(): Promise<Reading | null> {
    const large = files.value.find(({ size }) => size > MOST_BYTES)
    fault.value = large ? `${files.value.length > 1 ? `“${large.name}”` : 'This file'} is over 20 MB; a score this large is refused.` : ''
    if (files.value.length === 0 || fault.value) {
        return null
    }
    busy.value = 'Reading…'
    const mine = ++order
    try {
        const understood = await api.read(files.value, tune.value, corrected.value)
        if (mine !== order) {
            return null
        }
        reading.value = understood
    } catch (problem) {
        if (mine === order) {
            fault.value = problemWords(problem)
        }
    }
    busy.value = mine === order ? '' : busy.value
    return reading.value
}

async function correct(part: ReadPart, instrument: string): Promise<void> {
    corrected.value = { ...corrected.value, [part.id]: instrument }
    await read()
}

async function keepPiece(): Promise<void> {
    if (files.value.length === 0 || ensemble.value === undefined || missing.value.length > 0 || busy.value) {
        return
    }
    busy.value = 'Putting it on the shelf…'
    try {
        const kept = await api.keep(ensemble.value, files.value, { title: title.value.trim(), rights: rights.value, kind: kind.value, key, tune: tune.value, parts: taken.value, instruments: corrected.value })
        ElMessage.success(`${title.value.trim()} is on the shelf.`)
        await router.push(`/parts/${kept.part}`)
    } catch (problem) {
        fault.value = problemWords(problem)
    }
    busy.value = ''
}

/** ABC that is pasted anywhere on this screen is read; in a field of a form it is only typed. */
useEventListener(window, 'paste', (event) => {
    const text = event.clipboardData?.getData('text/plain') ?? ''
    if (!(event.target instanceof HTMLInputElement) && !(event.target instanceof HTMLTextAreaElement) && /^[A-Z] ?:/m.test(text)) {
        event.preventDefault()
        readAbc(text)
    }
})

function readAbc(text: string): void {
    abc.value = text
    pasting.value = true
    void take([new File([text], PASTED)])
}
</script>

<template>
    <TopBar says-saving><h1 class="screen-title">Import music</h1></TopBar>
    <main class="import">
        <MusicDrop :files="files" :small="reading !== null" words="Choose music files" @take="take" />
        <p v-if="!pasting" class="quiet or-paste">No file? <RouterLink to="/by-hand">Type the notes on a staff</RouterLink>, or <button type="button" class="link" @click="pasting = true">paste a tune as ABC</button></p>
        <form v-else class="paste-abc" @submit.prevent="readAbc(abc)">
            <ElInput v-model="abc" type="textarea" :rows="7" spellcheck="false" aria-label="A tune as ABC" placeholder="X:1&#10;T:First tune&#10;M:4/4&#10;L:1/4&#10;K:D&#10;D E F G | A2 A2 |" />
            <ElButton native-type="submit" :disabled="abc.trim() === ''">Read it</ElButton>
        </form>
        <div v-if="busy" class="notice" role="status">{{ busy }}<ElProgress :percentage="100" indeterminate :show-text="false" /></div>
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <div v-if="reading" class="understood">
            <section aria-label="What was understood">
                <h2>What was understood</h2>
                <div v-if="tunes.length > 0" class="tunes">
                    <label for="tune">This file holds {{ tunes.length }} tunes. Read</label>
                    <ElSelect id="tune" :model-value="tune ?? 1" :options="tunes" filterable aria-label="Tune of the file" @change="take(files, $event)" />
                </div>
                <PartsRead v-model="taken" :parts="reading.parts" :corrected="corrected" @correct="correct" />
                <ReadWarnings :warnings="reading.warnings" :names="partNames(reading.parts)" />
            </section>
            <section class="keep" aria-label="Keep it">
                <h2>Keep it</h2>
                <ElForm label-position="top" @submit.prevent="keepPiece">
                    <ElFormItem label="Title" for="title"><ElInput id="title" v-model="title" maxlength="200" /></ElFormItem>
                    <ElFormItem label="For">
                        <ElSelect v-model="ensemble" :options="classes" aria-label="Ensemble" />
                    </ElFormItem>
                    <ElFormItem label="It is">
                        <ElRadioGroup v-model="kind"><ElRadio v-for="(label, value) in KINDS" :key="value" :value="value">{{ label }}</ElRadio></ElRadioGroup>
                    </ElFormItem>
                    <RightsChoice v-model="rights" />
                    <ElButton type="primary" native-type="submit" :disabled="missing.length > 0 || busy !== ''">Put it on the shelf</ElButton>
                    <p v-if="missing.length > 0" class="quiet small-print">Still to say: {{ missing.join(', ') }}.</p>
                </ElForm>
            </section>
        </div>
    </main>
</template>
