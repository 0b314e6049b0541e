<script setup lang="ts">
import { say } from '../stores/say'
import { ElAlert, ElSkeleton } from 'element-plus'
import { computed, ref } from 'vue'
import type { SizeUp } from '../api/types'

/** What to know of a part before marking it. Every line leads to its place on the page. */
const props = defineProps<{ size: SizeUp | null; fault: string }>()
const emit = defineEmits<{ go: [note: string]; again: []; practise: [from: string, to: string] }>()

const NEWNESS = { 'not-taught': 'not taught', recent: 'learned last', known: '' } as const

/** No note has a pitch. */
const rhythm = computed(() => props.size !== null && props.size.summary.lowest === null && props.size.entered > 0)
const news = computed(() =>
    (props.size?.firsts ?? [])
        .filter(({ newness }) => newness !== 'known')
        .sort((one, other) => Number(one.newness === 'recent') - Number(other.newness === 'recent')),
)
const rows = computed(() => {
    const strings = new Map<string, SizeUp['patterns']>()
    for (const pattern of props.size?.patterns ?? []) {
        strings.set(pattern.string, [...(strings.get(pattern.string) ?? []), pattern])
    }
    return [...strings].map(([string, patterns]) => ({ string, patterns }))
})
const facts = computed(() => {
    const summary = props.size?.summary
    if (!summary?.lowest || !summary.highest) {
        return []
    }
    return [
        { name: 'Range', words: `${summary.lowest.pitch} (${summary.lowest.finger} on ${summary.lowest.string}) to ${summary.highest.pitch} (${summary.highest.finger} on ${summary.highest.string})`, note: summary.highest.note },
        { name: 'Hand', words: `${summary.highestPosition ? `up to ${summary.highestPosition.name}` : 'open strings only'}, ${count(summary.shifts, 'shift')}, ${count(summary.extensions, 'extension')}`, note: summary.highestPosition?.note ?? summary.lowest.note },
        { name: 'Bow', words: `${count(summary.crossingsUnderSlurs, 'crossing')} under slurs`, note: null },
    ]
})

function count(number: number, what: string): string {
    return `${number === 0 ? 'no' : number} ${what}${number === 1 ? '' : 's'}`
}

/** Of the trouble spots, so many are shown unfolded. */
const MOST_SPOTS = 6
const whole = ref(false)
const spots = computed(() => (props.size?.troubleSpots ?? []).slice(0, whole.value ? undefined : MOST_SPOTS))

/** “Measures 18–21, 26”: neighbours as one range. */
function places(measures: readonly string[]): string {
    const ranges: string[][] = []
    for (const measure of measures) {
        const last = ranges.at(-1)
        if (last && Number(measure) === Number(last.at(-1)) + 1) {
            last.push(measure)
        } else {
            ranges.push([measure])
        }
    }
    const words = ranges.map((range) => stretch(range[0] ?? '', range.at(-1) ?? ''))
    return `${say(measures.length === 1 ? 'Measure' : 'Measures')} ${words.slice(0, 4).join(', ')}${words.length > 4 ? ' …' : ''}`
}

/** The last of the first measures in a row. */
function after(measures: readonly string[]): string {
    let last = measures[0] ?? ''
    for (const measure of measures.slice(1)) {
        if (Number(measure) !== Number(last) + 1) {
            break
        }
        last = measure
    }
    return last
}

function stretch(from: string, to: string): string {
    return from === to ? from : `${from}–${to}`
}
</script>

<template>
    <section class="size-up" aria-label="The part, sized up">
        <ElAlert v-if="fault" type="error" :closable="false">{{ fault }} <button type="button" class="link" @click="emit('again')">Try again</button></ElAlert>
        <ElSkeleton v-else-if="!size" :rows="5" animated />
        <template v-else>
            <h2>Sized up <span class="quiet">{{ [...size.keys, ...size.meters].join(' · ') }} · {{ size.entered < size.measures ? `${size.entered} of ` : '' }}{{ size.measures }} {{ say('measures') }}{{ size.entered < size.measures ? ' entered' : '' }}</span></h2>
            <dl>
                <div v-for="fact in facts" :key="fact.name">
                    <dt>{{ fact.name }}</dt>
                    <dd><button v-if="fact.note" type="button" class="place" @click="emit('go', fact.note)">{{ fact.words }}</button><template v-else>{{ fact.words }}</template></dd>
                </div>
            </dl>
            <p v-if="rhythm" class="quiet">A rhythm: the bow is worked out on it, and nothing is said of fingers. Its pitches can be typed in later.</p>
            <h3 v-if="!rhythm">New for this class</h3>
            <p v-if="!rhythm && news.length === 0" class="quiet">Nothing: the class has known all of it for a year.</p>
            <ul v-else-if="!rhythm" class="news">
                <li v-for="first in news" :key="first.what" :class="first.newness">
                    <button type="button" class="place" @click="emit('go', first.note)"><strong>{{ first.what }}</strong> {{ NEWNESS[first.newness] }}, first in {{ first.measure }}<template v-if="first.kind !== 'key'">, {{ first.times }}×</template></button>
                </li>
            </ul>
            <h3 v-if="!rhythm">Where it is hard</h3>
            <p v-if="!rhythm && size.troubleSpots.length === 0" class="quiet">No trouble spots.</p>
            <ol v-else-if="!rhythm" class="troubles">
                <li v-for="spot in spots" :key="spot.code + spot.note + spot.message">
                    <button type="button" class="place" @click="emit('go', spot.note)">
                        <span class="weight" :title="`Seriousness ${spot.seriousness}`" aria-hidden="true"><i :style="{ width: `${Math.min(100, (spot.seriousness / 3) * 100)}%` }" /></span>
                        <strong>{{ places(spot.measures) }}</strong>
                        <span class="trouble-words" :title="spot.message">{{ spot.message }}</span>
                        <span v-if="spot.drill" class="drill" :title="spot.drill">{{ spot.drill }}</span>
                    </button>
                    <button type="button" class="link" @click="emit('practise', spot.measures[0] ?? spot.measure, after(spot.measures))">Practise it</button>
                </li>
            </ol>
            <button v-if="size.troubleSpots.length > MOST_SPOTS && !whole" type="button" class="link" @click="whole = true">{{ size.troubleSpots.length - MOST_SPOTS }} less serious</button>
            <h3 v-if="rows.length > 0">Finger patterns</h3>
            <div v-for="row in rows" :key="row.string" class="pattern-row">
                <span class="pattern-string">{{ row.string }}</span>
                <span class="pattern-list">
                    <button v-for="pattern in row.patterns" :key="pattern.note + pattern.pattern" type="button" class="pattern" :title="say(`from measure ${pattern.from}`)" @click="emit('go', pattern.note)">
                        {{ pattern.pattern }} <span class="quiet">{{ stretch(pattern.from, pattern.to) }}</span>
                    </button>
                </span>
            </div>
            <template v-if="size.tuning.length > 0">
                <h3>To tune on</h3>
                <ul>
                    <li v-for="spot in size.tuning" :key="spot.measure + spot.pitch">{{ spot.pitch }} in {{ stretch(spot.measure, spot.to) }}, {{ spot.seconds.toFixed(1) }} s: {{ spot.sections.join(', ') }}</li>
                </ul>
            </template>
        </template>
    </section>
</template>
