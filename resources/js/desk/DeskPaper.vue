<script setup lang="ts">
import { computed } from 'vue'
import type { Desk, Mark } from '../api/types'
import type { Flag, ScorePage, Tracks } from '../page/score-page'
import Score from '../page/Score.vue'
import type { Trial } from './trying'

/** The paper on the desk: the engraved part with its marks, or what a fix would make of it. */
const props = defineProps<{ desk: Desk; layer: Mark[]; selected: string[]; flags: Flag[]; tracks: Tracks; trial: Trial | null }>()
const emit = defineEmits<{ choose: [note: string, extend: boolean]; drawn: [page: ScorePage] }>()

const group = computed(() => props.desk.groups.find(({ id }) => id === props.desk.players)?.name)

/** A line of music on A4 with 15 mm at each side. */
const LINE_WIDTH = 1800
</script>

<template>
    <div class="desk-page" tabindex="-1">
        <div class="paper">
            <header class="paper-head">
                <h2>{{ desk.piece.title }}</h2>
                <span class="paper-part">{{ desk.part.name }}{{ group ? `, ${group}` : '' }}</span>
                <span class="paper-composer">{{ desk.piece.composer }}</span>
            </header>
            <ul v-if="desk.performance.sentences.length > 0" class="not-played"><li v-for="sentence in desk.performance.sentences" :key="sentence">{{ sentence }}</li></ul>
            <Score
                :music="desk.music" :name="desk.musicName" :layer="layer" :width="LINE_WIDTH" :selected="selected" :flags="flags" :tracks="tracks" :silent="desk.performance.silent"
                :label="`${desk.piece.title}, ${desk.part.name}, with its marks`" @choose="(note, extend) => emit('choose', note, extend)" @drawn="emit('drawn', $event)"
            />
        </div>
        <p v-if="trial" class="preview-bar" role="status">
            You are looking at {{ trial.kind === 'fix' ? 'a fix' : 'another fingering' }}. Nothing is decided yet: <kbd>Enter</kbd> takes it, <kbd>{{ trial.kind === 'fix' ? 'V' : 'A' }}</kbd> shows the next, <kbd>Esc</kbd> leaves.
        </p>
    </div>
</template>
