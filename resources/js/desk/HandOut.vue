<script setup lang="ts">
import { ElAlert, ElButton, ElCheckbox, ElDrawer, ElPopconfirm, ElSelect } from 'element-plus'
import { computed, ref, watch } from 'vue'
import { api, partMusicXml } from '../api/client'
import type { Desk, Link } from '../api/types'
import { useAttempt } from '../components/attempt'
import OnceAddress from '../components/OnceAddress.vue'
import PaperChoice from '../components/PaperChoice.vue'
import type { Paper } from '../page/sheets'
import { dayWords } from './words'

const props = defineProps<{ part: Desk; saving: boolean }>()
const emit = defineEmits<{ print: []; pdf: [] }>()
const open = defineModel<boolean>({ required: true })
const paper = defineModel<Paper>('paper', { required: true })
const proposals = defineModel<boolean>('proposals', { required: true })

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
const { fault, busy, attempt } = useAttempt()
const group = computed(() => props.part.groups.find(({ id }) => id === props.part.players)?.name)

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
            <PaperChoice v-model="paper" />
            <ElCheckbox v-if="part.piece.rights !== 'printed-only'" v-model="proposals" label="With proposals, not only what is decided" />
            <div class="row">
                <ElButton @click="emit('print')">Print</ElButton>
                <ElButton @click="emit('pdf')">Save PDF</ElButton>
                <a class="el-button" :href="partMusicXml(part.part.id, part.players)" download>MusicXML</a>
            </div>
            <p v-if="saving" class="quiet small-print">Decisions are still on their way; MusicXML and links carry them once they are saved.</p>
        </section>
        <section v-if="part.part.shares">
            <h3>A link for {{ part.part.name }}{{ group ? `, ${group}` : '' }}</h3>
            <p class="quiet small-print">
                Students open it without an account and see this part only. We count openings and nothing else.
            </p>
            <div class="row">
                <ElSelect v-model="days" :options="LENGTHS" aria-label="How long the link stays open" class="link-days" />
                <ElButton type="primary" :loading="busy" @click="create">Make a link</ElButton>
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
