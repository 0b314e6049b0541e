<script setup lang="ts">
import { ElAlert, ElButton, ElDatePicker, ElOption, ElSelect } from 'element-plus'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import '../style/student.css'
import { api, callOutCsv } from '../api/client'
import type { CallOut } from '../api/types'
import { useAttempt } from '../components/attempt'
import PaperChoice from '../components/PaperChoice.vue'
import TopBar from '../components/TopBar.vue'
import { PaperMaker } from '../page/paper-maker'
import { calledOut } from '../page/call-out'
import { paper } from '../stores/paper'
import { say } from '../stores/say'
import { dayWords } from '../stores/days'

/** For the podium: every section's changes, in the order of the piece. */
const id = Number(useRoute().params.id)
const told = ref<CallOut | null>(null)
const from = ref('had')
const day = ref<string | null>(null)
const { fault, busy, attempt } = useAttempt()

const start = computed(() => (from.value === 'day' ? day.value : from.value === 'had' ? null : from.value))
const heading = () => ({ title: told.value?.title ?? '', composer: told.value?.composer ?? '', part: 'Call-out', ensemble: told.value?.ensemble ?? '', told: ['To be called out, and pencilled in by all'] })
const show = () =>
    attempt(async () => {
        told.value = await api.callOut(id, start.value)
        document.title = `Call-out: ${told.value.title}`
    })
const maker = new PaperMaker((size) => calledOut(told.value?.lines ?? [], size, heading()), heading, () => paper.value)
const has = ({ from: end }: CallOut['sections'][number]) => (end.what === 'handout' ? `has handout ${end.number} (${dayWords(end.at ?? '')})` : end.what === 'old' ? 'has old copies' : 'has the bare print')

onMounted(show)
onBeforeUnmount(() => maker.dispose())
</script>

<template>
    <TopBar says-saving><h1 v-if="told" class="top-title">{{ told.title }}: call-out</h1></TopBar>
    <main class="staff-page slip-page">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <section v-if="told" class="slip-choice">
            <label>Since
                <ElSelect v-model="from" aria-label="Since" @change="from !== 'day' && show()">
                    <ElOption value="had" label="what each section has" />
                    <ElOption value="day" label="what they had on a day …" />
                    <ElOption value="old" label="what the old copies have" />
                    <ElOption value="bare" label="the bare print" />
                </ElSelect>
            </label>
            <ElDatePicker v-if="from === 'day'" v-model="day" type="date" value-format="YYYY-MM-DD" format="D MMM YYYY" aria-label="The day" @change="day && show()" />
            <PaperChoice v-model="paper" />
            <span class="row">
                <ElButton type="primary" :disabled="told.lines.length === 0" @click="maker.print()">Print</ElButton>
                <ElButton :disabled="told.lines.length === 0" @click="maker.save()">Save PDF</ElButton>
                <a class="el-button" :href="callOutCsv(id, start)" download>CSV</a>
            </span>
        </section>
        <ul v-if="told" class="call-sections"><li v-for="section in told.sections" :key="section.part"><strong>{{ section.part }}</strong> <span class="quiet">{{ has(section) }}; {{ section.changes === 0 ? 'nothing changes' : section.changes === 1 ? 'one change' : `${section.changes} changes` }}</span></li></ul>
        <section v-if="told" class="transfer" :aria-busy="busy">
            <p v-if="told.lines.length === 0" class="notice">Every section has what is decided now.</p>
            <table v-else class="changes">
                <thead><tr><th>{{ say('Measure') }}</th><th>Beat</th><th>Section</th><th>Note</th><th>Rub out</th><th>Write</th></tr></thead>
                <tbody>
                    <tr v-for="({ part, line }, index) in told.lines" :key="index">
                        <td><strong>{{ line.measure }}{{ line.to ? `–${line.to}` : '' }}</strong></td><td>{{ line.notes.length > 1 ? '' : line.beat }}</td><td>{{ part }}</td><td>{{ line.notes.length > 1 ? '' : line.pitch }}</td><td class="hand">{{ line.erase ?? '' }}</td>
                        <td><template v-if="line.check"><strong>look first: </strong></template>{{ line.words }}<span v-if="line.reason" class="quiet"> ({{ line.reason }})</span></td>
                    </tr>
                </tbody>
            </table>
        </section>
    </main>
</template>
