<script setup lang="ts">
import { ElAlert, ElSkeleton } from 'element-plus'
import { computed, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../api/client'
import type { Piece } from '../api/types'
import { useAttempt } from '../components/attempt'
import TopBar from '../components/TopBar.vue'
import { speak } from '../stores/say'
import PieceForm from '../staff/PieceForm.vue'
import PieceOrder from '../staff/PieceOrder.vue'
import PieceParts from '../staff/PieceParts.vue'
import PieceSettled from '../staff/PieceSettled.vue'
import PassageTable from '../staff/PassageTable.vue'
import PiecePassages from '../staff/PiecePassages.vue'
import Teaching from '../staff/Teaching.vue'
import { dateWords } from '../staff/words'

const id = Number(useRoute().params.id)
const piece = ref<Piece | null>(null)
const { fault, attempt } = useAttempt()

const load = () =>
    attempt(async () => {
        piece.value = await api.piece(id)
        speak(piece.value.words)
        document.title = `${piece.value.title} – Upright Pencil`
    })

const sections = computed(() => piece.value?.parts.filter(({ putAway }) => !putAway).length ?? 0)
const concert = computed(() => piece.value?.occasions.find(({ id: one }) => one === piece.value?.occasion))

onMounted(load)
</script>

<template>
    <TopBar says-saving><h1 v-if="piece" class="top-title">{{ piece.title }}</h1></TopBar>
    <main class="piece-page">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <ElSkeleton v-if="piece === null && !fault" :rows="8" animated />
        <template v-if="piece">
            <p class="piece-doors"><RouterLink v-if="sections > 1" class="el-button el-button--primary" :to="`/pieces/${id}/line-up`">Line the sections up</RouterLink> <RouterLink class="el-button" :to="`/pieces/${id}/lesson`">{{ piece.kind === 'line' ? 'As a lesson' : 'What it asks for' }}</RouterLink> <RouterLink class="el-button" :to="`/pieces/${id}/rehearse`">Rehearse</RouterLink> <RouterLink v-if="sections > 1" class="el-button" :to="`/pieces/${id}/call-out`">Call-out</RouterLink></p>
            <p v-if="piece.left.length > 0" class="quiet piece-left">Left to do{{ concert ? ` before ${concert.name}, ${dateWords(concert.on)}` : '' }}: {{ piece.left.join(', ') }}.</p>
            <PassageTable :key="`table ${JSON.stringify(piece.passages)}`" class="passage-table" :piece="piece" />
            <Teaching v-if="piece.parts.some(({ putAway }) => !putAway)" :key="`teaching ${JSON.stringify([piece.passages, piece.parts])}`" class="passage-table" :piece="piece" />
            <div>
                <PieceForm :key="`about ${piece.title}`" :piece="piece" @changed="load" />
                <PieceParts :piece="piece" @changed="load" />
            </div>
            <div>
                <PieceOrder :key="`order ${piece.orders[0]?.id ?? 0}`" :piece="piece" @changed="load" />
                <PiecePassages :key="`passages ${JSON.stringify(piece.passages)}`" :piece="piece" @changed="load" />
                <PieceSettled :key="`settled ${piece.final} ${piece.prescribedBy} ${piece.practice}`" :piece="piece" @changed="load" />
            </div>
        </template>
    </main>
</template>
