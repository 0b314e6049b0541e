<script setup lang="ts">
import { ElAlert, ElButton, ElSkeleton } from 'element-plus'
import { computed, onMounted, ref } from 'vue'
import { api } from '../api/client'
import type { ShelfEnsemble, ShelfPart, ShelfPiece } from '../api/types'
import TopBar from '../components/TopBar.vue'
import AsideList from '../record/AsideList.vue'
import { LEVELS, problemWords } from '../desk/words'

const ensembles = ref<ShelfEnsemble[] | null>(null)
const fault = ref('')
const empty = computed(() => ensembles.value?.every((ensemble) => ensemble.pieces.length === 0) ?? false)

onMounted(async () => {
    try {
        ensembles.value = (await api.shelf()).ensembles
    } catch (problem) {
        fault.value = problemWords(problem)
    }
})

function kinds(ensemble: ShelfEnsemble): { kind: string; heading: string; pieces: ShelfPiece[] }[] {
    return [
        { kind: 'piece', heading: 'Pieces', pieces: ensemble.pieces.filter(({ kind }) => kind === 'piece') },
        { kind: 'line', heading: 'Lesson lines', pieces: ensemble.pieces.filter(({ kind }) => kind === 'line') },
    ].filter(({ pieces }) => pieces.length > 0)
}

function state(part: ShelfPart): string {
    const decided = part.decisions === 0 ? 'nothing decided yet' : `${part.decisions} ${part.decisions === 1 ? 'decision' : 'decisions'}`
    return part.links === 0 ? decided : `${decided}, handed out`
}
</script>

<template>
    <TopBar says-saving>
        <template #actions>
            <RouterLink v-slot="{ navigate }" to="/import" custom>
                <ElButton type="primary" @click="navigate">Import music</ElButton>
            </RouterLink>
        </template>
    </TopBar>
    <main class="shelf">
        <AsideList />
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <ElSkeleton v-else-if="ensembles === null" :rows="8" animated />
        <p v-if="empty" class="notice">The shelf is empty. Import a MusicXML file to start with.</p>
        <section v-for="ensemble in ensembles ?? []" :key="ensemble.id" class="ensemble" :aria-label="ensemble.name">
            <header>
                <h1>{{ ensemble.name }}</h1>
                <p v-if="ensemble.level" class="quiet">{{ ensemble.school }}, {{ LEVELS[ensemble.level] ?? ensemble.level }}</p>
                <ElAlert v-else type="error" :title="ensemble.fault ?? ''" :closable="false" />
            </header>
            <div v-for="group in kinds(ensemble)" :key="group.kind" class="shelf-group">
                <h2>{{ group.heading }}</h2>
                <ul class="pieces" :class="group.kind">
                    <li v-for="piece in group.pieces" :key="piece.id" class="piece">
                        <h3>{{ piece.title }}</h3>
                        <ul class="parts">
                            <li v-for="part in piece.parts" :key="part.id">
                                <RouterLink class="part-link" :to="`/parts/${part.id}`" :title="state(part)">
                                    <span class="part-name">{{ part.name }}</span>
                                    <span v-if="group.kind === 'piece'" class="part-state">{{ state(part) }}</span>
                                    <span v-else-if="part.decisions > 0 || part.links > 0" class="visually-hidden">, {{ state(part) }}</span>
                                    <span v-if="group.kind === 'line' && part.decisions > 0" class="decided-dot" aria-hidden="true">✎</span>
                                </RouterLink>
                            </li>
                        </ul>
                    </li>
                </ul>
            </div>
        </section>
    </main>
</template>
