<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ElAlert, ElButton, ElForm, ElFormItem, ElInput, ElMessage, ElProgress, ElRadio, ElRadioGroup, ElSelect, ElTable, ElTableColumn, ElUpload } from 'element-plus'
import { v4 as uuid } from 'uuid'
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../api/client'
import type { Reading, ReadPart, ShelfEnsemble, Warning } from '../api/types'
import RightsChoice from '../components/RightsChoice.vue'
import TopBar from '../components/TopBar.vue'
import { LEVELS, problemWords } from '../desk/words'
import { say } from '../stores/say'
import { KINDS } from '../staff/words'

/** What is pasted has no name of its own. */
const PASTED = 'pasted tune'
/** A lesson line of a method book has 8 to 16 measures. */
const LONGEST_LINE = 16
const MOST_BYTES = 20 * 1024 * 1024
const INSTRUMENTS = ['violin', 'viola', 'cello', 'bass'].map((name) => ({ value: name, label: name }))
const GUESSED: Record<string, string> = { name: 'by its name', clef: 'by its clef', range: 'by its range' }

const router = useRouter()
const ensembles = ref<ShelfEnsemble[]>([])
const file = ref<File | null>(null)
const reading = ref<Reading | null>(null)
const corrected = ref<Record<string, string>>({})
const title = ref('')
const ensemble = ref<number | undefined>(undefined)
const rights = ref('')
const kind = ref<keyof typeof KINDS>('piece')
/** A tune that is typed or pasted as ABC. */
const pasting = ref(false)
const abc = ref('')
const fault = ref('')
const upload = ref<InstanceType<typeof ElUpload> | null>(null)
const busy = ref('')
/** The same key again is the same piece, so a double click or a lost answer does not make two. */
let key: string = uuid()
let order = 0

const partNames = computed(() => Object.fromEntries((reading.value?.parts ?? []).map((part) => [part.id, part.name])))
const classes = computed(() => ensembles.value.map(({ id, name, level }) => ({ value: id, label: `${name}, ${LEVELS[level ?? ''] ?? 'class profile cannot be used'}` })))
const missing = computed(() =>
    [title.value.trim() === '' ? 'a title' : '', ensemble.value === undefined ? 'the ensemble' : '', rights.value === '' ? 'whether players may see the notes' : ''].filter(Boolean),
)

onMounted(async () => {
    try {
        ensembles.value = (await api.shelf()).ensembles.filter(({ directs, putAway }) => directs && !putAway)
        ensemble.value = ensembles.value[0]?.id
    } catch (problem) {
        fault.value = problemWords(problem)
    }
})

/** The same file may be chosen again, when it was mended. */
function choose(chosen: File | undefined): void {
    const input = upload.value?.$el.querySelector('input')
    if (input instanceof HTMLInputElement) {
        input.value = ''
    }
    void take(chosen)
}

async function take(chosen: File | undefined): Promise<void> {
    if (!chosen) {
        return
    }
    file.value = chosen
    corrected.value = {}
    reading.value = null
    key = uuid()
    const understood = await read()
    if (file.value === chosen) {
        title.value = understood ? understood.title || (chosen.name === PASTED ? '' : chosen.name.replace(/\.[^.]+$/, '')) : ''
        kind.value = understood?.parts.every(({ measures }) => measures <= LONGEST_LINE) ? 'line' : 'piece'
    }
}

/** What was understood of the file that was chosen last; an answer about an earlier one changes nothing. */
async function read(): Promise<Reading | null> {
    if (!file.value) {
        return null
    }
    fault.value = file.value.size > MOST_BYTES ? 'This file is over 20 MB; a score this large is refused.' : ''
    if (fault.value) {
        return null
    }
    busy.value = 'Reading…'
    const mine = ++order
    try {
        const understood = await api.read(file.value, corrected.value)
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
    if (!file.value || ensemble.value === undefined || missing.value.length > 0 || busy.value) {
        return
    }
    busy.value = 'Putting it on the shelf…'
    try {
        const kept = await api.keep(ensemble.value, file.value, { title: title.value.trim(), rights: rights.value, kind: kind.value, key, instruments: corrected.value })
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
    if (!(event.target instanceof HTMLInputElement) && !(event.target instanceof HTMLTextAreaElement) && /^[A-Z]:/m.test(text)) {
        event.preventDefault()
        readAbc(text)
    }
})

function readAbc(text: string): void {
    abc.value = text
    pasting.value = true
    void take(new File([text], PASTED))
}

function place(warning: Warning): string {
    return [warning.part ? partNames.value[warning.part] ?? warning.part : '', warning.measure ? say(`measure ${warning.measure}`) : ''].filter(Boolean).join(', ')
}
</script>

<template>
    <TopBar says-saving><h1 class="screen-title">Import music</h1></TopBar>
    <main class="import">
        <ElUpload ref="upload" class="drop" :class="{ small: reading !== null }" drag name="file" accept=".musicxml,.xml,.mxl,.abc" :auto-upload="false" :show-file-list="false" :on-change="(chosen) => choose(chosen.raw)">
            <strong>{{ file ? file.name : 'Choose a music file' }}</strong>
            <span class="quiet">{{ file ? 'Choose or drop another file to read that instead.' : 'or drop it here: MusicXML (.musicxml, .xml, .mxl) or ABC (.abc), up to 20 MB. Nothing is kept until you say so.' }}</span>
        </ElUpload>
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
                <ElTable class="reading" :data="reading.parts" row-key="id" size="small">
                    <ElTableColumn label="Part" prop="name" min-width="110" />
                    <ElTableColumn label="Instrument" width="140">
                        <template #default="{ row }: { row: ReadPart }">
                            <ElSelect :model-value="row.instrument" :options="INSTRUMENTS" size="small" :aria-label="`Instrument of ${row.name}`" @change="correct(row, $event)" />
                            <small class="quiet">{{ corrected[row.id] ? 'as you said' : GUESSED[row.guessedFrom] }}</small>
                        </template>
                    </ElTableColumn>
                    <ElTableColumn :label="say('Measures')" width="100">
                        <template #default="{ row }: { row: ReadPart }">{{ row.measures }}<small v-if="row.playedMeasures !== row.measures" class="quiet"> ({{ row.playedMeasures }} as played)</small></template>
                    </ElTableColumn>
                    <ElTableColumn label="Notes" prop="notes" width="70" />
                    <ElTableColumn label="Range" width="100" :formatter="(row: ReadPart) => row.range?.join(' to ') ?? 'no notes'" />
                    <ElTableColumn label="Key" :formatter="(row: ReadPart) => row.keys.join(', ') || 'none'" />
                    <ElTableColumn label="Meter" width="80" :formatter="(row: ReadPart) => row.meters.join(', ') || 'none'" />
                </ElTable>
                <div v-if="reading.warnings.length > 0" class="warnings">
                    <h3>{{ reading.warnings.length === 1 ? 'One thing to check' : `${reading.warnings.length} things to check` }}</h3>
                    <ul>
                        <li v-for="(warning, index) in reading.warnings" :key="index">
                            <span v-if="place(warning)" class="warning-place">{{ place(warning) }}</span>
                            {{ warning.message }}
                        </li>
                    </ul>
                </div>
                <p v-else class="quiet">Everything in the file was understood.</p>
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
