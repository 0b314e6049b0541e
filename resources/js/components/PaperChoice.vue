<script setup lang="ts">
import { PAPERS, type Paper } from '../page/sheets'

const paper = defineModel<Paper>({ required: true })
const papers = Object.entries(PAPERS) as [Paper, { name: string }][]
</script>

<template>
    <fieldset class="paper-choice">
        <legend class="visually-hidden">Paper</legend>
        <label v-for="[id, { name }] in papers" :key="id">
            <input v-model="paper" type="radio" name="paper" :value="id"> {{ name }}
        </label>
    </fieldset>
</template>
