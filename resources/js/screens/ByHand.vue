<script setup lang="ts">
import { ElAlert, ElButton, ElCheckbox, ElForm, ElFormItem, ElInput, ElInputNumber, ElRadioButton, ElRadioGroup, ElSelect } from 'element-plus'
import { v4 as uuid } from 'uuid'
import { computed, onMounted, ref } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../api/client'
import { useAttempt } from '../components/attempt'
import TopBar from '../components/TopBar.vue'
import { LEVELS } from '../desk/words'
import { say } from '../stores/say'
import { emptyTune, placed, SECTIONS, spans, sparsePart, type Beginning } from '../typing/beginnings'
import { keyNamed, METER } from '../typing/keymap'

/** What is to be typed, in a few words; then the staff. */
const route = useRoute()
const router = useRouter()
const { fault, busy, attempt } = useAttempt()
const ensembles = ref<{ value: number; label: string }[]>([])
const ensemble = ref<number | undefined>(undefined)
/** A further part of this piece. */
const piece = ref<{ id: number; title: string } | null>(null)
const kind = ref<'tune' | 'sparse' | 'rhythm'>('tune')
const [title, section, key, meter] = [ref(''), ref('Violin 1'), ref('D'), ref('4/4')]
const [measures, first, letters, meters, passages, byLetters] = [ref(64), ref(1), ref(''), ref(''), ref(''), ref(false)]
const sections = SECTIONS.map(({ name }) => ({ value: name, label: name }))

onMounted(() =>
    attempt(async () => {
        if (route.query.piece) {
            const found = await api.piece(Number(route.query.piece))
            piece.value = { id: found.id, title: found.title }
            title.value = found.title
            ensemble.value = found.ensembleId
            return
        }
        const shelf = (await api.shelf()).ensembles.filter(({ directs, putAway }) => directs && !putAway)
        ensembles.value = shelf.map(({ id, name, level }) => ({ value: id, label: `${name}, ${LEVELS[level ?? ''] ?? 'class profile cannot be used'}` }))
        ensemble.value = shelf[0]?.id
    }),
)

const wrong = computed(() => {
    const [entered, letterList, meterList] = [spans(passages.value), placed(letters.value, /./), placed(meters.value, METER)]
    return {
        key: kind.value !== 'rhythm' && keyNamed(key.value) === null ? 'As D, Bm, 2#, 3b or 0.' : '',
        meter: METER.test(meter.value.trim()) ? '' : 'As 4/4, 3/4, 6/8, 3+2/8, C.',
        passages: entered === null ? 'As 9–16, 25–40.' : entered.some(([from, to]) => from < first.value || to >= first.value + measures.value) ? say(`The part has measures ${first.value} to ${first.value + measures.value - 1}.`) : '',
        letters: letterList === null ? 'As A 9, B 25.' : '',
        meters: meterList === null ? 'As 3/4 33, 4/4 49.' : '',
    }
})
const ready = computed(() => ensemble.value !== undefined && !wrong.value.key && !wrong.value.meter && (kind.value !== 'sparse' || (!wrong.value.passages && !wrong.value.letters && !wrong.value.meters)))

async function begin(): Promise<void> {
    if (!ready.value || busy.value || ensemble.value === undefined) {
        return
    }
    const found = SECTIONS.find(({ name }) => name === section.value) ?? SECTIONS[0]
    const named = keyNamed(key.value) ?? { key: 0 }
    const beginning: Beginning = { title: title.value.trim(), name: found.name, instrument: found.instrument, meter: meter.value.trim(), rhythm: kind.value === 'rhythm', ...named }
    const manuscript = kind.value === 'sparse'
        ? sparsePart(beginning, { measures: measures.value, first: first.value, letters: placed(letters.value, /./) ?? new Map<number, string>(), meters: placed(meters.value, METER) ?? new Map<number, string>(), byLetters: byLetters.value, passages: spans(passages.value) ?? [] })
        : emptyTune(beginning)
    const id = uuid()
    const to = ensemble.value
    if (await attempt(() => api.keepManuscript(to, id, { revision: 0, typed: JSON.stringify(manuscript), part: null, piece: piece.value?.id ?? null }))) {
        await router.push(`/by-hand/${id}`)
    }
}
</script>

<template>
    <TopBar says-saving><h1 class="screen-title">{{ piece ? `Another part of ${piece.title}` : 'Notes by hand' }}</h1></TopBar>
    <main class="by-hand">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <ElForm class="by-hand-sheet" label-position="top" @submit.prevent="begin">
            <ElFormItem label="What you have">
                <ElRadioGroup v-model="kind">
                    <ElRadioButton value="tune">A tune or part, all of it</ElRadioButton>
                    <ElRadioButton value="sparse">A long part, only some passages</ElRadioButton>
                    <ElRadioButton value="rhythm">A rhythm, for bowings</ElRadioButton>
                </ElRadioGroup>
            </ElFormItem>
            <p class="quiet by-hand-words">
                <template v-if="kind === 'tune'">Type it from the printed page: letters for the notes, the row above for their lengths. A line of 16 {{ say('measures') }} takes two or three minutes.</template>
                <template v-else-if="kind === 'sparse'">The rest of the part is a count of {{ say('measures') }}: their numbers are right, and nothing is claimed about them.</template>
                <template v-else>Lengths, rests and slurs on one line, typed once for every section that shares them. The bow is worked out; of fingers nothing is said.</template>
            </p>
            <div class="by-hand-fields">
                <ElFormItem v-if="!piece" label="For"><ElSelect v-model="ensemble" :options="ensembles" aria-label="Ensemble" /></ElFormItem>
                <ElFormItem v-if="!piece" label="Title" for="by-hand-title"><ElInput id="by-hand-title" v-model="title" maxlength="200" placeholder="can wait" /></ElFormItem>
                <ElFormItem label="Part"><ElSelect v-model="section" :options="sections" aria-label="Part" /></ElFormItem>
                <ElFormItem v-if="kind !== 'rhythm'" label="Key" for="by-hand-key" :error="wrong.key"><ElInput id="by-hand-key" v-model="key" maxlength="8" /></ElFormItem>
                <ElFormItem label="Meter" for="by-hand-meter" :error="wrong.meter"><ElInput id="by-hand-meter" v-model="meter" maxlength="12" /></ElFormItem>
            </div>
            <div v-if="kind === 'sparse'" class="by-hand-fields">
                <ElFormItem :label="say('How many measures')"><ElInputNumber v-model="measures" :min="1" :max="2000" :aria-label="say('How many measures')" /></ElFormItem>
                <ElFormItem label="The first has the number"><ElInputNumber v-model="first" :min="0" :max="9000" aria-label="Number of the first" /></ElFormItem>
                <ElFormItem label="Passages to type" for="by-hand-passages" :error="wrong.passages"><ElInput id="by-hand-passages" v-model="passages" placeholder="9–16, 25–40" /></ElFormItem>
                <ElFormItem label="Rehearsal letters" for="by-hand-letters" :error="wrong.letters"><ElInput id="by-hand-letters" v-model="letters" placeholder="A 9, B 25" /></ElFormItem>
                <ElFormItem label="Other meters" for="by-hand-meters" :error="wrong.meters"><ElInput id="by-hand-meters" v-model="meters" placeholder="3/4 33, 4/4 49" /></ElFormItem>
                <ElFormItem label="In the print"><ElCheckbox v-model="byLetters">{{ say('Measures have no numbers: name them by letter, as “B + 5”') }}</ElCheckbox></ElFormItem>
            </div>
            <ElButton type="primary" native-type="submit" :disabled="!ready || busy">To the staff</ElButton>
        </ElForm>
    </main>
</template>
