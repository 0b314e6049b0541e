<script setup lang="ts">
import { ElButton, ElCheckbox, ElInputNumber } from 'element-plus'
import { reactive, ref } from 'vue'
import type { Desk } from '../api/types'
import { useAttempt } from '../components/attempt'
import type { Paper } from '../page/sheets'
import { remembered } from '../stores/remembered'
import { saveAllParts } from './all-parts'

/** All parts of the piece at once: one file for the copier with as many copies as are wanted, or an archive. */
const props = defineProps<{ desk: Desk; what: 'part' | 'sheet'; proposals: boolean; reasons: boolean; paper: Paper; handedOut: boolean }>()

const { fault, busy, attempt } = useAttempt()
const copies = reactive<Record<number, number>>(Object.fromEntries(props.desk.siblings.map(({ id }) => [id, 1])))
const told = ref('')
/** What students have, with its number and link; a transfer sheet is always of now. */
const asHandedOut = ref(true)
const numbered = remembered('number-copies', false)

const make = (as: 'pdf' | 'zip') =>
    attempt(async () => {
        await saveAllParts(props.desk, { what: props.what, proposals: props.proposals, reasons: props.reasons, paper: props.paper, handedOut: asHandedOut.value && props.handedOut && props.what === 'part', copies: { ...copies }, numbered: numbered.value, as }, (name) => (told.value = `Making ${name}…`))
        told.value = ''
    })
</script>

<template>
    <details class="all-parts">
        <summary>All parts of the piece at once</summary>
        <p class="quiet small-print">How many copies of each? A part with none is left out. The archive has one file a part.</p>
        <ElCheckbox v-if="handedOut && what === 'part'" v-model="asHandedOut" label="As handed out last, with its number and an open link" />
        <ElCheckbox v-model="numbered" label="Number the copies, for a set that comes back" />
        <ul>
            <li v-for="part in desk.siblings" :key="part.id">
                <span>{{ part.name }}</span>
                <ElInputNumber v-model="copies[part.id]" :min="0" :max="60" size="small" :aria-label="`Copies of ${part.name}`" />
            </li>
        </ul>
        <div class="row">
            <ElButton :loading="busy" @click="make('pdf')">One PDF</ElButton>
            <ElButton :loading="busy" @click="make('zip')">ZIP</ElButton>
            <span role="status">{{ told }}</span>
        </div>
        <p v-if="fault" class="error" role="alert">{{ fault }}</p>
    </details>
</template>
