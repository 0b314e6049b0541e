<script setup lang="ts">
import { ElAlert, ElButton, ElInput, ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import { api } from '../api/client'
import type { Passage, Piece } from '../api/types'
import { useAttempt } from '../components/attempt'

/** The stretches in which a piece is talked about: its letters first, then what its director makes of them. */
const props = defineProps<{ piece: Piece }>()
const emit = defineEmits<{ changed: [] }>()

const passages = ref<Passage[]>(props.piece.passages.map((one) => ({ ...one })))
const { fault, busy, attempt } = useAttempt()
const same = computed(() => JSON.stringify(passages.value) === JSON.stringify(props.piece.passages))

const keep = async (wanted: Passage[] | null) => (await attempt(() => api.keepPassages(props.piece.id, wanted))) && emit('changed')
const add = () => passages.value.push({ name: '', from: passages.value.at(-1)?.to ?? props.piece.measures[0] ?? '', to: props.piece.measures.at(-1) ?? '' })
</script>

<template>
    <section>
        <h2>Passages</h2>
        <p v-if="passages.length === 0" class="quiet small-print">There are no rehearsal letters in the print. Name the stretches that you will talk about.</p>
        <p v-else-if="!piece.ownPassages && same" class="quiet small-print">From its rehearsal letters. Change one, and the list is yours.</p>
        <ul class="order-lines passages">
            <li v-for="(passage, index) in passages" :key="index">
                <ElInput v-model="passage.name" maxlength="100" aria-label="Name of the passage" placeholder="Name" />
                <ElSelect v-model="passage.from" filterable :aria-label="`First measure of ${passage.name}`"><ElOption v-for="(measure, at) in piece.measures" :key="at" :value="measure" :label="measure" /></ElSelect>
                <span>to</span>
                <ElSelect v-model="passage.to" filterable :aria-label="`Last measure of ${passage.name}`"><ElOption v-for="(measure, at) in piece.measures" :key="at" :value="measure" :label="measure" /></ElSelect>
                <ElButton size="small" :aria-label="`Take off ${passage.name}`" @click="passages.splice(index, 1)">Take off</ElButton>
            </li>
        </ul>
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <div class="row">
            <ElButton size="small" @click="add">New passage</ElButton>
            <ElButton v-if="!same" type="primary" size="small" :loading="busy" @click="keep(passages)">Keep these passages</ElButton>
            <ElButton v-if="piece.ownPassages && same" size="small" @click="keep(null)">The letters again</ElButton>
        </div>
    </section>
</template>
