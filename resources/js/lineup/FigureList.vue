<script setup lang="ts">
import type { Figure, FigurePlace } from '../api/types'
import { say } from '../stores/say'

/** The figures of all sections: their letters, their places, and one decision for all of them. */
const props = defineProps<{ figures: Figure[]; current: string | null; at: FigurePlace | null; nameOf: (part: number) => string }>()
const emit = defineEmits<{ go: [figure: Figure, place: FigurePlace]; like: [figure: Figure, place: FigurePlace]; apart: [figure: Figure, place: FigurePlace] }>()

/** “Viola 1, 42; Cello 5”: as many as go in a line or two. */
function placesIn(figure: Figure): string {
    const bySection = new Map<string, string[]>()
    figure.places.forEach(({ part, measure }) => bySection.set(props.nameOf(part), [...(bySection.get(props.nameOf(part)) ?? []), measure]))
    return [...bySection].map(([name, measures]) => `${name} ${measures.join(', ')}`).join('; ')
}

const nearWords = (figure: Figure) => `${figure.places.filter(({ near }) => near).length} with one note other`

const bows = (directions: string) => directions.replaceAll('d', '⊓').replaceAll('u', '∨').replaceAll('-', '·')
</script>

<template>
    <section aria-label="Figures">
        <h2>Figures <span>{{ figures.length }}</span></h2>
        <p v-if="figures.length === 0" class="quiet">Nothing comes again in this piece.</p>
        <ol class="line-figures">
            <li v-for="figure in figures" :key="figure.letter" :class="{ current: figure.letter === current }">
                <button type="button" class="plain" :aria-expanded="figure.letter === current" @click="figure.places[0] && emit('go', figure, figure.places[0])"><span class="figure-letter">{{ figure.letter }}</span> {{ figure.notes }} notes: {{ placesIn(figure) }}<span v-if="figure.near" class="quiet">, {{ nearWords(figure) }}</span><span v-if="figure.passedRound" class="quiet">, passed round</span></button>
                <template v-if="figure.letter === current">
                    <ul>
                        <li v-for="place in figure.places" :key="`${place.part} ${place.note}`">
                            <button type="button" class="plain" :aria-current="place.note === at?.note || undefined" @click="emit('go', figure, place)">{{ nameOf(place.part) }}, {{ say(`measure ${place.measure}`) }}<template v-if="place.near"> (one note other)</template><template v-if="place.exception"> <em>exception</em></template> <span class="figure-bows">{{ bows(place.directions.slice(0, 14)) }}{{ place.directions.length > 14 ? '…' : '' }}</span></button>
                        </li>
                    </ul>
                    <div v-if="at" class="line-remedies">
                        <button type="button" class="fix" @click="emit('like', figure, at)"><kbd>B</kbd>Bow all places like {{ nameOf(at.part) }}, {{ at.measure }}</button>
                        <button type="button" class="look" @click="emit('apart', figure, at)"><kbd>X</kbd>{{ at.exception ? 'No exception any more' : 'An exception' }}</button>
                    </div>
                </template>
            </li>
        </ol>
    </section>
</template>
