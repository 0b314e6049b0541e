<script setup lang="ts">
import { ElAlert, ElButton, ElCheckbox, ElInput, ElInputNumber } from 'element-plus'
import { ref } from 'vue'
import { api } from '../api/client'
import type { Piece } from '../api/types'
import { useAttempt } from '../components/attempt'
import { say } from '../stores/say'
import { dayWords } from '../stores/days'

/** Tempos for practice, bowings that somebody from outside prescribes, and a piece that is done. */
const props = defineProps<{ piece: Piece }>()
const emit = defineEmits<{ changed: [] }>()

const practice = ref<number | null>(props.piece.practice)
const passages = ref<Record<string, number | null>>({ ...props.piece.practiceOf })
const by = ref('')
const { fault, busy, attempt } = useAttempt()

async function doing(work: () => Promise<unknown>): Promise<void> {
    if (await attempt(work)) {
        emit('changed')
    }
}

const saveTempos = () => doing(() => api.changePiece(props.piece.id, { practice: { tempo: practice.value, passages: Object.fromEntries(Object.entries(passages.value).filter((one): one is [string, number] => typeof one[1] === 'number')) } }))
</script>

<template>
    <section class="piece-settled">
        <h2>Tempo for practice</h2>
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <p class="quiet small-print">{{ say('Quarters a minute') }}. Students play along in it, plans reckon with it; the concert stays at {{ piece.tempo ?? piece.written }}.</p>
        <form @submit.prevent="saveTempos">
            <label class="row"><span>All of it</span><ElInputNumber :model-value="practice ?? undefined" :min="20" :max="300" :value-on-clear="null" aria-label="Tempo for practice" @update:model-value="(tempo) => (practice = tempo ?? null)" /></label>
            <label v-for="one in piece.passages" :key="one.name" class="row"><span>{{ one.name }} <span class="quiet">{{ one.from }}–{{ one.to }}</span></span><ElInputNumber :model-value="passages[one.name] ?? undefined" :min="20" :max="300" :value-on-clear="null" :aria-label="`Tempo for practice of ${one.name}`" @update:model-value="(tempo) => (passages[one.name] = tempo ?? null)" /></label>
            <ElButton native-type="submit" :loading="busy">Save the tempos</ElButton>
        </form>
        <h2>Prescribed bowings</h2>
        <p v-if="piece.prescribedBy" class="notice">{{ piece.prescribedBy }} prescribes how it is bowed: what was decided of the bow then stays. <ElButton size="small" @click="doing(() => api.liftPrescription(piece.id))">Lift it</ElButton></p>
        <form v-else class="row" @submit.prevent="doing(() => api.prescribe(piece.id, by))"><ElInput v-model="by" maxlength="100" placeholder="A festival, a guest conductor" aria-label="Who prescribes it" /><ElButton native-type="submit" :disabled="by.trim() === ''" :loading="busy">Lock the bowings as they are</ElButton></form>
        <template v-if="piece.printIsMine !== null">
            <h2>Printed fingers and bowings</h2>
            <ElCheckbox :model-value="piece.printIsMine" label="They are mine: they tell how I mark" @change="(is) => doing(() => api.changePiece(piece.id, { printIsMine: is === true }))" />
        </template>
        <h2>Final</h2>
        <p class="row"><span>{{ piece.final ? `Nothing is decided in it any more, since ${dayWords(piece.final)}.` : 'When all is settled, nothing changes by a slip of a key.' }}</span><ElButton :loading="busy" @click="doing(() => api.changePiece(piece.id, { final: piece.final === null }))">{{ piece.final ? 'Take that back' : 'This piece is final' }}</ElButton></p>
    </section>
</template>
