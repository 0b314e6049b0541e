<script setup lang="ts">
import { ElAlert, ElButton, ElDialog, ElForm, ElFormItem, ElOption, ElRadio, ElRadioGroup, ElSelect } from 'element-plus'
import { onMounted, ref } from 'vue'
import { api } from '../api/client'
import type { ShelfEnsemble, ShelfPiece } from '../api/types'
import { useAttempt } from '../components/attempt'

/** A piece goes to another ensemble, or a copy of it does. */
const props = defineProps<{ piece: ShelfPiece }>()
const emit = defineEmits<{ done: []; close: [] }>()

const ensembles = ref<ShelfEnsemble[]>([])
const to = ref<number | undefined>(undefined)
const how = ref<'move' | 'decided' | 'print'>('decided')
const { fault, busy, attempt } = useAttempt()

onMounted(() =>
    attempt(async () => {
        ensembles.value = (await api.shelf()).ensembles.filter(({ directs, putAway }) => directs && !putAway)
        to.value = ensembles.value.find(({ pieces }) => !pieces.some(({ id }) => id === props.piece.id))?.id
    }),
)

const bring = async () => (await attempt(() => api.bringPiece(props.piece.id, to.value ?? 0, how.value))) && emit('done')
</script>

<template>
    <ElDialog model-value :title="`Bring “${piece.title}” to another ensemble`" width="460px" @close="emit('close')">
        <ElForm label-position="top" @submit.prevent="bring">
            <ElFormItem label="To" for="piece-to">
                <ElSelect id="piece-to" v-model="to" placeholder="Choose the ensemble"><ElOption v-for="ensemble in ensembles" :key="ensemble.id" :value="ensemble.id" :label="[ensemble.name, ensemble.year].filter(Boolean).join(', ')" /></ElSelect>
            </ElFormItem>
            <ElRadioGroup v-model="how" aria-label="How" class="upright">
                <ElRadio value="decided">A copy with what is decided</ElRadio>
                <ElRadio value="print">A copy with the print only</ElRadio>
                <ElRadio value="move">Move it there, links and all</ElRadio>
            </ElRadioGroup>
            <p v-if="how === 'move'" class="quiet small-print">Coaches who were named for its parts here see them no more.</p>
            <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
            <ElButton type="primary" native-type="submit" :loading="busy" :disabled="to === undefined">Bring it there</ElButton>
        </ElForm>
    </ElDialog>
</template>
