<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { ElAlert, ElButton, ElCheckbox, ElOption, ElPopconfirm, ElSelect } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { api } from '../api/client'
import type { Order, Piece, ProfileTrial } from '../api/types'
import { say } from '../stores/say'
import { useAttempt } from '../components/attempt'
import { changeWords } from './words'
import { dayWords } from '../stores/days'

/** What of a piece is played: cuts, repeats that are not taken, sections that are silent; for all sections at once. */
const props = defineProps<{ piece: Piece }>()
const emit = defineEmits<{ changed: [] }>()

const copy = (order: Order): Order => JSON.parse(JSON.stringify(order)) as Order
const order = ref(copy(props.piece.order))
const trial = ref<ProfileTrial | null>(null)
const { fault, busy, attempt } = useAttempt()
let asked = 0

const same = computed(() => JSON.stringify(order.value) === JSON.stringify(props.piece.order))
const whole = computed(() => order.value.cuts.every(({ from, to }) => from && to) && order.value.tacets.every(({ part, from, to }) => part && from && to))

/** What it would change in each part, before it is kept. */
const ask = useDebounceFn(async () => {
    const mine = ++asked
    trial.value = null
    if (same.value || !whole.value) {
        fault.value = ''
        return
    }
    await attempt(async () => {
        const answer = await api.tryOrder(props.piece.id, order.value)
        if (mine === asked) {
            trial.value = answer
        }
    })
}, 250)
watch(order, ask, { deep: true })

const keep = async (wanted: Order) => (await attempt(() => api.keepOrder(props.piece.id, wanted))) && emit('changed')

function straighten(measure: string, taken: boolean): void {
    order.value.straight = taken ? order.value.straight.filter((one) => one !== measure) : [...order.value.straight, measure]
}

const orderWords = ({ cuts, straight, tacets }: Order): string =>
    [...cuts.map(({ from, to }) => (from === to ? `cut ${from}` : `cut ${from}–${to}`)), ...straight.map((measure) => `no repeat at ${measure}`), ...tacets.map(({ part, from, to }) => `${part} tacet ${from}–${to}`)].join(', ') || 'as printed'
</script>

<template>
    <section>
        <h2>Order of performance</h2>
        <p class="quiet small-print">Decided once, for all sections: bows, counts, sheets and pages follow.</p>
        <ul class="order-lines">
            <li v-for="(cut, index) in order.cuts" :key="`cut ${index}`">
                <span>{{ say('Cut measures') }}</span>
                <ElSelect v-model="cut.from" filterable aria-label="First measure cut"><ElOption v-for="(measure, at) in piece.measures" :key="at" :value="measure" :label="measure" /></ElSelect>
                <span>to</span>
                <ElSelect v-model="cut.to" filterable aria-label="Last measure cut"><ElOption v-for="(measure, at) in piece.measures" :key="at" :value="measure" :label="measure" /></ElSelect>
                <ElButton size="small" @click="order.cuts.splice(index, 1)">Undo the cut</ElButton>
            </li>
            <li v-for="measure in piece.repeats" :key="`repeat ${measure}`">
                <ElCheckbox :model-value="!order.straight.includes(measure)" :label="say(`Take the repeat at the end of measure ${measure}`)" @change="(taken) => straighten(measure, taken === true)" />
            </li>
            <li v-for="(tacet, index) in order.tacets" :key="`tacet ${index}`">
                <ElSelect v-model="tacet.part" aria-label="Part that is silent"><ElOption v-for="part in piece.parts" :key="part.id" :value="part.name" :label="part.name" /></ElSelect>
                <span>is silent in</span>
                <ElSelect v-model="tacet.from" filterable aria-label="First silent measure"><ElOption v-for="(measure, at) in piece.measures" :key="at" :value="measure" :label="measure" /></ElSelect>
                <span>to</span>
                <ElSelect v-model="tacet.to" filterable aria-label="Last silent measure"><ElOption v-for="(measure, at) in piece.measures" :key="at" :value="measure" :label="measure" /></ElSelect>
                <ElButton size="small" @click="order.tacets.splice(index, 1)">Undo</ElButton>
            </li>
        </ul>
        <div class="row">
            <ElButton size="small" @click="order.cuts.push({ from: '', to: '' })">{{ say('Cut measures') }}</ElButton>
            <ElButton size="small" @click="order.tacets.push({ part: '', from: piece.measures[0] ?? '', to: piece.measures.at(-1) ?? '' })">A section is silent</ElButton>
        </div>
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <div v-if="!same" aria-live="polite" class="order-trial">
            <p v-if="!whole" class="quiet">{{ say('Say from which measure to which.') }}</p>
            <template v-else-if="trial">
                <p v-if="trial.changes.length === 0">No bow and no finger changes besides.</p>
                <ul v-else class="profile-changes"><li v-for="change in trial.changes" :key="change.part"><strong>{{ change.part }}</strong>: {{ changeWords(change) }}</li></ul>
            </template>
            <p v-else-if="!fault" class="quiet">Working it out…</p>
            <ElButton type="primary" :loading="busy" :disabled="!whole" @click="keep(order)">Play it so</ElButton>
            <ElButton @click="order = copy(piece.order)">Leave it as it was</ElButton>
        </div>
        <template v-if="piece.orders.length > 0">
            <h2>Decided so far</h2>
            <ul class="links">
                <li v-for="(version, index) in piece.orders" :key="version.id">
                    <span>{{ orderWords(version.order) }}<br><small class="quiet">{{ version.by }}, {{ dayWords(version.at) }}{{ index === 0 ? ', holds now' : '' }}</small></span>
                    <ElPopconfirm v-if="index > 0" title="Play it so again? It is kept as a new decision." width="240" confirm-button-text="Bring back" cancel-button-text="No" @confirm="keep(version.order)">
                        <template #reference><ElButton size="small">Bring back</ElButton></template>
                    </ElPopconfirm>
                </li>
            </ul>
        </template>
    </section>
</template>
