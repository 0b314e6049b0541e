<script setup lang="ts">
import { ElAlert, ElButton, ElPopconfirm, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import { api } from '../api/client'
import type { Desk, Handouts, Link } from '../api/types'
import { useAttempt } from '../components/attempt'
import OnceAddress from '../components/OnceAddress.vue'
import QrPicture from '../components/QrPicture.vue'
import { dayWords } from '../stores/days'

/** Links for students: to always the newest handout, or to one. */
const props = defineProps<{ part: Desk; told: Handouts; proposals: boolean }>()
const emit = defineEmits<{ changed: [] }>()

const LENGTHS = [
    { value: 7, label: 'Open for a week' },
    { value: 30, label: 'Open for 30 days' },
    { value: 120, label: 'Open for a term (120 days)' },
    { value: 365, label: 'Open for a year' },
]

const days = ref(30)
const to = ref<number | null>(null)
/** The link whose code is shown. */
const shown = ref<number | null>(null)
const { fault, busy, attempt } = useAttempt()

const own = computed(() => props.part.players ?? '')
const group = computed(() => props.part.groups.find(({ key }) => key === props.part.players)?.name)
const links = computed(() => props.told.links.filter(({ audience }) => audience === own.value))
const targets = computed(() => [
    { value: 0, label: 'Always the newest handout' },
    ...props.told.handouts.filter(({ audience, withdrawn }) => audience === own.value && withdrawn === null).map(({ id, number }) => ({ value: id, label: `Handout ${number} and no other` })),
])

const create = () =>
    attempt(async () => {
        const made = await api.openLink(props.part.part.id, props.part.players, days.value, to.value === 0 ? null : to.value, props.proposals)
        shown.value = made.id
        emit('changed')
    })

const close = (link: Link) =>
    attempt(async () => {
        await api.closeLink(link.id)
        emit('changed')
    })

const times = (count: number) => (count === 0 ? 'not opened yet' : count === 1 ? 'opened once' : `opened ${count} times`)
const numberOf = (id: number) => props.told.handouts.find((one) => one.id === id)?.number ?? ''
</script>

<template>
    <section>
        <h3>Links for {{ part.part.name }}{{ group ? `, ${group}` : '' }}</h3>
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <p class="quiet small-print">
            Students open it without an account and see this part only. We count openings and nothing else.{{ told.handouts.length === 0 ? ' Nothing is handed out yet: making a link hands out what is decided now.' : '' }}
        </p>
        <div class="row link-new">
            <ElSelect v-model="days" :options="LENGTHS" aria-label="How long the link stays open" class="link-days" />
            <ElSelect v-if="targets.length > 1" :model-value="to ?? 0" :options="targets" aria-label="Where the link leads" class="link-days" @update:model-value="(value: number) => (to = value)" />
            <ElButton type="primary" :loading="busy" @click="create">Make a link</ElButton>
        </div>
        <p v-if="links.length === 0" class="quiet">No link is open for this part.</p>
        <ul v-else class="links">
            <li v-for="link in links" :key="link.id">
                <div class="link-told">
                    <span>{{ link.handout === null ? 'The newest handout' : `Handout ${numberOf(link.handout)}` }}<br><small class="quiet">made {{ dayWords(link.made) }}, until {{ dayWords(link.expires) }}, {{ times(link.openings) }}</small></span>
                    <span class="row">
                        <ElButton v-if="link.address" size="small" :aria-expanded="shown === link.id" @click="shown = shown === link.id ? null : link.id">{{ shown === link.id ? 'Hide' : 'Show' }}</ElButton>
                        <ElPopconfirm title="Close it? Whoever is on line sees nothing more at once; a device that opened it before may keep this music for up to fourteen days, until it is on line again." width="280" confirm-button-text="Close the link" cancel-button-text="Keep it" @confirm="close(link)">
                            <template #reference><ElButton size="small">Close</ElButton></template>
                        </ElPopconfirm>
                    </span>
                </div>
                <div v-if="shown === link.id && link.address" class="new-link">
                    <OnceAddress :address="link.address" label="Address of the link" />
                    <QrPicture :address="link.address" />
                </div>
            </li>
        </ul>
    </section>
</template>
