<script setup lang="ts">
import { ElAlert, ElButton, ElCheckbox, ElDrawer, ElPopconfirm, ElSelect } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { api, partMusicXml, partSheetCsv } from '../api/client'
import type { Desk, Link } from '../api/types'
import { useAttempt } from '../components/attempt'
import OnceAddress from '../components/OnceAddress.vue'
import PaperChoice from '../components/PaperChoice.vue'
import type { Paper } from '../page/sheets'
import AllParts from './AllParts.vue'
import LineStarts from './LineStarts.vue'
import type { OnPaper } from './on-paper'
import { dayWords } from './words'

const props = defineProps<{ part: Desk; saving: boolean; busy: boolean; openQuestions: number }>()
const emit = defineEmits<{ print: []; pdf: [] }>()
const open = defineModel<boolean>({ required: true })
const paper = defineModel<Paper>('paper', { required: true })
const proposals = defineModel<boolean>('proposals', { required: true })
const reasons = defineModel<boolean>('reasons', { required: true })
const what = defineModel<OnPaper>('what', { required: true })

const LENGTHS = [
    { value: 7, label: 'Open for a week' },
    { value: 30, label: 'Open for 30 days' },
    { value: 120, label: 'Open for a term (120 days)' },
    { value: 365, label: 'Open for a year' },
]

const links = ref<Link[]>([])
const days = ref(30)
const address = ref('')
/** The link whose address is shown. */
const made = ref<number | null>(null)
const { fault, busy: linking, attempt } = useAttempt()
const asSheet = computed(() => what.value === 'sheet' || props.part.piece.rights === 'printed-only')
const group = computed(() => props.part.groups.find(({ key }) => key === props.part.players)?.name)

watch(open, async (now) => {
    address.value = fault.value = ''
    if (now && props.part.part.shares) {
        await attempt(async () => void (links.value = (await api.links(props.part.part.id, props.part.players)).links))
    }
})

const create = () =>
    attempt(async () => {
        const answer = await api.openLink(props.part.part.id, props.part.players, days.value)
        address.value = answer.address
        made.value = answer.link.id
        links.value = [answer.link, ...links.value]
    })

const close = (link: Link) =>
    attempt(async () => {
        await api.closeLink(link.id)
        links.value = links.value.filter(({ id }) => id !== link.id)
        address.value = made.value === link.id ? '' : address.value
    })

const times = (count: number) => (count === 0 ? 'not opened yet' : count === 1 ? 'opened once' : `opened ${count} times`)
</script>

<template>
    <ElDrawer v-model="open" title="Hand out" size="400px" class="hand-out">
        <p v-if="part.piece.rights === 'printed-only'" class="notice">
            “{{ part.piece.title }}” is a printed set only: students get the transfer sheet (what to pencil where), never the notation.
        </p>
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <section>
            <h3>On paper</h3>
            <fieldset class="paper-choice what-choice">
                <legend class="visually-hidden">What is put on paper</legend>
                <label v-if="part.piece.rights !== 'printed-only'"><input v-model="what" type="radio" name="what" value="part"> Marked part</label>
                <label><input v-model="what" type="radio" name="what" value="sheet"> Transfer sheet</label>
                <label v-if="openQuestions > 0 && part.piece.rights !== 'printed-only'"><input v-model="what" type="radio" name="what" value="versions"> Versions A and B</label>
            </fieldset>
            <PaperChoice v-model="paper" />
            <ElCheckbox v-if="what !== 'versions'" v-model="proposals" label="With proposals, not only what is decided" />
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
            <AllParts v-if="part.siblings.length > 1" :desk="part" :what="asSheet ? 'sheet' : 'part'" :proposals="proposals" :reasons="reasons" :paper="paper" />
            <p v-if="saving" class="quiet small-print">Decisions are still on their way; MusicXML and links carry them once they are saved.</p>
        </section>
        <section v-if="part.part.shares">
            <h3>A link for {{ part.part.name }}{{ group ? `, ${group}` : '' }}</h3>
            <p class="quiet small-print">
                Students open it without an account and see this part only. We count openings and nothing else.
            </p>
            <div class="row">
                <ElSelect v-model="days" :options="LENGTHS" aria-label="How long the link stays open" class="link-days" />
                <ElButton type="primary" :loading="linking" @click="create">Make a link</ElButton>
            </div>
            <div v-if="address" class="new-link">
                <p><strong>Copy it now:</strong> the address is shown this once.</p>
                <OnceAddress :address="address" label="Address of the new link" />
            </div>
        </section>
        <section v-if="part.part.shares">
            <h3>Open links</h3>
            <p v-if="links.length === 0" class="quiet">No link is open for this part.</p>
            <ul v-else class="links">
                <li v-for="link in links" :key="link.id">
                    <span>Made {{ dayWords(link.made) }}<br><small class="quiet">until {{ dayWords(link.expires) }}, {{ times(link.openings) }}</small></span>
                    <ElPopconfirm title="Close it? Whoever has the address sees nothing more." width="240" confirm-button-text="Close the link" cancel-button-text="Keep it" @confirm="close(link)">
                        <template #reference><ElButton size="small">Close</ElButton></template>
                    </ElPopconfirm>
                </li>
            </ul>
        </section>
    </ElDrawer>
</template>
