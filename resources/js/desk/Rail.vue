<script setup lang="ts">
import { ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../api/client'
import type { OpenPlace, Question, SizeUp as Sized, Way } from '../api/types'
import type { DeskCommand } from '../marks/hands'
import Refused from '../record/Refused.vue'
import { useDesk } from '../stores/desk'
import type { useFindingWalk } from './finding-walk'
import Findings from './Findings.vue'
import Fingerboard from './Fingerboard.vue'
import GoneList from './GoneList.vue'
import NoteCard from './NoteCard.vue'
import NoteRecord from './NoteRecord.vue'
import type { useOpenPlaces } from './open-places'
import Open from './Open.vue'
import type { useSelection } from './selection'
import Settle from './Settle.vue'
import type { useSettling } from './settling'
import SizeUp from './SizeUp.vue'
import type { useTrying } from './trying'
import Ways from './Ways.vue'
import { problemWords } from './words'

/** Beside the paper: what was refused, the part sized up or the chosen note, and the findings. */
const props = defineProps<{
    selecting: ReturnType<typeof useSelection>
    trying: ReturnType<typeof useTrying>
    walk: ReturnType<typeof useFindingWalk>
    settling: ReturnType<typeof useSettling>
    open: ReturnType<typeof useOpenPlaces>
    commands: DeskCommand[]
    singleKeys: boolean
}>()
const emit = defineEmits<{ choose: [note: string]; visit: [part: number, note: string] }>()
/** The rail shows the part sized up, until a note is chosen. */
const sizing = defineModel<boolean>('sizing', { required: true })

const desk = useDesk()
const router = useRouter()
const { selected, chosen, strokeChosen, spanWords, beside } = props.selecting
const { trial, why, ways } = props.trying
const { current } = props.walk
const sized = shallowRef<Sized | null>(null)
const fault = ref('')

/** An answer about a part that is not open any more is of no use. */
async function sizeUp(): Promise<void> {
    sized.value = null
    fault.value = ''
    const id = desk.part?.part.id
    if (id === undefined) {
        return
    }
    try {
        const players = desk.players
        const answer = await api.sizeUp(id, players)
        sized.value = id === desk.part?.part.id && players === desk.players ? answer : sized.value
    } catch (problem) {
        fault.value = id === desk.part?.part.id ? problemWords(problem) : fault.value
    }
}

function take(decisions: Way['decisions']): void {
    props.trying.leave()
    props.walk.leave()
    desk.decide(...decisions)
}

/** One version is decided; the others stay to be looked at. */
function settle(question: Question, version: string): void {
    const found = question.versions.find(({ name }) => name === version)
    if (found) {
        take(found.decisions)
    }
}

function go(part: number, { note }: OpenPlace): void {
    if (part === desk.part?.part.id) {
        emit('choose', note)
    } else {
        emit('visit', part, note)
    }
}

const practise = (from: string, to: string) => router.push({ path: `/parts/${desk.part?.part.id}/practice`, query: { from, to } })

const beingSaved = (note: string | null) => desk.waiting.some(({ decisions }) => (decisions ?? []).some((decision) => !('note' in decision) || decision.note === note))

watch([() => desk.part?.part.id, sizing], () => sizing.value && void sizeUp(), { immediate: true })
</script>

<template>
    <aside class="rail" tabindex="0" aria-label="The chosen note, findings and what is open">
        <Refused />
        <slot />
        <GoneList :chosen="chosen" />
        <SizeUp v-if="sizing" :size="sized" :fault="fault" @go="emit('choose', $event)" @again="sizeUp" @practise="practise" />
        <NoteCard v-else :note="chosen" :begin="strokeChosen" :span="spanWords" :commands="commands" :saving="beingSaved(selected)" :single-keys="singleKeys">
            <template #ways>
                <Ways v-if="chosen" :note="chosen" :why="why" :ways="ways" :previewed="trial?.kind === 'way' ? trial.place : null" @take="take($event.decisions)" @look="trying.lookAtWay" />
            </template>
            <Fingerboard v-if="chosen?.stop && desk.marking?.board" :board="desk.marking.board" :stop="chosen.stop" :before="beside(-1)" :after="beside(1)" />
        </NoteCard>
        <NoteRecord v-if="!sizing" :note="chosen" :begin="strokeChosen" />
        <Settle :settling="settling" :decides="desk.part?.part.decides === true" @take="settle" @go="emit('choose', $event)" />
        <Findings :findings="desk.left" :plan="desk.plan" :current="current" :previewed="trial?.kind === 'fix' ? trial.place : null" @go="walk.go" @take="take($event.decisions)" @look="walk.look" />
        <Open :open="open" :part="desk.part?.part.id ?? null" @go="go" />
    </aside>
</template>
