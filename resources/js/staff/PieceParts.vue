<script setup lang="ts">
import { ElAlert, ElButton, ElInput, ElMessageBox, ElOption, ElSelect } from 'element-plus'
import { ref } from 'vue'
import { api } from '../api/client'
import type { Piece, PiecePart } from '../api/types'
import { useAttempt } from '../components/attempt'
import { sureToPutAway } from './putting-away'

/** The parts: named, given to a section, put in order, put away, taken away. */
const props = defineProps<{ piece: Piece }>()
const emit = defineEmits<{ changed: [] }>()

const names = ref<Record<number, string>>({})
const { fault, attempt } = useAttempt()

async function doing(work: () => Promise<unknown>): Promise<void> {
    await attempt(work)
    names.value = {}
    emit('changed')
}

const rename = (part: PiecePart) => names.value[part.id] !== undefined && names.value[part.id] !== part.name && doing(() => api.changePart(part.id, { name: names.value[part.id] ?? '' }))
const move = (index: number, before: number) => doing(() => api.movePart(props.piece.parts[index]?.id ?? 0, props.piece.parts[before]?.id ?? null))

const nameOf = (id: number) => props.piece.parts.find((part) => part.id === id)?.name ?? 'another part'

/** How many sit in its section: nobody's name, only chairs. */
const stands = (part: PiecePart, count: number) => doing(() => api.changeSection(part.section ?? 0, { stands: Math.max(0, Math.min(30, Math.round(count))), players: null }))
const alone = (part: PiecePart, is: boolean) => doing(() => api.changeSection(part.section ?? 0, { players: is ? 2 * part.stands - 1 : null }))

async function putAway(part: PiecePart): Promise<void> {
    if (part.putAway || (await sureToPutAway(part.name, null))) {
        await doing(() => api.changePart(part.id, { putAway: !part.putAway }))
    }
}

async function takeAway(part: PiecePart): Promise<void> {
    const typed = await ElMessageBox.prompt(`“${part.name}” goes with all that was decided in it; links to it end. Type its name to take it away for good.`, 'Take away for good?', {
        confirmButtonText: 'Take it away',
        cancelButtonText: 'Keep it',
        inputValidator: (value: string) => value.trim() === part.name.trim() || 'This is not its name.',
    }).catch(() => null)
    if (typed !== null) {
        await doing(() => api.takePartAway(part.id, typed.value))
    }
}
</script>

<template>
    <section>
        <h2>Parts</h2>
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <ul class="piece-parts">
            <li v-for="(part, index) in piece.parts" :key="part.id" :class="{ away: part.putAway }">
                <ElInput :model-value="names[part.id] ?? part.name" maxlength="100" :aria-label="`Name of ${part.name}`" @update:model-value="(name: string) => (names[part.id] = name)" @change="rename(part)" />
                <ElSelect :model-value="part.section ?? undefined" :aria-label="`Section of ${part.name}`" placeholder="no section" @change="(section: number) => doing(() => api.changePart(part.id, { section }))">
                    <ElOption v-for="section in piece.sections" :key="section.id" :value="section.id" :label="section.name" />
                </ElSelect>
                <span class="part-moves">
                    <button type="button" :disabled="index === 0" :aria-label="`${part.name} up`" @click="move(index, index - 1)">↑</button>
                    <button type="button" :disabled="index === piece.parts.length - 1" :aria-label="`${part.name} down`" @click="move(index, index + 2)">↓</button>
                </span>
                <ElButton size="small" @click="putAway(part)">{{ part.putAway ? 'Bring back' : 'Put away' }}</ElButton>
                <ElButton v-if="part.putAway" size="small" @click="takeAway(part)">Take away…</ElButton>
                <nav v-if="!part.putAway" class="part-ways" :aria-label="`Notes of ${part.name}`">
                    <RouterLink :to="`/parts/${part.id}/notes`">Notes</RouterLink>
                    <RouterLink :to="`/parts/${part.id}/editions`">{{ part.editions === 0 ? 'Editions' : `${part.editions} editions` }}</RouterLink>
                    <RouterLink :to="`/parts/${part.id}/derive`">Make a part from it</RouterLink>
                    <span v-if="part.derivedFrom !== null" class="quiet">made from {{ nameOf(part.derivedFrom) }}, and bowed with it<template v-if="part.otherwise.length > 0">; by hand otherwise in {{ part.otherwise.join(', ') }}</template><template v-if="part.gone.length > 0">; bows of {{ part.gone.join(', ') }} do not fit: those notes are not here</template></span>
                    <label v-if="part.section !== null" class="stands quiet">Stands <input type="number" min="0" max="30" :value="part.stands" :aria-label="`Stands of ${part.name}`" @change="stands(part, Number(($event.target as HTMLInputElement).value))"></label>
                    <label v-if="part.section !== null && part.stands > 0" class="quiet"><input type="checkbox" :checked="part.players === 2 * part.stands - 1" @change="alone(part, ($event.target as HTMLInputElement).checked)"> one alone at the last</label>
                </nav>
            </li>
        </ul>
        <p class="part-ways"><RouterLink :to="`/pieces/${piece.id}/correction`">A corrected edition from files</RouterLink><RouterLink :to="`/by-hand?piece=${piece.id}`">Type another part</RouterLink></p>
        <p class="quiet small-print">A part that is put away keeps its record and its links; it is not on the shelf, and bows with nobody.</p>
    </section>
</template>
