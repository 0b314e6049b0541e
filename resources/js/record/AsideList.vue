<script setup lang="ts">
import { ElButton } from 'element-plus'
import { computed } from 'vue'
import { decisionWords } from '../desk/words'
import { useQueue } from './queue'
import { timeWords } from '../stores/days'

/** Everything that was set aside, also for parts that cannot be opened any more. */
const queue = useQueue()
const nothing = new Map<string, never>()

const parts = computed(() => {
    const byPart = new Map<number, typeof queue.aside>()
    queue.aside.forEach((entry) => byPart.set(entry.part, [...(byPart.get(entry.part) ?? []), entry]))
    return [...byPart]
})
</script>

<template>
    <section v-if="parts.length > 0" class="notice error set-aside" aria-label="Set aside">
        <h2>Not in any part yet</h2>
        <ul>
            <li v-for="[part, entries] in parts" :key="part">
                <p v-for="entry in entries" :key="entry.key">{{ timeWords(new Date(entry.at).toISOString()) }}: {{ (entry.decisions ?? []).map((decision) => decisionWords(decision, nothing)).join('; ') || entry.kind }}. {{ entry.aside?.message }}</p>
                <div class="row">
                    <RouterLink class="el-button el-button--small" :to="`/parts/${part}`">Open the part and decide</RouterLink>
                    <ElButton size="small" @click="queue.letGo(...entries.map(({ key }) => key))">Let {{ entries.length === 1 ? 'it' : 'them' }} go</ElButton>
                </div>
            </li>
        </ul>
    </section>
</template>
