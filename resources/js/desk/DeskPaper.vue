<script setup lang="ts">
import { computed } from 'vue'
import type { Desk, Mark } from '../api/types'
import type { Flag, Pointed, ScorePage, Tracks } from '../page/score-page'
import Score from '../page/Score.vue'
import type { Trial } from './trying'

/** The paper on the desk: the engraved part with its marks, or what a fix would make of it. */
const props = defineProps<{ desk: Desk; width: number; layer: Mark[]; selected: string[]; flags: Flag[]; tracks: Tracks; trial: Trial | null; pointed: readonly Pointed[]; heard: string | null }>()
const emit = defineEmits<{ choose: [note: string, extend: boolean]; linger: [note: string]; drawn: [page: ScorePage] }>()

const group = computed(() => props.desk.groups.find(({ key }) => key === props.desk.players)?.name)

const WHAT: Record<Trial['kind'], string> = { fix: 'a fix', way: 'another fingering', carry: 'what is decided elsewhere', version: 'a version that is to settle', draft: 'another version', line: 'what the line-up offers for this part', suggestion: 'what is suggested' }
const NEXT: Partial<Record<Trial['kind'], string>> = { fix: 'V', way: 'A', version: ';' }

</script>

<template>
    <div class="desk-page" tabindex="0" role="region" aria-label="The page">
        <div class="paper">
            <header class="paper-head">
                <h2>{{ desk.piece.title }}</h2>
                <span class="paper-part">{{ desk.part.name }}{{ group ? `, ${group}` : '' }}</span>
                <span class="paper-composer">{{ desk.piece.composer }}</span>
            </header>
            <ul v-if="desk.performance.sentences.length > 0" class="not-played"><li v-for="sentence in desk.performance.sentences" :key="sentence">{{ sentence }}</li></ul>
            <Score
                :music="desk.music" :name="desk.musicName" :layer="layer" :width="width" :selected="selected" :flags="flags" :tracks="tracks" :pointed="pointed" :heard="heard" :silent="desk.performance.silent" :beside="desk.printed"
                :label="`${desk.piece.title}, ${desk.part.name}, with its marks`" @choose="(note, extend) => emit('choose', note, extend)" @linger="emit('linger', $event)" @drawn="emit('drawn', $event)"
            />
        </div>
        <p v-if="trial" class="preview-bar" role="status">
            You are looking at {{ WHAT[trial.kind] }}. Nothing is decided yet<template v-if="trial.kind === 'line'">; decide it on the line-up, for all sections at once</template><template v-else-if="trial.kind === 'suggestion'">; take it or leave it beside the page</template><template v-else>: <kbd>{{ trial.kind === 'draft' ? ';' : 'Enter' }}</kbd> {{ trial.kind === 'draft' ? 'keeps both versions' : 'takes it' }}</template><template v-if="NEXT[trial.kind]">, <kbd>{{ NEXT[trial.kind] }}</kbd> shows the next</template><template v-if="trial.kind === 'fix' || trial.kind === 'way'">, <kbd>;</kbd> keeps both</template>, <kbd>Esc</kbd> leaves.
        </p>
    </div>
</template>
