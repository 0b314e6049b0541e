<script setup lang="ts">
import { ElAlert, ElButton, ElCheckbox, ElDrawer, ElMessage, ElPopconfirm } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { v4 as uuid } from 'uuid'
import { api, partMusicXml, partSheetCsv } from '../api/client'
import type { Desk, Handouts } from '../api/types'
import { useAttempt } from '../components/attempt'
import PaperChoice from '../components/PaperChoice.vue'
import type { Paper } from '../page/sheets'
import AllParts from './AllParts.vue'
import HandoutLinks from './HandoutLinks.vue'
import LineStarts from './LineStarts.vue'
import type { OnPaper } from './on-paper'
import { dayWords } from '../stores/days'

/** Handing out: what is decided now becomes a numbered handout; what was handed out, what changed since, and links to it. */
const props = defineProps<{ part: Desk; saving: boolean; busy: boolean; openQuestions: number }>()
const emit = defineEmits<{ print: []; pdf: [] }>()
const open = defineModel<boolean>({ required: true })
const paper = defineModel<Paper>('paper', { required: true })
const proposals = defineModel<boolean>('proposals', { required: true })
const reasons = defineModel<boolean>('reasons', { required: true })
const what = defineModel<OnPaper>('what', { required: true })

const told = ref<Handouts | null>(null)
const left = ref<string[]>([])
/** Pressed twice, or asked again after a lost answer, it is one handout. */
let key = uuid()
const { fault, busy: handing, attempt } = useAttempt()
const asSheet = computed(() => what.value === 'sheet' || props.part.piece.rights === 'printed-only')
const next = computed(() => 1 + Math.max(0, ...(told.value?.handouts.map(({ number }) => number) ?? [])))
const numbers = computed(() => [...new Set(told.value?.handouts.map(({ number }) => number) ?? [])].map((number) => ({ number, these: told.value?.handouts.filter((one) => one.number === number) ?? [] })))

const load = () => attempt(async () => void (told.value = await api.handouts(props.part.part.id)))

watch(open, (now) => {
    if (now && props.part.part.shares) {
        void load()
    }
})

const handOut = (all: boolean) =>
    attempt(async () => {
        const chosen = told.value?.audiences.filter(({ key: one }) => !left.value.includes(one)).map(({ key: one }) => one) ?? null
        const { handouts } = all ? await api.handOutAll(props.part.piece.id, key, proposals.value) : await api.handOut(props.part.part.id, key, proposals.value, chosen)
        key = uuid()
        ElMessage.success(all ? 'All parts are handed out.' : `Handout ${handouts[0]?.number ?? ''} is handed out.`)
        told.value = await api.handouts(props.part.part.id)
    })

const takeBack = (ids: number[]) =>
    attempt(async () => {
        for (const id of ids) {
            await api.takeHandoutBack(id)
        }
        told.value = await api.handouts(props.part.part.id)
    })

const sinceWords = (since: number) => (since === 0 ? 'no change since' : since === 1 ? 'one mark since' : `${since} marks since`)
</script>

<template>
    <ElDrawer v-model="open" title="Hand out" size="420px" class="hand-out">
        <p v-if="part.piece.rights === 'printed-only'" class="notice">
            “{{ part.piece.title }}” is a printed set only: students get the transfer sheet (what to pencil where), never the notation.
        </p>
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <section v-if="part.part.shares && told">
            <h3>Hand out {{ part.part.name }}</h3>
            <ul class="audiences">
                <li v-for="one in told.audiences" :key="one.key">
                    <ElCheckbox :model-value="!left.includes(one.key)" :disabled="told.audiences.length === 1" :label="one.name" @update:model-value="left = $event ? left.filter((other) => other !== one.key) : [...left, one.key]" />
                    <span class="quiet small-print">{{ one.newest === null ? 'nothing handed out yet' : `handout ${one.newest}, ${sinceWords(one.since)}` }}</span>
                </li>
            </ul>
            <ElCheckbox v-model="proposals" label="With proposals, not only what is decided" />
            <p v-if="told.proposed > 0" class="quiet small-print">{{ told.proposed === 1 ? 'One note has a proposal' : `${told.proposed} notes have proposals` }} that nobody decided; without this {{ told.proposed === 1 ? 'it stays' : 'they stay' }} on your desk.</p>
            <div class="row">
                <ElButton type="primary" :loading="handing" :disabled="saving || left.length === told.audiences.length" @click="handOut(false)">Hand out now, as number {{ next }}</ElButton>
                <ElButton v-if="part.siblings.length > 1" :loading="handing" :disabled="saving" @click="handOut(true)">All parts</ElButton>
            </div>
            <p v-if="saving" class="quiet small-print">Decisions are still on their way; hand out once they are saved.</p>
            <p class="row doors">
                <RouterLink :to="{ path: `/parts/${part.part.id}/slip`, query: part.players === null ? {} : { players: part.players } }">Changes, as a slip</RouterLink>
                <RouterLink :to="`/parts/${part.part.id}/practice`">Practice from a passage</RouterLink>
                <RouterLink v-if="part.siblings.length > 1" :to="`/pieces/${part.piece.id}/call-out`">Call-out for all sections</RouterLink>
            </p>
            <details v-if="numbers.length > 0" class="handed-out" open>
                <summary>Handed out</summary>
                <ul>
                    <li v-for="{ number, these } in numbers" :key="number">
                        <span>
                            <strong>{{ number }}</strong> {{ dayWords(these[0]?.at ?? '') }}, {{ these[0]?.by }}{{ these[0]?.proposals ? ', with proposals' : '' }}<br>
                            <template v-for="one in these" :key="one.id"><RouterLink :class="{ withdrawn: one.withdrawn }" :to="`/parts/${part.part.id}/handouts/${one.id}`">{{ one.audienceName || 'everybody' }}</RouterLink><small v-if="one.withdrawn" class="quiet"> taken back</small>&nbsp; </template>
                        </span>
                        <ElPopconfirm v-if="these.some(({ withdrawn }) => !withdrawn)" :title="`Take handout ${number} back? Its links lead to the one before, and the next slip begins there.`" width="260" confirm-button-text="Take it back" cancel-button-text="Keep it" @confirm="takeBack(these.filter(({ withdrawn }) => !withdrawn).map(({ id }) => id))">
                            <template #reference><ElButton size="small">Take back</ElButton></template>
                        </ElPopconfirm>
                    </li>
                </ul>
            </details>
        </section>
        <HandoutLinks v-if="part.part.shares && told" :part="part" :told="told" :proposals="proposals" @changed="load" />
        <section>
            <h3>On paper, as it is now</h3>
            <fieldset class="paper-choice what-choice">
                <legend class="visually-hidden">What is put on paper</legend>
                <label v-if="part.piece.rights !== 'printed-only'"><input v-model="what" type="radio" name="what" value="part"> Marked part</label>
                <label><input v-model="what" type="radio" name="what" value="sheet"> Transfer sheet</label>
                <label v-if="openQuestions > 0 && part.piece.rights !== 'printed-only'"><input v-model="what" type="radio" name="what" value="versions"> Versions A and B</label>
            </fieldset>
            <PaperChoice v-model="paper" />
            <ElCheckbox v-if="what !== 'versions' && !(part.part.shares && told)" v-model="proposals" label="With proposals, not only what is decided" />
            <template v-if="asSheet">
                <ElCheckbox v-model="reasons" label="With reasons, where one was given" />
                <LineStarts :part="part.part.id" :players="part.players" :changes="part.part.decides" />
            </template>
            <div class="row">
                <ElButton :loading="busy" @click="emit('print')">Print</ElButton>
                <ElButton :loading="busy" @click="emit('pdf')">Save PDF</ElButton>
                <a v-if="asSheet" class="el-button" :href="partSheetCsv(part.part.id, part.players, proposals)" download>CSV</a>
                <a v-else class="el-button" :href="partMusicXml(part.part.id, part.players)" download>MusicXML</a>
            </div>
            <AllParts v-if="part.siblings.length > 1" :desk="part" :what="asSheet ? 'sheet' : 'part'" :proposals="proposals" :reasons="reasons" :paper="paper" :handed-out="(told?.handouts.length ?? 0) > 0" />
        </section>
    </ElDrawer>
</template>
