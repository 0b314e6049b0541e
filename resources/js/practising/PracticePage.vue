<script setup lang="ts">
import { computed } from 'vue'
import type { PracticeSheet } from '../api/types'
import type { Paper } from '../page/sheets'
import { tableSheets } from '../page/table-sheet'
import MusicSheet from './MusicSheet.vue'
import { timeOf } from './words'

/** A sheet to practise from: its steps in words and its notes; for staff and students. */
const props = defineProps<{ sheet: PracticeSheet; title: string; part: string; ensemble: string; width: number }>()

const cautions = computed(() => [...new Set(props.sheet.steps.flatMap(({ caution }) => (caution ? [caution] : [])))])
const heading = computed(() => ({ title: props.title, composer: '', part: props.part, ensemble: props.ensemble, told: [`Practice for ${props.sheet.title.toLowerCase()}, ${timeOf(props.sheet.seconds)} with rests. Stop if it hurts, and tell your teacher.`] }))
const rows = () => props.sheet.steps.map((step, index) => [`${index + 1}`, step.title, `${step.say} ${step.goOn}`, `${step.pace}${step.times > 1 ? `, ${step.times}×` : ''}`])
const words = (size: Paper) => tableSheets([{ title: '', share: 0.05, bold: true }, { title: 'Step', share: 0.25, bold: true }, { title: 'How', share: 0.5 }, { title: 'Tempo', share: 0.2 }], rows(), size, heading.value)
</script>

<template>
    <MusicSheet :music="sheet.music" :heard="sheet.heard" :hand="sheet.hand" :heading="heading" :label="`Practice for ${sheet.title}`" :width="width" :words="words">
        <template #head><p><strong>{{ sheet.title }}</strong>, {{ timeOf(sheet.seconds) }} with rests</p></template>
        <template #tools><slot /></template>
        <ol class="practice-steps">
            <li v-for="(step, index) in sheet.steps" :key="index">
                <strong>{{ step.title }}</strong> <span class="quiet">{{ step.pace }}{{ step.times > 1 ? `, ${step.times} times` : '' }}; {{ timeOf(step.seconds) }}</span><br>
                {{ step.say }} <em>{{ step.goOn }}</em>
            </li>
        </ol>
        <p v-for="caution in cautions" :key="caution" class="notice caution">{{ caution }}</p>
    </MusicSheet>
</template>
