<script setup lang="ts">
import { ElButton, ElMessage } from 'element-plus'
import { v4 as uuid } from 'uuid'
import { computed } from 'vue'
import { api } from '../api/client'
import type { Gone, Note } from '../api/types'
import { useAttempt } from '../components/attempt'
import { useDesk } from '../stores/desk'
import { goneWords, placeWords } from './words'

/** Decisions whose notes a newer edition does not have: each is put on the note that is chosen, or let go. */
const props = defineProps<{ chosen: Note | null }>()

const desk = useDesk()
const { fault, busy, attempt } = useAttempt()
const gone = computed(() => desk.part?.gone ?? [])
const decides = computed(() => desk.part?.part.decides === true)

async function settle(one: Gone, work: (id: number) => Promise<unknown>): Promise<void> {
    const id = one.id
    if (id !== null && (await attempt(() => work(id)))) {
        desk.settledGone(id)
    }
}

const place = (one: Gone) =>
    settle(one, async (id) => {
        if (props.chosen) {
            await api.placeGone(id, props.chosen.id, uuid())
            ElMessage.success(`It is on ${placeWords(props.chosen)} now.`)
        }
    })
</script>

<template>
    <section v-if="gone.length > 0" class="notice gone" aria-label="Decisions without a note">
        <details :open="gone.length <= 5">
            <summary>{{ gone.length === 1 ? 'One decision has lost its note' : `${gone.length} decisions have lost their note` }} in the newer edition</summary>
            <p v-if="decides" class="quiet small-print">{{ chosen ? `Put each on the note that is chosen (${placeWords(chosen)}), or let it go.` : 'Choose a note on the page to put one there, or let it go.' }}</p>
            <ul>
                <li v-for="one in gone" :key="one.id ?? 0">
                    <span>{{ goneWords(one) }}</span>
                    <span v-if="decides" class="row">
                        <ElButton size="small" :disabled="busy || !chosen" @click="place(one)">Put it there</ElButton>
                        <ElButton size="small" :disabled="busy" @click="settle(one, api.letGoneGo)">Let it go</ElButton>
                    </span>
                </li>
            </ul>
        </details>
        <p v-if="fault" class="error" role="alert">{{ fault }}</p>
    </section>
</template>
