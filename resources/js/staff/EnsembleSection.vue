<script setup lang="ts">
import { ElAlert, ElButton, ElMessage, ElPopconfirm } from 'element-plus'
import { computed, ref } from 'vue'
import { api } from '../api/client'
import type { ShelfEnsemble, ShelfPiece } from '../api/types'
import { LEVELS, problemWords } from '../desk/words'
import EnsembleForm from './EnsembleForm.vue'
import PieceCard from './PieceCard.vue'
import { sureToPutAway } from './putting-away'
import { useReload } from './reload'
import { dateWords, ROLES } from './words'

/** An ensemble on the shelf: its pieces, its lesson lines, and what was put away. */
const props = defineProps<{ ensemble: ShelfEnsemble; showsAll?: boolean }>()
const reload = useReload()

const naming = ref<'this' | 'next' | null>(null)
const showsAway = ref(false)
/** The piece that is being moved by hand. */
const dragged = ref(0)

/** The next rehearsal and the next concert, with what is left before each. */
const next = computed(() => (['rehearsal', 'concert'] as const).flatMap((kind) => props.ensemble.occasions.filter((one) => one.kind === kind).slice(0, 1)).sort((one, other) => one.on.localeCompare(other.on)))
const away = computed(() => props.ensemble.pieces.filter(({ putAway }) => putAway))
const groups = computed(() => {
    const there = props.ensemble.pieces.filter(({ putAway }) => !putAway)
    return [
        { kind: 'piece', heading: 'Pieces', pieces: there.filter(({ kind }) => kind === 'piece') },
        { kind: 'line', heading: 'Lesson lines', pieces: there.filter(({ kind }) => kind === 'line') },
        { kind: 'piece', heading: 'Put away', pieces: showsAway.value || props.showsAll ? away.value : ([] as ShelfPiece[]) },
    ].filter(({ pieces }) => pieces.length > 0)
})
const about = computed(() => [props.ensemble.school, props.ensemble.level ? (LEVELS[props.ensemble.level] ?? props.ensemble.level) : '', props.ensemble.year].filter(Boolean).join(', '))

function done(): void {
    naming.value = null
    void reload()
}

async function doing(work: () => Promise<unknown>): Promise<void> {
    try {
        await work()
        await reload()
    } catch (problem) {
        ElMessage.error(problemWords(problem))
    }
}

async function putAway(): Promise<void> {
    const links = props.ensemble.pieces.flatMap(({ parts }) => parts).reduce((sum, part) => sum + part.links, 0)
    if (props.ensemble.putAway || (await sureToPutAway(props.ensemble.name, links))) {
        await doing(() => api.changeEnsemble(props.ensemble.id, { putAway: !props.ensemble.putAway }))
    }
}

/** It takes the place of the one it is dropped on: before it going up, after it going down. */
function drop(pieces: ShelfPiece[], on: number): void {
    const [from, to] = [pieces.findIndex(({ id }) => id === dragged.value), pieces.findIndex(({ id }) => id === on)]
    if (from >= 0 && from !== to) {
        void doing(() => api.movePiece(dragged.value, (from > to ? pieces[to] : pieces[to + 1])?.id ?? null))
    }
}
</script>

<template>
    <section class="ensemble" :aria-label="ensemble.name">
        <header>
            <h1>{{ ensemble.name }}</h1>
            <p class="quiet">{{ about }}</p>
            <p v-if="ensemble.role !== 'director'" class="quiet">
                You are a {{ ROLES[ensemble.role].toLowerCase() }} here
                <ElPopconfirm title="Leave this ensemble? What you decided stays; you see it no more." width="240" confirm-button-text="Leave" cancel-button-text="Stay" @confirm="doing(() => api.leaveEnsemble(ensemble.id))">
                    <template #reference><ElButton text size="small">Leave</ElButton></template>
                </ElPopconfirm>
            </p>
            <div class="ensemble-actions">
                <RouterLink v-slot="{ navigate }" :to="`/ensembles/${ensemble.id}/scales`" custom><ElButton text @click="navigate">Scales</ElButton></RouterLink>
                <template v-if="ensemble.directs">
                    <RouterLink v-slot="{ navigate }" :to="`/ensembles/${ensemble.id}/people`" custom><ElButton text @click="navigate">People</ElButton></RouterLink>
                    <RouterLink v-slot="{ navigate }" :to="`/ensembles/${ensemble.id}/profile`" custom><ElButton text @click="navigate">What they can</ElButton></RouterLink>
                    <RouterLink v-slot="{ navigate }" :to="`/ensembles/${ensemble.id}/dates`" custom><ElButton text @click="navigate">Dates</ElButton></RouterLink>
                    <ElButton text @click="naming = 'this'">Name and level</ElButton>
                    <ElButton text @click="naming = 'next'">Next year’s class</ElButton>
                    <ElButton text @click="putAway">{{ ensemble.putAway ? 'Bring back' : 'Put away' }}</ElButton>
                </template>
            </div>
        </header>
        <p v-for="one in next" :key="one.id" class="quiet next-date">{{ dateWords(one.on) }}{{ one.starts ? `, ${one.starts}` : '' }}: {{ one.name }}<template v-if="one.left.length > 0">; left: {{ one.left.join(', ') }}</template> <RouterLink v-if="one.kind === 'rehearsal' && ensemble.directs" :to="`/occasions/${one.id}/plan`">plan</RouterLink></p>
        <ElAlert v-if="ensemble.fault" type="error" :title="ensemble.fault" :closable="false" />
        <p v-if="ensemble.pieces.length === 0 && ensemble.directs" class="notice">No music yet. First <RouterLink to="/import">import a piece or a lesson line</RouterLink>; then <RouterLink :to="`/ensembles/${ensemble.id}/profile`">say what the class can</RouterLink> and <RouterLink :to="`/ensembles/${ensemble.id}/people`">ask colleagues in</RouterLink>.</p>
        <p v-else-if="ensemble.pieces.length === 0" class="notice">No music yet.</p>
        <div v-for="group in groups" :key="group.heading" class="shelf-group">
            <h2>{{ group.heading }}</h2>
            <ul class="pieces" :class="group.kind">
                <PieceCard
                    v-for="(piece, index) in group.pieces"
                    :key="piece.id"
                    :piece="piece"
                    :directs="ensemble.directs"
                    :above="group.pieces[index - 1]"
                    :below="group.pieces[index + 1]"
                    :after-below="group.pieces[index + 2]"
                    @drag="dragged = piece.id"
                    @drop="drop(group.pieces, piece.id)"
                />
            </ul>
        </div>
        <ElButton v-if="away.length > 0 && !showsAll" text size="small" @click="showsAway = !showsAway">{{ showsAway ? 'Hide what is put away' : `Put away (${away.length})` }}</ElButton>
        <EnsembleForm v-if="naming === 'this'" title="Name and level" button="Save" :name="ensemble.name" :year="ensemble.year" :level="ensemble.level ?? 'second-year'" :save="(given) => api.changeEnsemble(ensemble.id, given)" @done="done" @close="naming = null" />
        <EnsembleForm v-if="naming === 'next'" title="Next year’s class" button="Make it" :name="ensemble.name" :level="null" :save="({ name, year }) => api.nextYear(ensemble.id, { name, year })" @done="done" @close="naming = null" />
    </section>
</template>
