<script setup lang="ts">
import type { Question } from '../api/types'
import { say } from '../stores/say'
import type { useSettling } from './settling'

/** What is kept in two or more versions: looked at, played, one of them taken; and what was settled before. */
const props = defineProps<{ settling: ReturnType<typeof useSettling>; decides: boolean }>()
const emit = defineEmits<{ take: [question: Question, version: string]; go: [note: string] }>()

const { open, settled, current, version } = props.settling
const where = ({ measure, to }: Question) => say(measure === to ? `Measure ${measure}` : `Measures ${measure} to ${to}`)

function show(question: Question, place: number): void {
    if (question.notes[0] !== undefined) {
        emit('go', question.notes[0])
    }
    props.settling.look(question.id, place)
}
</script>

<template>
    <section v-if="open.length + settled.length > 0" class="settle" aria-label="To settle">
        <h2>To settle <span class="count">{{ open.length }}</span></h2>
        <ul>
            <li v-for="question in open" :key="question.id" :class="{ current: question.id === current }">
                <strong>{{ where(question) }}</strong>
                <span v-if="question.listen" class="finding-message">{{ question.listen }}</span>
                <div v-for="(one, place) in question.versions" :key="one.name" class="fix-row" :class="{ previewed: question.id === current && version?.name === one.name }">
                    <button type="button" class="look" :aria-pressed="question.id === current && version?.name === one.name" @click="show(question, place)"><kbd v-if="place === 0">;</kbd>Version {{ one.name }}</button>
                    <button v-if="decides" type="button" class="fix" @click="emit('take', question, one.name)"><kbd v-if="question.id === current && version?.name === one.name">Enter</kbd>Take {{ one.name }}</button>
                </div>
            </li>
        </ul>
        <details v-if="settled.length > 0" class="plan-notes">
            <summary>Settled before <span class="count">{{ settled.length }}</span></summary>
            <ul>
                <li v-for="question in settled" :key="question.id">
                    <strong>{{ where(question) }}</strong> <span class="finding-message">{{ question.taken }} was taken{{ question.listen ? `; ${question.listen}` : '' }}</span>
                    <div v-for="(one, place) in question.versions" :key="one.name" class="fix-row">
                        <button type="button" class="look" @click="show(question, place)">Look at {{ one.name }}</button>
                        <button v-if="decides && one.name !== question.taken" type="button" class="fix" @click="emit('take', question, one.name)">Take {{ one.name }} instead</button>
                    </div>
                </li>
            </ul>
        </details>
    </section>
</template>
