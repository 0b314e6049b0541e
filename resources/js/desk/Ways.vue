<script setup lang="ts">
import type { Note, Way, Why } from '../api/types'
import { fingerWords } from './words'

/** Why a note is fingered as it is, and the other ways to finger what is selected. */
defineProps<{ note: Note; why: Why | undefined; ways: Way[] | null; previewed: number | null }>()
const emit = defineEmits<{ take: [way: Way]; look: [place: number] }>()

function words(way: Way, note: string): string {
    const here = way.notes.find(({ id }) => id === note)
    return here ? fingerWords(here) : ''
}

/** “A4 4 on D, B4 1 on A”: the fingers that would change. */
function changed(way: Way): string {
    const ids = new Set(way.decisions.flatMap((decision) => ('note' in decision ? [decision.note] : [])))
    const notes = way.notes.filter(({ id }) => ids.has(id))
    return notes.slice(0, 6).map((one) => `${one.pitch} ${fingerWords(one)}`).join(', ') + (notes.length > 6 ? ' …' : '')
}

/** Less than a third of a point is a matter of taste. */
const isAsGood = (way: Way) => way.extra < 0.34
</script>

<template>
    <div v-if="why && !why.instead" class="why">There is no other way to finger this note.</div>
    <div v-else-if="why?.instead" class="why">
        <p><strong>Why not {{ words(why.instead, note.id) }}?</strong> {{ isAsGood(why.instead) ? 'It is as good; this is the difference:' : 'It has' }}</p>
        <ul>
            <li v-for="cost in why.instead.costs.slice(0, 2)" :key="cost">{{ cost }}</li>
            <li v-for="gain in why.instead.gains.slice(0, 2)" :key="gain" class="gain">{{ gain }} less</li>
        </ul>
        <template v-if="why.withoutShift">
            <p class="shift-reason"><strong>Without the shift to {{ note.position }}</strong> there would be</p>
            <ul>
                <li v-for="cost in why.withoutShift.costs.slice(0, 2)" :key="cost">{{ cost }}</li>
            </ul>
        </template>
        <button type="button" @click="emit('take', why.instead)">Use {{ words(why.instead, note.id) }}</button>
    </div>
    <div v-if="ways" class="ways" role="group" aria-label="Other ways to finger this">
        <h3>Other ways</h3>
        <p v-if="ways.length === 0" class="quiet">There is no other way to finger this.</p>
        <div v-for="(way, place) in ways" :key="place" class="way-row" :class="{ previewed: place === previewed }">
            <button type="button" class="look" :aria-pressed="place === previewed" @click="emit('look', place)">
                <kbd v-if="place === (previewed === null ? 0 : previewed + 1)">A</kbd>{{ place === previewed ? 'On the page' : 'Look' }}
            </button>
            <span class="way-words"><strong>{{ changed(way) }}</strong>: {{ isAsGood(way) ? 'as good' : way.costs[0] ?? '' }}</span>
            <button type="button" class="take" @click="emit('take', way)"><kbd v-if="place === previewed">Enter</kbd>Take</button>
            <ul v-if="place === previewed">
                <li v-for="cost in way.costs.slice(0, 2)" :key="cost">{{ cost }}</li>
                <li v-for="gain in way.gains.slice(0, 2)" :key="gain" class="gain">{{ gain }} less</li>
            </ul>
        </div>
    </div>
</template>
