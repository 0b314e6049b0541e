<script setup lang="ts">
import SaveState from '../record/SaveState.vue'
import type { DeskCommand } from '../marks/hands'
import { spoken } from '../marks/keys'

/** The strip at the foot: whether everything is saved, what the keys do, and the way back. */
defineProps<{ commands: DeskCommand[]; canUndo: boolean; canRedo: boolean; playing: boolean }>()
const emit = defineEmits<{ hear: []; lookBack: []; undo: []; redo: []; keys: [] }>()
</script>

<template>
    <footer class="lip">
        <SaveState />
        <span class="hints">
            <span v-for="command in commands.filter(({ hint }) => hint)" :key="command.label"><kbd v-for="key in command.keys.slice(0, 2)" :key="key">{{ spoken(key) }}</kbd>{{ command.hint }}</span>
        </span>
        <span class="legend"><span class="decided-sample">decided</span><span class="proposed-sample">proposed</span></span>
        <button type="button" :aria-pressed="playing" @click="emit('hear')"><kbd aria-hidden="true">Space</kbd>Hear it</button>
        <button type="button" @click="emit('lookBack')"><kbd aria-hidden="true">⇧Z</kbd>Look back</button>
        <button type="button" :disabled="!canUndo" @click="emit('undo')"><kbd aria-hidden="true">Z</kbd>Undo</button>
        <button type="button" :disabled="!canRedo" @click="emit('redo')"><kbd aria-hidden="true">Y</kbd>Redo</button>
        <button type="button" @click="emit('keys')"><kbd aria-hidden="true">?</kbd>Keys</button>
    </footer>
</template>
