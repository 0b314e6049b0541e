<script setup lang="ts">
import type { OpenPlace } from '../api/types'
import { say } from '../stores/say'
import type { useOpenPlaces } from './open-places'

/** All that is open in the piece, part by part. */
const props = defineProps<{ open: ReturnType<typeof useOpenPlaces>; part: number | null }>()
const emit = defineEmits<{ go: [part: number, place: OpenPlace] }>()

const { all, busy, count } = props.open
const KINDS: Record<OpenPlace['kind'], string> = { finding: 'finding', settle: 'to settle', either: 'either is good', hard: 'hard' }

function toggled(event: Event): void {
    if (event.target instanceof HTMLDetailsElement && event.target.open) {
        void props.open.load()
    }
}
</script>

<template>
    <details class="open-places" @toggle="toggled">
        <summary><kbd>9</kbd>Open in this piece <span v-if="all" class="count">{{ count }}</span></summary>
        <p v-if="busy && !all" class="quiet" role="status">Looking through all parts…</p>
        <div v-for="one in all?.parts ?? []" :key="one.part">
            <h3>{{ one.name }} <span class="count">{{ one.places.length }}</span></h3>
            <ul>
                <li v-for="place in one.places" :key="`${place.kind} ${place.note}`">
                    <button type="button" class="plain" @click="emit('go', one.part, place)"><strong>{{ say(`Measure ${place.measure}`) }}</strong> <span class="quiet">{{ KINDS[place.kind] }}:</span> {{ place.why }}</button>
                </li>
            </ul>
        </div>
    </details>
</template>
