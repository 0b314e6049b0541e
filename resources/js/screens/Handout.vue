<script setup lang="ts">
import { ElAlert } from 'element-plus'
import { onMounted, ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import '../style/student.css'
import { api } from '../api/client'
import type { Shared } from '../api/types'
import TopBar from '../components/TopBar.vue'
import { problemWords } from '../desk/words'
import type { Engraved } from '../page/print'
import { addressOf } from '../sharing/handout-paper'
import HandoutPage from '../sharing/HandoutPage.vue'
import { HandoutSource } from '../sharing/source'
import { speak } from '../stores/say'

/** A handout as its students have it, for the staff: to be looked at, printed and shown on the wall. */
const { params } = useRoute()
const source = new HandoutSource(`/api/handouts/${String(params.id)}`)
/** Of an open link to it: for paper. */
const address = ref<string | null>(null)
const part = shallowRef<Shared | null>(null)
const fault = ref('')
const made = new Map<number, Promise<Engraved>>()

function engraved(width: number): Promise<Engraved> {
    const view = part.value
    const there = made.get(width) ?? (view ? source.engraved(view, width) : Promise.resolve({ pages: [], asides: [], drawn: [] }))
    made.set(width, there)
    return there
}

onMounted(async () => {
    try {
        const [view, told] = await Promise.all([source.view(), api.handouts(Number(params.part))])
        const handout = told.handouts.find(({ id }) => id === Number(params.id))
        address.value = handout ? addressOf(told, handout) : null
        part.value = view
        speak(part.value.words)
        document.title = `${part.value.title}, ${part.value.part}, handout ${part.value.handout.number}`
    } catch (problem) {
        fault.value = problemWords(problem)
    }
})
</script>

<template>
    <TopBar says-saving><h1 v-if="part" class="top-title">{{ part.title }}: {{ part.part }}, handout {{ part.handout.number }}</h1></TopBar>
    <main class="student staff-handout">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <HandoutPage v-if="part" :part="part" :source="source" :address="address" :slip="null" :engraved="engraved" />
    </main>
</template>
