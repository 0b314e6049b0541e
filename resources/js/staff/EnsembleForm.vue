<script setup lang="ts">
import { ElAlert, ElButton, ElDialog, ElForm, ElFormItem, ElInput, ElOption, ElSelect } from 'element-plus'
import { ref } from 'vue'
import { useAttempt } from '../components/attempt'
import { LEVELS } from '../desk/words'

/** A name, a year and a level: for a new ensemble, for one that is changed, and for next year's. */
const props = defineProps<{ title: string; button: string; name?: string; year?: string; level?: string | null; save: (given: { name: string; year: string; level: string }) => Promise<unknown> }>()
const emit = defineEmits<{ done: []; close: [] }>()

const name = ref(props.name ?? '')
const year = ref(props.year ?? '')
const level = ref(props.level ?? 'second-year')
const { fault, busy, attempt } = useAttempt()

const submit = async () => (await attempt(() => props.save({ name: name.value, year: year.value, level: level.value }))) && emit('done')
</script>

<template>
    <ElDialog model-value :title="title" width="420px" @close="emit('close')">
        <ElForm label-position="top" @submit.prevent="submit">
            <ElFormItem label="Name" for="ensemble-name"><ElInput id="ensemble-name" v-model="name" maxlength="100" autofocus /></ElFormItem>
            <ElFormItem label="School year" for="ensemble-year"><ElInput id="ensemble-year" v-model="year" maxlength="20" placeholder="2026/27" /></ElFormItem>
            <ElFormItem v-if="level !== undefined && props.level !== null" label="Level" for="ensemble-level">
                <ElSelect id="ensemble-level" v-model="level"><ElOption v-for="(words, key) in LEVELS" :key="key" :value="key" :label="words" /></ElSelect>
            </ElFormItem>
            <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
            <ElButton type="primary" native-type="submit" :loading="busy">{{ button }}</ElButton>
        </ElForm>
    </ElDialog>
</template>
