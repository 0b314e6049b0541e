<script setup lang="ts">
import { ElButton } from 'element-plus'
import { computed } from 'vue'
import type { Note } from '../api/types'
import { decisionWords } from '../desk/words'
import { useDesk } from '../stores/desk'
import { useQueue } from './queue'
import { timeWords } from '../stores/days'

/** What the server refused of this part, with its words and the reason; and what its record holds that is not understood. */
const desk = useDesk()
const queue = useQueue()

const notes = computed(() => new Map<string, Note>(desk.notes.map((note) => [note.id, note])))
const spoken = (decisions: readonly Parameters<typeof decisionWords>[0][]) => decisions.map((decision) => decisionWords(decision, notes.value)).join('; ')
const skipped = computed(() => desk.marking?.skipped ?? [])
const them = computed(() => (desk.aside.length === 1 ? 'it' : 'them'))
</script>

<template>
    <section v-if="desk.aside.length > 0" class="notice set-aside" role="alert">
        <h2>Not on this page yet</h2>
        <ul>
            <li v-for="entry in desk.aside" :key="entry.key">
                <p>{{ entry.aside?.message }}</p>
                <p v-if="entry.kind === 'decide'"><strong>Yours:</strong> {{ spoken(entry.decisions ?? []) }}.</p>
                <p v-else><strong>Yours:</strong> {{ entry.kind }}.</p>
                <p v-for="their in entry.aside?.theirs" :key="their.at"><strong>{{ their.by }}, {{ timeWords(their.at) }}:</strong> {{ spoken(their.decisions) }}.</p>
            </li>
        </ul>
        <div class="row">
            <ElButton size="small" type="primary" @click="desk.settle(true)">Put {{ them }} on this page</ElButton>
            <ElButton size="small" @click="desk.settle(false)">Let {{ them }} go</ElButton>
        </div>
    </section>
    <p v-if="!queue.keeps && queue.waiting.length > 0" class="notice error" role="alert">This browser keeps nothing. What is not saved yet is lost when the page is closed.</p>
    <p v-if="queue.saving === 'waiting' && queue.trouble" class="notice" role="status">{{ queue.trouble }} Your decisions are kept and sent again by themselves. <button type="button" class="link" @click="queue.retry()">Try now</button></p>
    <details v-if="skipped.length > 0" class="notice">
        <summary>{{ skipped.length === 1 ? 'One entry' : `${skipped.length} entries` }} of this part’s record {{ skipped.length === 1 ? 'is' : 'are' }} not understood and left out.</summary>
        <p v-for="{ why } in skipped" :key="why">{{ why }}</p>
    </details>
</template>
