<script setup lang="ts">
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import type { Hand, Heard } from '../api/types'
import PaperChoice from '../components/PaperChoice.vue'
import { BehindPages } from '../page/behind'
import { fileName, PaperMaker } from '../page/paper-maker'
import { save } from '../page/pdf'
import { engravedHere } from '../page/print'
import Score from '../page/Score.vue'
import type { ScorePage } from '../page/score-page'
import { lineWidth, marked, type Heading, type Paper } from '../page/sheets'
import { useHearing } from '../sound/hearing'
import LargeHand from '../sound/LargeHand.vue'
import PlayBar from '../sound/PlayBar.vue'
import { paper } from '../stores/paper'

/** Music that was made here, with its marks as part of the notes: on the screen, heard, on paper, as a file. */
const props = withDefaults(defineProps<{
    /** MusicXML; null: words only. */
    music: string | null
    heard?: Heard | null
    /** To show bow and finger large while it is heard. */
    hand?: Hand | null
    heading: Heading
    label: string
    width: number
    /** A paper that is settled by something else. */
    size?: Paper | null
    /** Sheets of words after those with music. */
    words?: ((size: Paper) => SVGSVGElement[]) | null
}>(), { heard: null, hand: null, size: null, words: null })

const fault = ref('')
const onScreen = shallowRef<ScorePage | null>(null)
const chosen = ref<string | null>(null)
const behind = new BehindPages()
const print = () => ({ music: props.music ?? '', silent: [], ready: (width: number) => engravedHere({ music: props.music ?? '', silent: [] }, width) })
const hearing = useHearing(
    computed(() => (props.heard ? { name: `made ${props.music}`, heard: () => Promise.resolve(props.heard ?? { tempo: 60, seconds: 0, notes: [], beats: [] }) } : null)),
    () => Promise.resolve([]),
    (problem) => (fault.value = problem),
)
const lit = computed(() => hearing.cursor.value?.note?.id ?? null)

const pageFor = (size: Paper) => (props.width === lineWidth(size) ? onScreen.value : behind.ready(print(), lineWidth(size)))
const maker = new PaperMaker(
    (size) => {
        const page = props.music === null ? null : pageFor(size)
        return [...(page ? marked(page, [], size, props.heading) : []), ...(props.words?.(size) ?? [])]
    },
    () => props.heading,
    () => props.size ?? paper.value,
    async (size) => props.music !== null && pageFor(size) === null && (await behind.of(print(), lineWidth(size))),
)

const musicXml = () => save(new Blob([props.music ?? ''], { type: 'application/vnd.recordare.musicxml+xml' }), `${fileName(`${props.heading.title} ${props.heading.part}`)}.musicxml`)
const play = () => (hearing.playing.value ? hearing.stop() : void hearing.play(chosen.value === null ? [] : [chosen.value]))

watch(() => [props.music, props.width], () => {
    hearing.stop()
    behind.forget()
    ;[onScreen.value, chosen.value] = [null, null]
})
onBeforeUnmount(() => {
    hearing.stop()
    maker.dispose()
    behind.dispose()
})
</script>

<template>
    <section class="practice-page" :aria-label="label">
        <p v-if="fault" class="notice error" role="alert">{{ fault }}</p>
        <header class="practice-head">
            <slot name="head" />
            <div class="practice-tools">
                <button v-if="heard" type="button" :aria-pressed="hearing.shown.value" @click="hearing.shown.value = !hearing.shown.value, hearing.shown.value || hearing.stop()">Play along</button>
                <PaperChoice v-if="size === null" v-model="paper" />
                <button type="button" @click="maker.print()">Print</button>
                <button type="button" @click="maker.save()">Save PDF</button>
                <button v-if="music !== null" type="button" @click="musicXml()">MusicXML</button>
                <slot name="tools" />
            </div>
        </header>
        <slot />
        <div v-if="music !== null" class="paper">
            <Score :key="width" :music="music" :layer="[]" :width="width" :heard="lit" :selected="chosen === null ? [] : [chosen]" :label="label" @drawn="(page) => (onScreen = page)" @choose="(note) => (chosen = note)" />
        </div>
        <LargeHand v-if="hand && hearing.large.value && hearing.playing.value" :cursor="hearing.cursor.value" :notes="hand.notes" />
        <PlayBar v-if="hearing.shown.value" :hearing="hearing" span="" :several="false" :shows="hand !== null" @play="play" @close="hearing.stop(), (hearing.shown.value = false)" />
    </section>
</template>
