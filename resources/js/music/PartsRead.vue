<script setup lang="ts">
import { ElCheckbox, ElInput, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import type { ReadPart } from '../api/types'
import { say } from '../stores/say'

/** The parts of what was read: which of them are taken, and for which instrument each is. */
const props = defineProps<{ parts: ReadPart[]; corrected: Record<string, string> }>()
const taken = defineModel<string[]>({ required: true })
const emit = defineEmits<{ correct: [part: ReadPart, instrument: string] }>()

/** With so many nobody looks through them. */
const MANY = 8
const INSTRUMENTS = ['violin', 'viola', 'cello', 'bass'].map((name) => ({ value: name, label: name }))
const GUESSED: Record<string, string> = { name: 'by its name', clef: 'by its clef', range: 'by its range' }

const sought = ref('')
const shown = computed(() => props.parts.filter(({ name, instrument, strings }) => (strings ? `${name} ${instrument}` : name).toLowerCase().includes(sought.value.trim().toLowerCase())))
const others = computed(() => props.parts.filter(({ strings }) => !strings).length)

function turn(id: string, on: boolean): void {
    taken.value = on ? props.parts.map((part) => part.id).filter((one) => one === id || taken.value.includes(one)) : taken.value.filter((one) => one !== id)
}

function turnShown(on: boolean): void {
    const ids = shown.value.map(({ id }) => id)
    taken.value = props.parts.map(({ id }) => id).filter((id) => (ids.includes(id) ? on : taken.value.includes(id)))
}

/** What else is to know of a part. */
const about = (part: ReadPart) =>
    [
        part.voices > 1 ? `${part.voices} voices` : '',
        part.cues > 0 ? `${part.cues} small notes for cues` : '',
        part.unpitched > 0 ? (part.unpitched === part.notes ? 'no pitches' : `${part.unpitched} without a pitch`) : '',
    ].filter(Boolean)
</script>

<template>
    <div v-if="parts.length > MANY" class="parts-search">
        <ElInput v-model="sought" clearable :placeholder="`Search ${parts.length} parts`" aria-label="Search the parts" />
        <button type="button" class="link" @click="turnShown(true)">Take {{ sought.trim() ? 'these' : 'all' }}</button>
        <button type="button" class="link" @click="turnShown(false)">Take none{{ sought.trim() ? ' of these' : '' }}</button>
    </div>
    <p v-if="others > 0" class="parts-words">
        {{ others === parts.length ? 'None of the parts looks like one for bowed strings. Tick those that your players have.' : `${others === 1 ? 'One part is' : `${others} parts are`} for something else than bowed strings and ${others === 1 ? 'stays' : 'stay'} out, unless you tick ${others === 1 ? 'it' : 'them'}.` }}
    </p>
    <table class="parts-read">
        <thead><tr><th><span class="unseen">Take</span></th><th>Part</th><th>Instrument</th><th>{{ say('Measures') }}</th><th>Notes</th><th>Range</th><th>Key</th><th>Meter</th></tr></thead>
        <tbody>
            <tr v-for="part in shown" :key="part.id" :class="{ out: !taken.includes(part.id) }">
                <td><ElCheckbox :model-value="taken.includes(part.id)" :aria-label="`Take ${part.name}`" @change="turn(part.id, $event === true)" /></td>
                <td>{{ part.name }}<small v-for="words in about(part)" :key="words" class="quiet">{{ words }}</small></td>
                <td>
                    <template v-if="taken.includes(part.id)">
                        <ElSelect :model-value="part.instrument" :options="INSTRUMENTS" size="small" :aria-label="`Instrument of ${part.name}`" @change="emit('correct', part, $event)" />
                        <small class="quiet">{{ corrected[part.id] ? 'as you said' : GUESSED[part.guessedFrom] }}</small>
                    </template>
                    <span v-else class="quiet">{{ part.strings ? part.instrument : 'not taken' }}</span>
                </td>
                <td>{{ part.measures }}<small v-if="part.playedMeasures !== part.measures" class="quiet">{{ part.playedMeasures }} as played</small></td>
                <td>{{ part.notes }}</td>
                <td>{{ part.range?.join(' to ') ?? 'no notes' }}</td>
                <td>{{ part.keys.join(', ') || 'none' }}</td>
                <td>{{ part.meters.join(', ') || 'none' }}</td>
            </tr>
        </tbody>
    </table>
    <p v-if="shown.length === 0" class="quiet">No part is called that.</p>
</template>
