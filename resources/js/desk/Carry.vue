<script setup lang="ts">
import { computed } from 'vue'
import { say } from '../stores/say'
import type { useCarrying } from './carrying'

/** “And in 5 other places”: where what was decided comes again. */
const props = defineProps<{ carrying: ReturnType<typeof useCarrying> }>()
const emit = defineEmits<{ all: []; go: [from: string]; apart: [from: string, to: string]; leave: [] }>()

const { open, otherwise, taken, left, at, toggle } = props.carrying
const misfits = computed(() => [...new Set(taken.value.flatMap((place) => place.misfits))])
const count = (places: number) => (places === 1 ? 'one other place' : `${places} other places`)
</script>

<template>
    <section v-if="open.length + otherwise.length > 0" class="carry" aria-label="The same figure elsewhere">
        <span v-if="left.length > 0" class="visually-hidden" role="status">{{ `${taken.length} of ${open.length} places; ${left.length} left as they are.` }}</span>
        <template v-if="open.length > 0">
            <p role="status"><strong>The same figure is in {{ count(open.length) }}.</strong> <span class="quiet">Nothing is decided there yet.</span></p>
            <button type="button" class="fix" :disabled="taken.length === 0 && left.length === 0" @click="emit('all')"><kbd>5</kbd>{{ taken.length === open.length ? 'Decide it there too' : `Decide it in ${taken.length}, leave ${left.length} as they are` }}</button>
            <button type="button" class="look" @click="emit('leave')"><kbd>Esc</kbd>Not now</button>
            <ul class="carry-places">
                <li v-for="(place, index) in open" :key="place.from" :class="{ current: place.from === at }">
                    <label><input type="checkbox" :checked="!left.includes(place.from)" :aria-label="say(`Also in measure ${place.measure}`)" @change="toggle(place.from)"> <span class="finding-number">{{ index + 1 }}</span></label>
                    <button type="button" class="plain" @click="emit('go', place.from)">{{ say(`measure ${place.measure}`) }}</button>
                </li>
            </ul>
            <span class="quiet small-print"><kbd>6</kbd>next, <kbd>Enter</kbd>only here, <kbd>7</kbd>leave this one out. {{ misfits.join(' ') }}</span>
        </template>
        <template v-if="otherwise.length > 0">
            <p><strong>Decided otherwise</strong> in a place that is like this one:</p>
            <ul class="carry-places">
                <li v-for="place in otherwise" :key="place.from">
                    <button type="button" class="plain" @click="emit('go', place.from)">{{ say(`measure ${place.measure}`) }}</button>
                    <button type="button" class="look" @click="emit('apart', place.from, place.to)">It is meant so</button>
                </li>
            </ul>
        </template>
    </section>
</template>
