<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { ElAlert, ElButton, ElForm, ElFormItem, ElInput, ElMessage, ElRadio, ElRadioGroup, ElSelect, ElSkeleton } from 'element-plus'
import { v4 as uuid } from 'uuid'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, type Derivation } from '../api/client'
import type { Derived, Piece, PiecePart } from '../api/types'
import { useAttempt } from '../components/attempt'
import TopBar from '../components/TopBar.vue'
import Score from '../page/Score.vue'
import { say, speak } from '../stores/say'

/** A part made from another one: for whom, which of its notes, how far away; looked at before it is put into the piece. */
const LINE_WIDTH = 1800
const PAUSE_MS = 250
const INTERVALS = [['P1', 'as it is written'], ['P8', 'an octave up'], ['-P8', 'an octave down'], ['P5', 'a fifth up'], ['-P5', 'a fifth down'], ['P4', 'a fourth up'], ['-P4', 'a fourth down'], ['M2', 'a whole step up'], ['-M2', 'a whole step down']].map(([value, label]) => ({ value, label }))
const INSTRUMENTS = ['violin', 'viola', 'cello', 'bass']

const route = useRoute()
const router = useRouter()
const part = Number(route.params.id)
const piece = ref<Piece | null>(null)
const source = ref<PiecePart | null>(null)
const [as, interval, notes, name] = [ref('violin'), ref('P1'), ref('all'), ref('')]
const named = ref(false)
const made = shallowRef<Derived | null>(null)
const { fault, busy, attempt } = useAttempt()
const key = uuid()
let order = 0

/** “all”, “top”, “bottom”, “joined”, or a staff and perhaps a voice of it: “2”, “2/5”. */
const how = computed<Derivation>(() => {
    const [staff, voice] = /^\d/.test(notes.value) ? notes.value.split('/') : [undefined, notes.value === 'all' ? undefined : notes.value]
    return { as: as.value, interval: interval.value === 'P1' ? null : interval.value, voice: voice ?? null, staff: staff === undefined ? null : Number(staff) }
})
const lines = computed(() => {
    const voices = made.value?.voices ?? []
    const staves = [...new Set(voices.map(({ staff }) => staff))]
    const several = (staff: number) => voices.filter((one) => one.staff === staff).length > 1
    return [
        { value: 'all', label: staves.length > 1 ? 'all of the upper staff' : 'all of them' },
        ...staves.slice(1).map((staff) => ({ value: String(staff), label: staves.length === 2 ? 'all of the lower staff' : `all of staff ${staff}` })),
        ...voices.filter(({ staff }) => several(staff)).map(({ staff, voice }) => ({ value: `${staff}/${voice}`, label: `voice ${voice}${staves.length > 1 ? ` of staff ${staff}` : ''}` })),
        { value: 'top', label: 'the upper, where players are divided' },
        { value: 'bottom', label: 'the lower, where players are divided' },
        ...(several(staves[0] ?? 1) ? [{ value: 'joined', label: 'both voices on one stem, as divided notes' }] : []),
    ]
})

onMounted(() =>
    attempt(async () => {
        const desk = await api.part(part, null)
        const found = await api.piece(desk.piece.id)
        piece.value = found
        speak(found.words)
        source.value = found.parts.find(({ id }) => id === part) ?? null
        as.value = source.value?.instrument === 'violin' ? 'viola' : 'violin'
        await look()
    }),
)

/** An answer to an earlier question changes nothing. */
async function look(): Promise<void> {
    const mine = ++order
    await attempt(async () => {
        const derived = await api.tryDerived(part, how.value)
        if (mine === order) {
            made.value = derived
            name.value = named.value ? name.value : derived.name
        }
    })
}
watch(how, useDebounceFn(look, PAUSE_MS))

async function put(): Promise<void> {
    await attempt(async () => {
        const kept = await api.derive(part, { ...how.value, name: name.value.trim(), key })
        ElMessage.success(`${name.value.trim()} is in the piece.`)
        await router.push(`/parts/${kept.part}`)
    })
}
</script>

<template>
    <TopBar says-saving><h1 class="screen-title">{{ piece && source ? `A part from ${source.name}, ${piece.title}` : 'A part from a part' }}</h1></TopBar>
    <main class="derive-page">
        <ElForm class="derive-form" label-position="top" @submit.prevent="put">
            <ElFormItem label="For"><ElRadioGroup v-model="as"><ElRadio v-for="instrument in INSTRUMENTS" :key="instrument" :value="instrument">{{ instrument }}</ElRadio></ElRadioGroup></ElFormItem>
            <ElFormItem label="Which notes"><ElSelect v-model="notes" :options="lines" aria-label="Which notes" /></ElFormItem>
            <ElFormItem label="How high"><ElSelect v-model="interval" :options="INTERVALS" aria-label="How high" /></ElFormItem>
            <ElFormItem label="Name" for="derived-name"><ElInput id="derived-name" v-model="name" maxlength="100" @input="named = true" /></ElFormItem>
            <p class="quiet small-print">Notes, slurs and bows come along, with what is decided for the bow; fingers are worked out anew. The part knows whose line it is.</p>
            <ElButton type="primary" native-type="submit" :disabled="busy || made === null || name.trim() === ''">Put it into the piece</ElButton>
            <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
            <template v-if="made">
                <h2>{{ made.shifts.length === 0 ? 'Every note is within reach' : 'Moved, so that it can be played' }}</h2>
                <ul class="shifts" tabindex="0">
                    <li v-for="shift in made.shifts" :key="`${shift.measure} ${shift.last} ${shift.because}`" :class="{ out: shift.octaves === 0 }">
                        <strong>{{ say(shift.measure === shift.last ? `Measure ${shift.measure}` : `Measures ${shift.measure} to ${shift.last}`) }}</strong>: {{ shift.because }}.
                    </li>
                </ul>
            </template>
        </ElForm>
        <div class="paper">
            <Score v-if="made" :music="made.music" :layer="[]" :width="LINE_WIDTH" :label="`${name}, as it would be`" />
            <ElSkeleton v-else-if="!fault" :rows="8" animated />
        </div>
    </main>
</template>
