<script lang="ts">
import type { Role } from '../api/types'

export interface Chosen {
    email: string
    role: Role
    decides: boolean
    parts: number[]
}
</script>

<script setup lang="ts">
import { ElButton, ElDialog, ElForm, ElFormItem, ElInput, ElOption, ElOptionGroup, ElRadioButton, ElRadioGroup, ElSelect, ElSwitch } from 'element-plus'
import { ref } from 'vue'
import type { May, Member, PieceParts } from '../api/types'
import { ROLES } from './words'

/** What somebody is to be in an ensemble. */
const props = defineProps<{ title: string; button: string; pieces: PieceParts[]; may: May[]; asksEmail?: boolean; member?: Member }>()
const emit = defineEmits<{ choose: [Chosen]; close: [] }>()

const chosen = ref<Chosen>({ email: '', role: props.member?.role ?? 'co-teacher', decides: props.member?.decides ?? true, parts: [...(props.member?.parts ?? [])] })

const mayWords = () => props.may.find(({ role, decides }) => role === chosen.value.role && (role === 'director' || decides === chosen.value.decides))?.what.join('; ') ?? ''
</script>

<template>
    <ElDialog model-value :title="title" width="460px" @close="emit('close')">
        <ElForm label-position="top" @submit.prevent="emit('choose', chosen)">
            <ElFormItem v-if="asksEmail" label="E-mail" for="invited-email"><ElInput id="invited-email" v-model="chosen.email" type="email" autocomplete="off" autofocus /></ElFormItem>
            <ElFormItem label="As">
                <ElRadioGroup v-model="chosen.role" aria-label="As">
                    <ElRadioButton v-for="(words, role) in ROLES" :key="role" :value="role">{{ words }}</ElRadioButton>
                </ElRadioGroup>
            </ElFormItem>
            <ElFormItem v-if="chosen.role !== 'director'"><ElSwitch v-model="chosen.decides" active-text="decides" inactive-text="looks and suggests" aria-label="Decides" /></ElFormItem>
            <ElFormItem v-if="chosen.role === 'coach'" label="For these parts" for="coach-parts">
                <ElSelect id="coach-parts" v-model="chosen.parts" multiple filterable placeholder="Name the parts">
                    <ElOptionGroup v-for="piece in pieces" :key="piece.title" :label="piece.title">
                        <ElOption v-for="part in piece.parts" :key="part.id" :value="part.id" :label="`${piece.title}: ${part.name}`" />
                    </ElOptionGroup>
                </ElSelect>
            </ElFormItem>
            <p class="quiet small-print">That is: {{ mayWords() }}.</p>
            <ElButton type="primary" native-type="submit">{{ button }}</ElButton>
        </ElForm>
    </ElDialog>
</template>
