<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import type { GivenNote } from '../api/client'
import type { NoteOfRehearsal, Rehearsal } from '../api/types'
import { say } from '../stores/say'

/** Measure first, then section, then what, then how many: with one thumb. The next note keeps its section. */
const props = defineProps<{ told: Rehearsal; completing: NoteOfRehearsal | null }>()
const emit = defineEmits<{ note: [note: Omit<GivenNote, 'key' | 'at'>]; complete: [key: string, note: Omit<GivenNote, 'key' | 'at'>]; leave: [] }>()

/** What goes wrong most often, in few words. */
const COMMON = ['late', 'early', 'sharp', 'flat', 'wrong finger', 'bow the wrong way', 'lift too slow', 'too loud', 'rhythm', 'not together']
const HOW_MANY = ['all', 'most', 'some', 'one stand', 'wanted'] as const
const TICK_MS = 100

const at = ref(props.told.measures[0]?.measure ?? '1')
const until = ref('')
const parts = ref<number[]>([])
const what = ref('')
const howMany = ref<GivenNote['howMany']>(null)
const running = ref<{ since: number; from: number; rate: number } | null>(null)

const numbers = computed(() => props.told.measures.map(({ measure }) => measure))
const place = computed(() => numbers.value.indexOf(at.value))
const letters = computed(() => props.told.measures.filter(({ letter }) => letter !== undefined))
/** What is marked here, of the chosen sections. */
const offered = computed(() => {
    // Of all sections it would be a wall of words: they come once one is chosen, or a letter typed.
    const of = parts.value.length === 0 && what.value === '' ? [] : props.told.parts.filter(({ id }) => parts.value.length === 0 || parts.value.includes(id))
    return [...new Set(of.flatMap(({ marks }) => marks[at.value] ?? []))].filter((words) => what.value === '' || words.toLowerCase().includes(what.value.toLowerCase())).slice(0, 4)
})
const common = computed(() => COMMON.filter((words) => what.value === '' || words.includes(what.value.toLowerCase())))

const step = (by: number) => {
    at.value = numbers.value[Math.max(0, Math.min(numbers.value.length - 1, place.value + by))] ?? at.value
}

/** Goes along with the music: whoever has no hand free taps the flag where it is. */
const { pause, resume } = useIntervalFn(() => {
    const run = running.value
    if (!run) {
        return
    }
    let left = ((Date.now() - run.since) / 1000) * run.rate
    let measure = run.from
    while (measure < props.told.measures.length - 1 && left >= (props.told.measures[measure]?.seconds ?? 1)) {
        left -= props.told.measures[measure]?.seconds ?? 1
        measure++
    }
    at.value = numbers.value[measure] ?? at.value
}, TICK_MS, { immediate: false })

function goAlong(): void {
    running.value = running.value ? null : { since: Date.now(), from: Math.max(0, place.value), rate: 1 }
    if (running.value) {
        resume()
    } else {
        pause()
    }
}

const given = (words: string): Omit<GivenNote, 'key' | 'at'> => ({ from: at.value, to: until.value === '' || !numbers.value.includes(until.value) ? at.value : until.value, parts: parts.value, what: words.trim(), howMany: howMany.value })

function flag(): void {
    emit('note', { ...given(''), parts: [], howMany: null })
}

function done(): void {
    if (props.completing) {
        emit('complete', props.completing.key, given(what.value))
    } else {
        emit('note', given(what.value))
    }
    what.value = ''
    until.value = ''
    howMany.value = null
}

watch(
    () => props.completing,
    (note) => {
        if (note) {
            ;[at.value, until.value, parts.value, what.value, howMany.value] = [note.from, note.to === note.from ? '' : note.to, note.parts, note.what, note.howMany]
        }
    },
)
onBeforeUnmount(pause)

const toggled = <T,>(list: readonly T[], one: T): T[] => (list.includes(one) ? list.filter((other) => other !== one) : [...list, one])
</script>

<template>
    <form class="note-form" @submit.prevent="done">
        <div class="note-where">
            <div class="chips" role="group" aria-label="Letters"><button v-for="one in letters" :key="one.measure" type="button" @click="at = one.measure">{{ one.letter }}</button></div>
            <div class="note-measure">
                <button type="button" :aria-label="say('A measure back')" @click="step(-1)">−</button>
                <label>{{ say('Measure') }} <input v-model="at" inputmode="numeric" size="4" :class="{ lost: place < 0 }"></label>
                <button type="button" :aria-label="say('A measure on')" @click="step(1)">+</button>
                <label>to <input v-model="until" inputmode="numeric" size="4" placeholder="–"></label>
            </div>
            <button v-if="!completing" type="button" class="go-along" :aria-pressed="running !== null" @click="goAlong">{{ running ? 'Stop going along' : `Go along from ${at}, at the tempo of practice` }}</button>
            <button v-if="!completing" type="button" class="flag-button" :disabled="place < 0" @click="flag">Flag {{ say('measure') }} {{ at }}</button>
        </div>
        <div class="chips" role="group" aria-label="Sections">
            <button type="button" :aria-pressed="parts.length === 0" @click="parts = []">All</button>
            <button v-for="part in told.parts" :key="part.id" type="button" :aria-pressed="parts.includes(part.id)" @click="parts = toggled(parts, part.id)">{{ part.name }}</button>
        </div>
        <label class="note-what">What <input v-model="what" maxlength="200" autocomplete="off" placeholder="F natural"></label>
        <div class="chips offered" role="group" aria-label="Said often, or marked here">
            <button v-for="words in offered" :key="words" type="button" class="marked" @click="what = words">{{ words }}</button>
            <button v-for="words in common" :key="words" type="button" @click="what = words">{{ words }}</button>
        </div>
        <div class="chips" role="group" aria-label="How many">
            <button v-for="one in HOW_MANY" :key="one" type="button" :aria-pressed="howMany === one" @click="howMany = howMany === one ? null : one">{{ one === 'wanted' ? 'wanted of all' : one }}</button>
        </div>
        <div class="row note-end">
            <button type="submit" class="note-done" :disabled="place < 0 || what.trim() === ''">{{ completing ? 'Complete it' : 'Note it' }}</button>
            <button v-if="completing" type="button" @click="emit('leave')">Leave it a flag</button>
        </div>
    </form>
</template>
