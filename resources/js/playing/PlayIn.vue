<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { ElAlert, ElButton, ElInputNumber, ElRadio, ElRadioGroup } from 'element-plus'
import { computed, nextTick, onBeforeUnmount, ref, shallowRef, useTemplateRef } from 'vue'
import { api } from '../api/client'
import { useAttempt } from '../components/attempt'
import { takePlayed, typeSound, typeSoundInChord } from '../typing/edits'
import { beatTicks, keyAlter, meterTicks, newId, QUARTER, signatures, spelled, type Manuscript, type TypedMeasure, type TypedNote } from '../typing/manuscript'
import { lines } from '../typing/mei'
import { StaffPage } from '../typing/staff-page'
import { sound } from '../sound/key-tone'
import type { Typist } from '../typing/typist'
import { CannotListen, fromEar, fromMidi, type Heard, type Stop } from './sources'

/** Notes that are played instead of typed: their lengths come from the keys or, to a click, from the time played. */
const props = defineProps<{ typist: Typist }>()

type Source = 'screen' | 'midi' | 'ear'
/** Two keys that go down within so many milliseconds are one chord. */
const TOGETHER_MS = 45
const BLACK = new Set([1, 3, 6, 8, 10])

const source = ref<Source>('screen')
const timed = ref(false)
const tempo = ref(80)
const listening = ref(false)
/** The beat of the count-in, or 0. */
const counted = ref(0)
const lit = ref<number | null>(null)
const written = shallowRef<Manuscript | null>(null)
const told = ref('')
const preview = useTemplateRef<HTMLElement>('preview')
const { fault, busy, attempt } = useAttempt()
let stop: Stop | null = null
let clicks: number[] = []
let beganAt = 0
let lastOn = 0
const down = new Map<number, number>()
let played: { midi: number; on: number; off: number }[] = []

const sheet = computed(() => props.typist.sheet.value)
const here = computed(() => signatures(sheet.value.manuscript.measures)[sheet.value.caret.measure] ?? { key: 0, meter: '4/4', clef: 'treble' as const })
/** A double bass sounds an octave lower than it is written; a keyboard plays what is written. */
const octave = computed(() => (sheet.value.manuscript.instrument === 'bass' && source.value === 'ear' ? 12 : 0))
const lowest = computed(() => ({ treble: 55, alto: 48, tenor: 43, bass: 36, rhythm: 55 })[here.value.clef])
const keys = computed(() => Array.from({ length: 30 }, (_, index) => lowest.value + index))
const beatMs = computed(() => 60_000 / tempo.value)

const heard: Heard = {
    on(midi, at) {
        const written = midi + octave.value
        lit.value = written
        if (timed.value) {
            down.set(midi, at)
        } else if (at - lastOn < TOGETHER_MS && down.size > 0) {
            props.typist.type((now) => typeSoundInChord(now, written), true)
        } else {
            props.typist.type((now) => typeSound(now, written), source.value !== 'ear')
        }
        if (!timed.value) {
            down.set(midi, at)
        }
        lastOn = at
    },
    off(midi, at) {
        const on = down.get(midi)
        down.delete(midi)
        lit.value = null
        if (timed.value && on !== undefined) {
            played.push({ midi: midi + octave.value, on, off: at })
        }
    },
}

/** A page that came without the right to listen is fetched anew, with it: only this address has it. */
function mayListen(): boolean {
    const policy = (document as unknown as { featurePolicy?: { allowsFeature(name: string): boolean } }).featurePolicy
    return policy?.allowsFeature('microphone') ?? true
}

async function begin(): Promise<void> {
    if (source.value === 'ear' && window.isSecureContext && !mayListen()) {
        sessionStorage.setItem('upright-pencil.play-in', 'ear')
        location.reload()
        return
    }
    told.value = ''
    written.value = null
    played = []
    down.clear()
    try {
        stop = source.value === 'midi' ? await fromMidi(heard) : source.value === 'ear' ? await fromEar(heard) : () => undefined
        listening.value = true
        if (timed.value) {
            count()
        }
    } catch (problem) {
        told.value = problem instanceof CannotListen ? problem.message : 'The browser could not begin to listen. Reload the page and try again.'
    }
}

/** One measure of clicks goes before, and the click goes on. */
function count(): void {
    const beats = Math.max(1, Math.round(meterTicks(here.value.meter) / beatTicks(here.value.meter)))
    const everyMs = (beatMs.value * beatTicks(here.value.meter)) / QUARTER
    const start = performance.now() + 300
    beganAt = start + beats * everyMs
    let beat = 0
    const click = (): void => {
        sound(0)
        counted.value = beat < beats ? beat + 1 : 0
        beat++
        clicks = [window.setTimeout(click, start + beat * everyMs - performance.now())]
    }
    clicks = [window.setTimeout(click, 300)]
}

async function end(): Promise<void> {
    stop?.()
    stop = null
    clicks.forEach(clearTimeout)
    counted.value = 0
    listening.value = false
    lit.value = null
    const now = performance.now()
    down.forEach((on, midi) => timed.value && played.push({ midi: midi + octave.value, on, off: now }))
    if (timed.value) {
        await attempt(async () => {
            const answer = await api.writtenDown(here.value.meter, played.map(({ midi, on, off }) => {
                const { at, alter } = spelled(midi, here.value.key)
                const sign = alter === keyAlter(at.charAt(0), here.value.key) ? undefined : ({ '-1': 'b', '0': 'n', '1': '#' } as Record<string, string>)[String(alter)]
                return { at, ...(sign ? { sign } : {}), on: (on - beganAt) / beatMs.value, off: (off - beganAt) / beatMs.value }
            }))
            await look((JSON.parse(answer.typed) as { notes: TypedNote[] }[]).map(({ notes }) => ({ id: newId('x'), notes: notes.map(({ heads, ...note }) => ({ ...note, ...(heads ? { heads: heads.map((head) => ({ ...head, id: newId('n') })) } : { id: newId('n') }) })) })))
        })
    }
}

/** What was made of it is looked over before it is taken. */
async function look(measures: TypedMeasure[]): Promise<void> {
    const { key, meter, clef } = here.value
    written.value = { format: 'upright-pencil-manuscript', version: 1, name: '', measures: measures.map((measure, index) => (index === 0 ? { ...measure, key, meter, clef } : measure)) }
    await nextTick()
    if (preview.value) {
        preview.value.replaceChildren()
        await new StaffPage(preview.value, (problem) => (fault.value = problem)).show(lines(written.value, []))
    }
}

function take(): void {
    const { measures = [] } = written.value ?? {}
    written.value = null
    props.typist.type((now) => takePlayed(now, measures.map(({ id, notes = [] }) => ({ id, notes }))))
}

const press = (midi: number, event: PointerEvent): void => {
    event.preventDefault()
    if (source.value === 'screen' && (!timed.value || listening.value)) {
        heard.on(midi, event.timeStamp)
    }
}
useEventListener(window, 'pointerup', (event) => [...down.keys()].forEach((midi) => source.value === 'screen' && heard.off(midi, event.timeStamp)))
onBeforeUnmount(() => {
    stop?.()
    clicks.forEach(clearTimeout)
})

if (sessionStorage.getItem('upright-pencil.play-in') === 'ear') {
    sessionStorage.removeItem('upright-pencil.play-in')
    source.value = 'ear'
    void begin()
}
</script>

<template>
    <section class="play-in" aria-label="Play it in">
        <div class="play-choices">
            <ElRadioGroup v-model="source" :disabled="listening"><ElRadio value="screen">Keyboard on the screen</ElRadio><ElRadio value="midi">MIDI keyboard</ElRadio><ElRadio value="ear">My instrument</ElRadio></ElRadioGroup>
            <ElRadioGroup v-model="timed" :disabled="listening"><ElRadio :value="false">Lengths from the keys</ElRadio><ElRadio :value="true">Lengths as played</ElRadio></ElRadioGroup>
            <label v-if="timed">to a click of <ElInputNumber v-model="tempo" size="small" :min="30" :max="200" :disabled="listening" aria-label="Quarters a minute" /></label>
            <ElButton v-if="source !== 'screen' || timed" size="small" type="primary" :loading="busy" @click="listening ? end() : begin()">{{ listening ? 'Stop' : 'Listen' }}</ElButton>
            <span v-if="listening" class="quiet" role="status">{{ counted > 0 ? counted : timed ? 'Play.' : 'Play: every note goes onto the staff. Space is a rest.' }}</span>
        </div>
        <ElAlert v-if="told || fault" type="error" :title="told || fault" :closable="false" />
        <div v-if="source === 'screen'" class="piano">
            <button v-for="key in keys" :key="key" type="button" tabindex="-1" class="piano-key" :class="{ black: BLACK.has(key % 12), lit: lit === key }" :aria-label="spelled(key, here.key).at" :data-midi="key" @pointerdown="press(key, $event)" />
        </div>
        <p v-if="source === 'ear'" class="quiet page-hint">One note at a time. Nothing is recorded, and nothing leaves this computer but the notes that you take.</p>
        <div v-if="written" class="played">
            <p class="quiet">This is what was heard. Look it over: taken, it can still be mended like anything typed.</p>
            <div ref="preview" class="typed-preview" tabindex="0" role="region" aria-label="What was played" />
            <div class="row"><ElButton size="small" type="primary" @click="take">Take it</ElButton><ElButton size="small" @click="written = null">Leave it</ElButton></div>
        </div>
    </section>
</template>
