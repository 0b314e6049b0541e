<script setup lang="ts">
import { ElAlert, ElSkeleton } from 'element-plus'
import { onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../api/client'
import type { Piece } from '../api/types'
import { useAttempt } from '../components/attempt'
import TopBar from '../components/TopBar.vue'
import { speak } from '../stores/say'
import PieceForm from '../staff/PieceForm.vue'
import PieceOrder from '../staff/PieceOrder.vue'
import PieceParts from '../staff/PieceParts.vue'
import PassageTable from '../staff/PassageTable.vue'
import PiecePassages from '../staff/PiecePassages.vue'
import Teaching from '../staff/Teaching.vue'

const id = Number(useRoute().params.id)
const piece = ref<Piece | null>(null)
const { fault, attempt } = useAttempt()

const load = () =>
    attempt(async () => {
        piece.value = await api.piece(id)
        speak(piece.value.words)
        document.title = `${piece.value.title} – Upright Pencil`
    })

onMounted(load)
</script>

<template>
    <TopBar says-saving><h1 v-if="piece" class="top-title">{{ piece.title }}</h1></TopBar>
    <main class="piece-page">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <ElSkeleton v-if="piece === null && !fault" :rows="8" animated />
        <template v-if="piece">
            <p v-if="piece.parts.filter(({ putAway }) => !putAway).length > 1" class="piece-doors"><RouterLink class="el-button el-button--primary" :to="`/pieces/${id}/line-up`">Line the sections up</RouterLink></p>
            <PassageTable :key="`table ${JSON.stringify(piece.passages)}`" class="passage-table" :piece="piece" />
            <Teaching v-if="piece.parts.some(({ putAway }) => !putAway)" :key="`teaching ${JSON.stringify([piece.passages, piece.parts])}`" class="passage-table" :piece="piece" />
            <div>
                <PieceForm :key="`about ${piece.title}`" :piece="piece" @changed="load" />
                <PieceParts :piece="piece" @changed="load" />
            </div>
            <div>
                <PieceOrder :key="`order ${piece.orders[0]?.id ?? 0}`" :piece="piece" @changed="load" />
                <PiecePassages :key="`passages ${JSON.stringify(piece.passages)}`" :piece="piece" @changed="load" />
            </div>
        </template>
    </main>
</template>
