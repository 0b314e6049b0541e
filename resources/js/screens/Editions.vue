<script setup lang="ts">
import { ElAlert, ElButton, ElMessage, ElSkeleton } from 'element-plus'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../api/client'
import type { Edition, EditionPage, Editions } from '../api/types'
import { useAttempt } from '../components/attempt'
import TopBar from '../components/TopBar.vue'
import { goneWords } from '../desk/words'
import Score from '../page/Score.vue'
import { drawn } from '../stores/desk'
import { say, speak } from '../stores/say'
import { timeWords } from '../stores/days'

/** The notes of a part as they were and are: any of them looked at, with its pencil, and brought back. */
const LINE_WIDTH = 1800

const id = Number(useRoute().params.id)
const { fault, busy, attempt } = useAttempt()
const told = ref<Editions | null>(null)
const shown = ref<number | null>(null)
const page = shallowRef<EditionPage | null>(null)

const HOW: Record<Edition['how'], string> = { imported: 'As it came', typed: 'Typed', corrected: 'Corrected from a file', 'brought back': 'Brought back' }
const layer = computed(() => drawn(page.value?.notes ?? []))
const looked = computed(() => told.value?.editions.find((edition) => edition.id === shown.value))

const load = () =>
    attempt(async () => {
        told.value = await api.editions(id)
        speak(told.value.words)
        shown.value = told.value.editions[0]?.id ?? null
        document.title = `Editions of ${told.value.title}, ${told.value.name}`
    })

function about({ source, by, measures }: Edition): string {
    const changed = measures.length === 0 ? '' : say(`notes changed in ${measures.length === 1 ? 'measure' : 'measures'} ${measures.slice(0, 10).join(', ')}${measures.length > 10 ? ' …' : ''}`)
    return [source === '' ? '' : `“${source}”`, by === null ? '' : `by ${by}`, changed].filter(Boolean).join(', ')
}

async function bringBack(): Promise<void> {
    const edition = looked.value
    if (edition && (await attempt(() => api.bringEditionBack(edition.id)))) {
        ElMessage.success('It is the newest again. What was decided about its notes holds.')
        await load()
    }
}

onMounted(load)
watch(shown, (edition) => {
    page.value = null
    return edition === null ? undefined : attempt(async () => {
        const fetched = await api.edition(edition)
        page.value = edition === shown.value ? fetched : page.value
    })
})
</script>

<template>
    <TopBar says-saving><h1 class="screen-title">{{ told ? `Editions of ${told.title}, ${told.name}` : 'Editions' }}</h1></TopBar>
    <main class="editions-page">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <ElSkeleton v-if="told === null && !fault" :rows="6" animated />
        <template v-if="told">
            <section class="editions-list" aria-label="Editions">
                <p v-if="told.editions.length === 0" class="quiet">The notes of this part never changed.</p>
                <ol v-else>
                    <li v-for="edition in told.editions" :key="edition.id">
                        <button type="button" :aria-current="edition.id === shown ? 'true' : undefined" @click="shown = edition.id">
                            <strong>{{ HOW[edition.how] }}{{ edition.current ? ', as it is now' : '' }}</strong>
                            <span>{{ timeWords(edition.at) }}</span>
                            <span class="quiet">{{ about(edition) }}</span>
                        </button>
                    </li>
                </ol>
                <div v-if="told.gone.length > 0" class="notice gone">
                    <h2>{{ told.gone.length === 1 ? 'One decision has lost its note' : `${told.gone.length} decisions have lost their note` }}</h2>
                    <ul><li v-for="gone in told.gone" :key="gone.id ?? 0">{{ goneWords(gone) }}</li></ul>
                    <RouterLink v-if="told.decides" :to="`/parts/${told.part}`">Place them on the desk</RouterLink>
                </div>
                <p v-if="told.directs"><RouterLink :to="`/pieces/${told.piece}/correction?part=${told.part}`">A corrected edition from a file</RouterLink></p>
                <p v-if="told.directs"><RouterLink :to="`/parts/${told.part}/notes`">Type a correction</RouterLink></p>
                <p><RouterLink :to="`/parts/${told.part}`">To the desk</RouterLink></p>
            </section>
            <section v-if="looked" class="editions-shown" aria-label="This edition">
                <div class="row">
                    <span>{{ looked.current ? 'This is how the part is now.' : `As it was from ${timeWords(looked.at)} on, with what is decided about its notes.` }}</span>
                    <ElButton v-if="!looked.current && told.directs" type="primary" :disabled="busy" @click="bringBack">Bring this one back</ElButton>
                </div>
                <div class="paper">
                    <Score v-if="page" :music="page.music" :layer="layer" :width="LINE_WIDTH" :label="`${told.title}, ${told.name}, as it was`" />
                    <ElSkeleton v-else :rows="6" animated />
                </div>
            </section>
        </template>
    </main>
</template>
