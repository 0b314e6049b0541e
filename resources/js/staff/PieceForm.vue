<script setup lang="ts">
import { ElAlert, ElButton, ElDialog, ElForm, ElFormItem, ElInput, ElOption, ElSelect } from 'element-plus'
import { ref } from 'vue'
import { api } from '../api/client'
import type { ShelfPiece } from '../api/types'
import { useAttempt } from '../components/attempt'
import { RIGHTS } from '../desk/words'

const props = defineProps<{ piece: ShelfPiece }>()
const emit = defineEmits<{ done: []; close: [] }>()

const SCHOOLS = { 'strong-beat': 'Down on strong beats', 'as-it-comes': 'As it comes', paired: 'Paired: three beats down, up-up' }

const given = ref({ title: props.piece.title, composer: props.piece.composer, rights: props.piece.rights, bowing: props.piece.bowing })
const { fault, busy, attempt } = useAttempt()

const save = async () => (await attempt(() => api.changePiece(props.piece.id, given.value))) && emit('done')
</script>

<template>
    <ElDialog model-value title="Name and rights" width="440px" @close="emit('close')">
        <ElForm label-position="top" @submit.prevent="save">
            <ElFormItem label="Title" for="piece-title"><ElInput id="piece-title" v-model="given.title" maxlength="200" autofocus /></ElFormItem>
            <ElFormItem label="Composer" for="piece-composer"><ElInput id="piece-composer" v-model="given.composer" maxlength="200" /></ElFormItem>
            <ElFormItem label="Rights" for="piece-rights">
                <ElSelect id="piece-rights" v-model="given.rights"><ElOption v-for="(words, key) in RIGHTS" :key="key" :value="key" :label="words" /></ElSelect>
                <p v-if="given.rights !== piece.rights" class="quiet small-print">Links that are open show it so at once.</p>
            </ElFormItem>
            <ElFormItem label="School of bowing" for="piece-bowing">
                <ElSelect id="piece-bowing" v-model="given.bowing"><ElOption v-for="(words, key) in SCHOOLS" :key="key" :value="key" :label="words" /></ElSelect>
                <p v-if="given.bowing !== piece.bowing" class="quiet small-print">What is proposed changes; what you decided stays.</p>
            </ElFormItem>
            <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
            <ElButton type="primary" native-type="submit" :loading="busy">Save</ElButton>
        </ElForm>
    </ElDialog>
</template>
