<script setup lang="ts">
import { ElDropdown, ElDropdownItem, ElDropdownMenu, ElMessage, ElMessageBox } from 'element-plus'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../api/client'
import type { ShelfPart, ShelfPiece } from '../api/types'
import { problemWords } from '../desk/words'
import MoveForm from './MoveForm.vue'
import { sureToPutAway } from './putting-away'
import { useReload } from './reload'
import { stepPlace, stepWords } from './words'

/** A piece on the shelf, with what its director does with it. */
const props = defineProps<{ piece: ShelfPiece; directs: boolean; above?: ShelfPiece | undefined; below?: ShelfPiece | undefined; afterBelow?: ShelfPiece | undefined }>()
const emit = defineEmits<{ drag: []; drop: [] }>()
const reload = useReload()

const bringing = ref(false)
/** Another piece is held over it. */
const over = ref(false)
const router = useRouter()

const some = (count: number, one: string, more: string): string[] => (count === 0 ? [] : [`${count} ${count === 1 ? one : more}`])

/** What is left in a part. */
function state(part: ShelfPart): string {
    const left = [...some(part.findings ?? 0, 'finding', 'findings'), ...some(part.toSettle, 'to settle', 'to settle'), ...some(part.proposed, 'note proposed', 'notes proposed')]
    const stands = part.findings === null ? (part.decisions === 0 ? 'not looked at yet' : `${part.decisions} decided`) : left.length === 0 ? 'all decided' : left.join(', ')
    return part.handout === null ? stands : `${stands}; handout ${part.handout}${part.since === 0 ? '' : `, ${part.since} changed since`}`
}

async function doing(work: () => Promise<unknown>): Promise<void> {
    try {
        await work()
        await reload()
    } catch (problem) {
        ElMessage.error(problemWords(problem))
    }
}

function dropped(): void {
    over.value = false
    emit('drop')
}

function named(): void {
    bringing.value = false
    void reload()
}

/** For good: with its title typed, so that no slip of the mouse does it. */
async function takeAway(): Promise<void> {
    const typed = await ElMessageBox.prompt(`“${props.piece.title}” goes with its parts and all that was decided in them; links to it end. Type its title to take it away for good.`, 'Take away for good?', {
        confirmButtonText: 'Take it away',
        cancelButtonText: 'Keep it',
        inputValidator: (value: string) => value.trim() === props.piece.title.trim() || 'This is not its title.',
    }).catch(() => null)
    if (typed !== null) {
        await doing(() => api.takePieceAway(props.piece.id, typed.value))
    }
}

const commands: Record<string, () => unknown> = {
    name: () => router.push(`/pieces/${props.piece.id}`),
    line: () => router.push(`/pieces/${props.piece.id}/line-up`),
    lesson: () => router.push(`/pieces/${props.piece.id}/lesson`),
    rehearse: () => router.push(`/pieces/${props.piece.id}/rehearse`),
    up: () => doing(() => api.movePiece(props.piece.id, props.above?.id ?? null)),
    down: () => doing(() => api.movePiece(props.piece.id, props.afterBelow?.id ?? null)),
    bring: () => (bringing.value = true),
    away: async () => {
        const links = props.piece.parts.reduce((sum, part) => sum + part.links, 0)
        if (props.piece.putAway || (await sureToPutAway(props.piece.title, links))) {
            await doing(() => api.changePiece(props.piece.id, { putAway: !props.piece.putAway }))
        }
    },
    gone: takeAway,
}
</script>

<template>
    <li class="piece" :draggable="directs" :class="{ over }" @dragstart="emit('drag')" @dragover.prevent="over = true" @dragleave="over = false" @drop.prevent="dropped" @keydown.alt.up.prevent="above && commands.up?.()" @keydown.alt.down.prevent="below && commands.down?.()">
        <header>
            <h3><RouterLink v-if="directs" :to="`/pieces/${piece.id}`">{{ piece.title }}</RouterLink><template v-else>{{ piece.title }}</template></h3>
            <ElDropdown v-if="directs" trigger="click" @command="(command: string) => commands[command]?.()">
                <button class="more" type="button" :aria-label="`What to do with ${piece.title}`">⋯</button>
                <template #dropdown>
                    <ElDropdownMenu>
                        <ElDropdownItem command="name">Name, rights, cuts, parts…</ElDropdownItem>
                        <ElDropdownItem v-if="piece.parts.length > 1" command="line">Line the sections up</ElDropdownItem>
                        <ElDropdownItem command="lesson">{{ piece.kind === 'line' ? 'As a lesson' : 'What it asks for' }}</ElDropdownItem>
                        <ElDropdownItem command="rehearse">Rehearse</ElDropdownItem>
                        <ElDropdownItem v-if="above" command="up">Move up<kbd>Alt ↑</kbd></ElDropdownItem>
                        <ElDropdownItem v-if="below" command="down">Move down<kbd>Alt ↓</kbd></ElDropdownItem>
                        <ElDropdownItem command="bring">To another ensemble…</ElDropdownItem>
                        <ElDropdownItem command="away">{{ piece.putAway ? 'Bring back' : 'Put away' }}</ElDropdownItem>
                        <ElDropdownItem command="gone" divided>Take away for good…</ElDropdownItem>
                    </ElDropdownMenu>
                </template>
            </ElDropdown>
        </header>
        <p v-if="piece.concert && piece.kind === 'piece'" class="piece-concert quiet">for {{ piece.concert }}</p>
        <p v-if="piece.kind === 'piece' && !piece.putAway" class="piece-next">
            <RouterLink v-if="piece.next.part" :to="stepPlace(piece.next)">{{ stepWords(piece.next) }}</RouterLink>
            <template v-else>{{ stepWords(piece.next) }}</template>
        </p>
        <ul class="parts">
            <li v-for="part in piece.parts" :key="part.id">
                <RouterLink class="part-link" :to="`/parts/${part.id}`" :title="state(part)">
                    <span class="part-name">{{ part.name }}</span>
                    <span v-if="piece.kind === 'piece'" class="part-state">{{ state(part) }}</span>
                    <span v-else-if="part.decisions > 0 || part.links > 0" class="visually-hidden">, {{ state(part) }}</span>
                    <span v-if="piece.kind === 'line' && part.decisions > 0" class="decided-dot" aria-hidden="true">✎</span>
                </RouterLink>
            </li>
        </ul>
        <MoveForm v-if="bringing" :piece="piece" @close="bringing = false" @done="named" />
    </li>
</template>
