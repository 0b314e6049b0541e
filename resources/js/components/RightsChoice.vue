<script setup lang="ts">
import { ElFormItem, ElRadio, ElRadioGroup } from 'element-plus'
import { RIGHTS, RIGHTS_MEAN } from '../desk/words'

/** What may be done with a piece: asked at every way in, in plain words. Nothing is chosen beforehand. */
const rights = defineModel<string>({ required: true })
</script>

<template>
    <ElFormItem label="May your players be shown the notes?">
        <ElRadioGroup v-model="rights" class="rights"><ElRadio v-for="(words, value) in RIGHTS" :key="value" :value="value">{{ words }}</ElRadio></ElRadioGroup>
        <p class="quiet small-print">{{ RIGHTS_MEAN[rights] ?? 'Typing or scanning a printed part does not make it yours: it may usually not be copied or posted.' }}</p>
    </ElFormItem>
</template>
