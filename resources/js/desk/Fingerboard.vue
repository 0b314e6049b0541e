<script setup lang="ts">
import { computed } from 'vue'
import type { Board, Stop } from '../api/types'

/** The selected note on the fingerboard, the hand around it, the note before (faint) and the way to the next. A half step is one dot wide. */
const props = defineProps<{ board: Board; stop: Stop; before: Stop | null; after: Stop | null }>()

const STEP = 21
const STRING = 19
const NUT = 38
const SEEN = 11

/** The first half step that is seen: the nut, unless the hand is high. */
const from = computed(() => Math.max(0, Math.min(props.stop.hand, props.before?.hand ?? 99, props.after?.hand ?? 99) - 3))
const tapes = computed(() => props.board.tapes.filter((tape) => tape > from.value))
const fingers = computed(() =>
    props.board.frame
        .map(({ finger, reach }) => ({ finger, offset: props.stop.hand + reach }))
        .filter(({ finger, offset }) => finger !== props.stop.finger && offset !== props.stop.offset),
)
const after = computed(() => (props.after && !same(props.after, props.stop) ? props.after : null))
const before = computed(() => (props.before && !same(props.before, props.stop) && !(after.value && same(props.before, after.value)) ? props.before : null))
const words = computed(() => `${props.stop.finger === 0 ? 'Open' : `Finger ${props.stop.finger} on`} ${props.board.strings[props.stop.string]} string, ${props.stop.offset} half steps above it`)

function same(one: Stop, other: Stop): boolean {
    return one.string === other.string && one.offset === other.offset
}

/** The open string is left of the nut; what lies beyond the picture stays at its edge. */
function x(offset: number): number {
    return offset === 0 ? NUT - 14 : NUT + (Math.min(SEEN, Math.max(0.4, offset - from.value)) - 0.5) * STEP + 4
}

function y(string: number): number {
    return (props.board.strings.length - string - 0.5) * STRING
}
</script>

<template>
    <svg class="fingerboard" viewBox="0 0 278 76" role="img" :aria-label="words">
        <rect class="wood" :x="NUT" y="0" :width="278 - NUT" height="76" />
        <line v-for="tape in tapes" :key="`tape ${tape}`" class="tape" :x1="x(tape)" :x2="x(tape)" y1="0" y2="76" />
        <line v-if="from === 0" class="nut" :x1="NUT" :x2="NUT" y1="0" y2="76" />
        <template v-for="(name, string) in board.strings" :key="name">
            <text class="name" x="8" :y="y(string)">{{ name }}</text>
            <line class="string" :x1="NUT - 22" x2="278" :y1="y(string)" :y2="y(string)" :stroke-width="2 - string * 0.35" />
        </template>
        <line v-if="after" class="way" :x1="x(stop.offset)" :y1="y(stop.string)" :x2="x(after.offset)" :y2="y(after.string)" />
        <g v-for="{ finger, offset } in fingers" :key="`frame ${finger}`" class="faint">
            <circle class="frame" :cx="x(offset)" :cy="y(stop.string)" r="8" /><text :x="x(offset)" :y="y(stop.string)">{{ finger }}</text>
        </g>
        <g v-if="before" class="before">
            <circle class="beside" :cx="x(before.offset)" :cy="y(before.string)" r="8.5" /><text :x="x(before.offset)" :y="y(before.string)">{{ before.finger }}</text>
        </g>
        <g v-if="after" class="after">
            <circle class="beside" :cx="x(after.offset)" :cy="y(after.string)" r="8.5" /><text :x="x(after.offset)" :y="y(after.string)">{{ after.finger }}</text>
        </g>
        <circle class="played" :cx="x(stop.offset)" :cy="y(stop.string)" r="9.5" /><text class="on" :x="x(stop.offset)" :y="y(stop.string)">{{ stop.finger }}</text>
    </svg>
</template>
