<script setup lang="ts">
import { ElAlert, ElButton, ElDatePicker, ElInput, ElMessage, ElOption, ElSelect } from 'element-plus'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { v4 as uuid } from 'uuid'
import { useRoute } from 'vue-router'
import '../style/student.css'
import { api, slipCsv } from '../api/client'
import type { Desk, Handouts, Slip, SlipEnd } from '../api/types'
import { useAttempt } from '../components/attempt'
import PaperChoice from '../components/PaperChoice.vue'
import TopBar from '../components/TopBar.vue'
import { headingOf } from '../desk/on-paper'
import { PaperMaker } from '../page/paper-maker'
import { transfer } from '../page/sheets'
import Changes from '../sharing/Changes.vue'
import { paper } from '../stores/paper'
import { say, speak } from '../stores/say'
import { dayWords } from '../stores/days'

/** What a student changes: from any handout, date or old set to any handout or date, or to what is decided now. */
const route = useRoute()
const id = Number(route.params.id)
const players = route.query.players === undefined ? null : String(route.query.players)
const desk = ref<Desk | null>(null)
const told = ref<Handouts | null>(null)
const slip = ref<Slip | null>(null)
const from = ref<string>('had')
const day = ref<string | null>(null)
const to = ref<string>('now')
const toDay = ref<string | null>(null)
const typed = ref('')
const { fault, busy, attempt } = useAttempt()
const { fault: oldFault, busy: saying, attempt: attemptOld } = useAttempt()

const start = computed(() => (from.value === 'day' ? day.value : from.value === 'had' ? null : from.value))
const end = computed(() => (to.value === 'day' ? toDay.value : to.value === 'now' ? null : to.value))
const handouts = computed(() => told.value?.handouts.filter(({ audience }) => audience === (players ?? '')) ?? [])
const name = (end: SlipEnd) => (end.what === 'handout' ? `handout ${end.number} (${dayWords(end.at ?? '')})` : end.what === 'old' ? 'what the old copies have' : end.what === 'bare' ? 'the bare print' : 'what is decided now')

const show = () => attempt(async () => void (slip.value = await api.slip(id, players, start.value, end.value)))

const maker = new PaperMaker(
    (size) => (desk.value && slip.value ? transfer(slip.value.lines, size, { ...headingOf(desk.value), told: [`Changes from ${name(slip.value.from)} to ${name(slip.value.to)}`, ...(slip.value.otherNotes.length > 0 ? [say(`The notes of measure ${slip.value.otherNotes.join(', ')} are others: ask for the new page.`)] : [])] }, true) : []),
    () => (desk.value ? { ...headingOf(desk.value), part: `${headingOf(desk.value).part} changes` } : { title: '', composer: '', part: '', ensemble: '', told: [] }),
    () => paper.value,
)

const sayOld = (what: { typed: string } | { handout: number }) =>
    attemptOld(async () => {
        await api.sayOldSet(id, uuid(), what)
        typed.value = ''
        told.value = await api.handouts(id)
        ElMessage.success('That is what the old copies have. Slips can begin there.')
        from.value = 'old'
        await show()
    })

onMounted(() =>
    attempt(async () => {
        desk.value = await api.part(id, players)
        speak(desk.value.words)
        document.title = `Changes: ${desk.value.piece.title}, ${desk.value.part.name}`
        told.value = desk.value.part.shares ? await api.handouts(id) : null
        await show()
    }),
)
onBeforeUnmount(() => maker.dispose())
</script>

<template>
    <TopBar says-saving><h1 v-if="desk" class="top-title">{{ desk.piece.title }}, {{ desk.part.name }}: changes</h1></TopBar>
    <main class="staff-page slip-page">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <section v-if="desk" class="slip-choice">
            <label>From
                <ElSelect v-model="from" aria-label="From" @change="from !== 'day' && show()">
                    <ElOption value="had" label="what they have (the newest handout)" />
                    <ElOption v-for="one in handouts" :key="one.id" :value="String(one.id)" :label="`handout ${one.number}, ${dayWords(one.at)}${one.withdrawn ? ' (taken back)' : ''}`" />
                    <ElOption value="day" label="what they had on a day …" />
                    <ElOption v-if="told?.oldSet" value="old" label="what the old copies have" />
                    <ElOption value="bare" label="the bare print" />
                </ElSelect>
            </label>
            <ElDatePicker v-if="from === 'day'" v-model="day" type="date" value-format="YYYY-MM-DD" format="D MMM YYYY" aria-label="The day" @change="day && show()" />
            <label>to
                <ElSelect v-model="to" aria-label="To" @change="to !== 'day' && show()">
                    <ElOption value="now" label="what is decided now" />
                    <ElOption v-for="one in handouts.filter(({ withdrawn }) => !withdrawn)" :key="one.id" :value="String(one.id)" :label="`handout ${one.number}, ${dayWords(one.at)}`" />
                    <ElOption value="day" label="what they had on a day …" />
                </ElSelect>
            </label>
            <ElDatePicker v-if="to === 'day'" v-model="toDay" type="date" value-format="YYYY-MM-DD" format="D MMM YYYY" aria-label="The day it goes to" @change="toDay && show()" />
            <PaperChoice v-model="paper" />
            <span class="row">
                <ElButton type="primary" :disabled="!slip || slip.lines.length === 0" @click="maker.print()">Print</ElButton>
                <ElButton :disabled="!slip || slip.lines.length === 0" @click="maker.save()">Save PDF</ElButton>
                <a class="el-button" :href="slipCsv(id, players, start, end)" download>CSV</a>
            </span>
        </section>
        <section v-if="slip" class="transfer" aria-live="polite" :aria-busy="busy">
            <h2>{{ slip.lines.length === 0 ? 'Nothing changes' : slip.lines.length === 1 ? 'One change' : `${slip.lines.length} changes` }} <small class="quiet">from {{ name(slip.from) }} to {{ name(slip.to) }}</small></h2>
            <p v-if="slip.otherNotes.length > 0" class="notice">{{ say(`The notes of measure ${slip.otherNotes.join(', ')} are others by now: whoever has that handout needs the new page for them.`) }}</p>
            <Changes v-if="slip.lines.length > 0" :lines="slip.lines" @go="$router.push(`/parts/${id}?note=${encodeURIComponent($event)}`)" />
        </section>
        <details v-if="told" class="old-set">
            <summary>What used or borrowed copies have already{{ told.oldSet ? ' (said)' : '' }}</summary>
            <p class="quiet">Slips can begin there, with what is to be rubbed out first. Say it from an earlier handout, or type it from the page: a line a mark, measure, beat, mark. Bows are <code>V</code> and <code>D</code>, fingers <code>0</code>–<code>4</code> (low <code>L2</code>), then <code>hook</code>, <code>lift</code>, <code>retake</code>, dynamics, words in quotation marks. A question mark at its end: some copies have it, others do not.</p>
            <ElAlert v-if="oldFault" type="error" :title="oldFault" :closable="false" />
            <ElInput v-model="typed" type="textarea" :rows="6" aria-label="Marks in the old copies" placeholder="1 1 D&#10;4 3 L2&#10;8 1 V ?" />
            <div class="row">
                <ElButton :loading="saying" :disabled="typed.trim() === ''" @click="sayOld({ typed })">That is what they have</ElButton>
                <ElButton v-for="one in handouts" :key="one.id" :loading="saying" @click="sayOld({ handout: one.id })">As handout {{ one.number }}</ElButton>
            </div>
        </details>
    </main>
</template>
