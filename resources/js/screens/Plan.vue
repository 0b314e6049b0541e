<script setup lang="ts">
import { ElAlert, ElButton, ElInput, ElInputNumber } from 'element-plus'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { v4 as uuid } from 'uuid'
import { useRoute } from 'vue-router'
import { api } from '../api/client'
import type { Plan, PlanItem } from '../api/types'
import { useAttempt } from '../components/attempt'
import PaperChoice from '../components/PaperChoice.vue'
import TopBar from '../components/TopBar.vue'
import { PaperMaker } from '../page/paper-maker'
import { tableSheets } from '../page/table-sheet'
import { dateWords } from '../staff/words'
import { paper } from '../stores/paper'
import { say } from '../stores/say'

/** What is rehearsed, for how long: never more than there are minutes, and what fell out is listed. */
const id = Number(useRoute().params.id)
const plan = ref<Plan | null>(null)
const own = ref('')
const { fault, busy, attempt } = useAttempt()

const all = computed(() => [...(plan.value?.items ?? []), ...(plan.value?.leftOut ?? [])])
const minutes = (seconds: number) => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
const where = (item: PlanItem) => (item.from === '' ? '' : item.from === item.to ? item.from : `${item.from}–${item.to}`)
const KINDS: Record<PlanItem['kind'], string> = { tune: 'Tune', reach: 'Not yet rehearsed', again: 'Again and again', settle: 'Settle', note: 'Noted', 'line-up': 'Sections', own: 'Own' }

const keep = (items: readonly PlanItem[] | null) => attempt(async () => void (plan.value = await api.keepPlan(id, items?.map(({ key, passes, talk, kind, words }) => ({ key, passes, talk, ...(kind === 'own' ? { words } : {}) })) ?? null)))
const change = (item: PlanItem, what: Partial<PlanItem>) => keep(all.value.map((one) => (one.key === item.key ? { ...one, ...what } : one)))
function move(item: PlanItem, by: number): void {
    const items = all.value.filter(({ key }) => key !== item.key)
    items.splice(Math.max(0, Math.min(items.length, all.value.findIndex(({ key }) => key === item.key) + by)), 0, item)
    void keep(items)
}
const add = () => {
    const item: PlanItem = { key: `own:${uuid()}`, kind: 'own', piece: null, title: '', words: own.value.trim(), from: '', to: '', passes: 1, talk: 120, once: 0, seconds: 120 }
    own.value = ''
    return keep([...all.value, item])
}

const heading = () => ({ title: plan.value?.name ?? '', composer: '', part: plan.value ? dateWords(plan.value.on) : '', ensemble: '', told: [`${minutes(plan.value?.seconds ?? 0)} of ${plan.value?.minutes ?? 0} minutes`] })
const maker = new PaperMaker(
    (size) => tableSheets([{ title: 'Minutes', share: 0.1 }, { title: 'Piece', share: 0.2, bold: true }, { title: say('Measure'), share: 0.12, bold: true }, { title: 'What', share: 0.48 }, { title: 'Times', share: 0.1 }], plan.value?.items.map((item) => [minutes(item.seconds), item.title, where(item), item.words, item.once > 0 ? `${item.passes}×` : '']) ?? [], size, heading()),
    heading,
    () => paper.value,
)

onMounted(() =>
    attempt(async () => {
        plan.value = await api.plan(id)
        document.title = `Plan: ${plan.value.name}`
    }),
)
onBeforeUnmount(() => maker.dispose())
</script>

<template>
    <TopBar says-saving><h1 v-if="plan" class="top-title">{{ plan.name }}, {{ dateWords(plan.on) }}: plan</h1></TopBar>
    <main class="staff-page plan-page">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <template v-if="plan">
            <div class="slip-choice">
                <p class="plan-sum"><strong>{{ minutes(plan.seconds) }}</strong> of {{ plan.minutes }} minutes<span class="quiet">{{ plan.chosen ? '' : ', as it is proposed' }}</span></p>
                <PaperChoice v-model="paper" />
                <span class="row"><ElButton type="primary" :disabled="plan.items.length === 0" @click="maker.print()">Print</ElButton><ElButton :disabled="plan.items.length === 0" @click="maker.save()">Save PDF</ElButton><ElButton v-if="plan.chosen" :loading="busy" @click="keep(null)">As it is proposed</ElButton></span>
            </div>
            <p v-if="all.length === 0" class="notice">Nothing is noted, open or out of line. Flag and note in rehearsal, and it comes here.</p>
            <ol class="plan-items">
                <li v-for="item in plan.items" :key="item.key" tabindex="0" @keydown.alt.up.prevent="move(item, -1)" @keydown.alt.down.prevent="move(item, 1)">
                    <span class="plan-minutes">{{ minutes(item.seconds) }}</span>
                    <div class="plan-what">
                        <small class="quiet">{{ KINDS[item.kind] }}<template v-if="item.title">, {{ item.title }}</template></small><br>
                        <RouterLink v-if="item.piece !== null" :to="`/pieces/${item.piece}/rehearse`"><strong v-if="where(item)">{{ where(item) }}</strong> {{ item.words }}</RouterLink><template v-else>{{ item.words }}</template>
                    </div>
                    <label v-if="item.once > 0">times <ElInputNumber :model-value="item.passes" :min="0" :max="20" size="small" :aria-label="`How often ${item.words}`" @change="(value) => change(item, { passes: value ?? 1 })" /></label>
                    <label>talk <ElInputNumber :model-value="item.talk" :min="0" :max="3600" :step="15" size="small" :aria-label="`Seconds of talk: ${item.words}`" @change="(value) => change(item, { talk: value ?? 0 })" /></label>
                    <span class="row"><ElButton size="small" aria-label="Earlier" title="Earlier (Alt ↑)" @click="move(item, -1)">↑</ElButton><ElButton size="small" aria-label="Later" title="Later (Alt ↓)" @click="move(item, 1)">↓</ElButton><ElButton size="small" aria-label="Leave it out" @click="keep(all.filter(({ key }) => key !== item.key))">×</ElButton></span>
                </li>
            </ol>
            <form class="row" @submit.prevent="add"><ElInput v-model="own" maxlength="200" placeholder="Something else, in a few words" aria-label="Something else" /><ElButton native-type="submit" :disabled="own.trim() === ''">Add</ElButton></form>
            <section v-if="plan.leftOut.length > 0"><h2>Fell out: there is no time for it</h2><ul class="plan-items out"><li v-for="item in plan.leftOut" :key="item.key"><span class="plan-minutes">{{ minutes(item.seconds) }}</span><div class="plan-what">{{ item.title }} <strong>{{ where(item) }}</strong> {{ item.words }}</div><ElButton size="small" @click="move(item, -99)">First of all</ElButton></li></ul></section>
            <section v-if="plan.pool.length > 0"><h2>Could be taken too</h2><ul class="plan-items out"><li v-for="item in plan.pool" :key="item.key"><span class="plan-minutes">{{ minutes(item.seconds) }}</span><div class="plan-what">{{ item.title }} <strong>{{ where(item) }}</strong> {{ item.words }}</div><ElButton size="small" @click="keep([...all, item])">Take it in</ElButton></li></ul></section>
        </template>
    </main>
</template>
