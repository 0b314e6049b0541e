<script setup lang="ts">
import { computed } from 'vue'
import type { Decision, NoteInfo } from '../api/types'
import { spoken, type Command } from './keys'
import { bowWords, placeWords } from './words'

const props = defineProps<{ note: NoteInfo | null; span: string; commands: Command[]; waiting: Decision[] }>()

const rows = computed(() => (['Bow', 'Finger'] as const).map((group) => props.commands.filter((command) => command.group === group)))
const decided = computed(() => {
    const words: Record<string, string> = { direction: 'bow', action: 'bow action', finger: 'finger', placement: 'placement', string: 'string', position: 'position', place: 'place', times: 'changes', desks: 'desks', bowMark: 'bow mark hidden', fingerMark: 'finger mark hidden' }
    return (props.note?.decided ?? []).map((field) => words[field] ?? field)
})
</script>

<template>
    <section class="note-card" aria-label="The selected note" aria-live="polite">
        <template v-if="note">
            <h2>
                <span class="note-pitch">{{ note.pitch ?? 'Unpitched' }}</span>
                <span class="quiet">{{ placeWords(note) }}</span>
            </h2>
            <dl>
                <div v-if="span"><dt>Span</dt><dd>{{ span }}</dd></div>
                <div><dt>Bow</dt><dd>{{ bowWords(note) }}</dd></div>
                <div>
                    <dt>Finger</dt>
                    <dd v-if="note.finger"><span class="hand">{{ note.finger }}</span> on {{ note.string }}<template v-if="note.position">, position {{ note.position }}</template></dd>
                    <dd v-else>none found</dd>
                </div>
                <div>
                    <dt>Decided</dt>
                    <dd>{{ waiting.length > 0 ? 'being saved…' : decided.length > 0 ? decided.join(', ') : 'nothing; worked out for this class' }}</dd>
                </div>
            </dl>
            <p v-for="reason in note.reasons" :key="reason" class="reason">{{ reason }}</p>
            <div v-for="(buttons, row) in rows" :key="row" class="note-buttons">
                <button v-for="command in buttons" :key="command.label" type="button" :class="{ numeral: command.short === '' }" :title="command.label" :aria-label="command.label" @click="command.run">
                    <kbd>{{ spoken(command.keys[0] ?? '') }}</kbd><span v-if="command.short !== ''">{{ command.short ?? command.label }}</span>
                </button>
            </div>
        </template>
        <p v-else class="quiet">Choose a note on the page, or press <kbd>→</kbd>.</p>
    </section>
</template>
