<script setup lang="ts">
import { computed } from 'vue'
import type { Decision, Instead, NoteInfo } from '../api/types'
import { spoken, type Command } from './keys'
import { bowWords, placeWords } from './words'

const props = defineProps<{ note: NoteInfo | null; span: string; commands: Command[]; waiting: Decision[]; instead: Instead | null | undefined }>()
const emit = defineEmits<{ take: [fields: { finger: number; string: string; placement: string }] }>()

const rows = computed(() => (['Bow', 'Finger'] as const).map((group) => props.commands.filter((command) => command.group === group)))
const other = computed(() => props.instead?.notes.find(({ id }) => id === props.note?.id) ?? null)
const otherWords = computed(() => {
    const way = other.value
    return way ? `${way.finger === 0 ? 'open' : `${['low', 'high', 'extended', 'harmonic'].includes(way.placement) ? `${way.placement} ` : ''}${way.finger}`} on ${way.string}` : ''
})
const decided = computed(() => {
    const words: Record<string, string> = { direction: 'bow', action: 'bow action', finger: 'finger', placement: 'placement', string: 'string', position: 'position', place: 'place', times: 'changes', desks: 'desks', bowMark: 'bow mark hidden', slide: 'slide', bar: 'bar', stay: 'finger stays down', choice: '0 or 4', fingerMark: 'finger mark hidden' }
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
            <div v-if="instead === null" class="why">There is no other way to finger this note.</div>
            <div v-else-if="instead && other" class="why">
                <p><strong>Why not {{ otherWords }}?</strong> It would cost {{ instead.extra.toFixed(1) }} more.</p>
                <ul>
                    <li v-for="cost in instead.costs.slice(0, 3)" :key="cost">{{ cost }}</li>
                    <li v-for="gain in instead.gains.slice(0, 2)" :key="gain" class="gain">{{ gain }}</li>
                </ul>
                <button type="button" @click="emit('take', { finger: other.finger, string: other.string, placement: other.placement })">Use {{ otherWords }}</button>
            </div>
            <p v-for="reason in note.reasons" :key="reason" class="reason">{{ reason }}</p>
            <slot />
            <div v-for="(buttons, row) in rows" :key="row" class="note-buttons">
                <button v-for="command in buttons" :key="command.label" type="button" :class="{ numeral: command.short === '' }" :title="command.label" :aria-label="command.label" @click="command.run">
                    <kbd>{{ spoken(command.keys[0] ?? '') }}</kbd><span v-if="command.short !== ''">{{ command.short ?? command.label }}</span>
                </button>
            </div>
        </template>
        <p v-else class="quiet">Choose a note on the page, or press <kbd>→</kbd>.</p>
    </section>
</template>
