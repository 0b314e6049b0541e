<script setup lang="ts">
import { computed } from 'vue'
import { useQueue } from './queue'

/** What is said about saving is true for the whole application: for every part, whatever screen is open. */
const props = defineProps<{
    /** Says nothing while there is nothing to say. */
    quiet?: boolean
}>()

const queue = useQueue()
const many = (count: number) => (count === 1 ? '1 decision' : `${count} decisions`)

const words = computed(() => {
    switch (queue.saving) {
        case 'saved':
            return props.quiet ? '' : 'All decisions are saved'
        case 'saving':
            return `Saving ${many(queue.waiting.length)}…`
        case 'waiting':
            return `${many(queue.waiting.length)} not saved yet; trying again`
        case 'signed-out':
            return `Signed out; sign in to save ${many(queue.waiting.length)}`
        default:
            return `${many(queue.aside.length)} set aside: say what becomes of ${queue.aside.length === 1 ? 'it' : 'them'}`
    }
})
</script>

<template>
    <span v-if="words !== ''" class="save-state" :class="queue.saving" role="status" :title="queue.trouble">{{ words }}</span>
</template>
