<script setup lang="ts">
import { ElAlert, ElButton, ElTable, ElTableColumn } from 'element-plus'
import { onMounted, ref } from 'vue'
import { api } from '../api/client'
import type { Audited } from '../api/types'
import { useAttempt } from '../components/attempt'
import { whenWords } from '../stores/days'

/** Who signed in, asked in, handed out and took away, the newest first. */
const { school } = defineProps<{ school: number }>()
const events = ref<Audited[]>([])
const more = ref(false)
const { fault, busy, attempt } = useAttempt()

/** As many as come at once. */
const A_PAGE = 100

const load = (before?: number) =>
    attempt(async () => {
        const next = (await api.audit(school, before)).events
        events.value = before === undefined ? next : [...events.value, ...next]
        more.value = next.length === A_PAGE
    })

onMounted(() => load())
</script>

<template>
    <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
    <ElTable :data="events" row-key="id" size="small" max-height="340" empty-text="Nothing yet." class="audit">
        <ElTableColumn label="When" width="136"><template #default="{ row }">{{ whenWords((row as Audited).at) }}</template></ElTableColumn>
        <ElTableColumn label="Who did what" min-width="200">
            <template #default="{ row }">{{ (row as Audited).by }} {{ (row as Audited).what }}<template v-if="(row as Audited).about"><br><span class="quiet">{{ (row as Audited).about }}</span></template></template>
        </ElTableColumn>
    </ElTable>
    <ElButton v-if="more" size="small" :loading="busy" @click="load(events.at(-1)?.id)">Earlier ones</ElButton>
</template>
