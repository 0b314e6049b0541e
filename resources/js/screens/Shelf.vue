<script setup lang="ts">
import { ElAlert, ElButton, ElInput, ElSkeleton } from 'element-plus'
import { useEventListener } from '@vueuse/core'
import { computed, onMounted, provide, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api } from '../api/client'
import type { Shelf, ShelfEnsemble } from '../api/types'
import TopBar from '../components/TopBar.vue'
import { problemWords } from '../desk/words'
import AsideList from '../record/AsideList.vue'
import EnsembleForm from '../staff/EnsembleForm.vue'
import EnsembleSection from '../staff/EnsembleSection.vue'
import { RELOAD } from '../staff/reload'
import { say } from '../stores/say'
import { dayWords, timeWords } from '../stores/days'

const shelf = ref<Shelf | null>(null)
const fault = ref('')
const opening = ref(false)
const showsAway = ref(false)

const wanted = ref('')

const matches = (...words: string[]): boolean => words.some((one) => one.toLowerCase().includes(wanted.value.trim().toLowerCase()))
/** Those that are not put away; of what is looked for, wherever it is. */
const there = computed<ShelfEnsemble[]>(() => {
    const all = shelf.value?.ensembles ?? []
    if (wanted.value.trim() === '') {
        return all.filter(({ putAway }) => !putAway || showsAway.value)
    }
    return all.map((ensemble) => ({ ...ensemble, pieces: ensemble.pieces.filter(({ title, composer, parts }) => matches(ensemble.name, title, composer, ...parts.map(({ name }) => name))) })).filter(({ pieces }) => pieces.length > 0)
})
const away = computed(() => shelf.value?.ensembles.filter(({ putAway }) => putAway).length ?? 0)
const directs = computed(() => shelf.value?.ensembles.some((ensemble) => ensemble.directs) ?? false)
/** Where a new ensemble is opened: the first school, until somebody works in two. */
const school = computed(() => shelf.value?.schools[0])

async function load(): Promise<void> {
    try {
        shelf.value = await api.shelf()
    } catch (problem) {
        fault.value = problemWords(problem)
    }
}

async function opened(): Promise<void> {
    opening.value = false
    await load()
}

const router = useRouter()
const last = computed(() => shelf.value?.last ?? null)
const lastPlace = computed(() => (last.value ? `/parts/${last.value.part}${last.value.note === null ? '' : `?note=${encodeURIComponent(last.value.note)}`}` : ''))

useEventListener(window, 'keydown', (event) => {
    if (event.key === 'Enter' && event.target === document.body && last.value) {
        void router.push(lastPlace.value)
    }
})
provide(RELOAD, load)
onMounted(load)
</script>

<template>
    <TopBar says-saving>
        <ElInput v-if="shelf && shelf.ensembles.length > 0" v-model="wanted" class="shelf-search" placeholder="Find a piece or part" aria-label="Find a piece or part" clearable />
        <template #actions>
            <RouterLink v-if="school?.administers" v-slot="{ navigate }" :to="`/schools/${school.id}`" custom><ElButton text @click="navigate">School</ElButton></RouterLink>
            <ElButton v-if="school && (directs || shelf?.ensembles.length === 0)" @click="opening = true">New ensemble</ElButton>
            <RouterLink v-if="directs" v-slot="{ navigate }" to="/by-hand" custom><ElButton @click="navigate">Type notes</ElButton></RouterLink>
            <RouterLink v-if="directs" v-slot="{ navigate }" to="/import" custom>
                <ElButton type="primary" @click="navigate">Import music</ElButton>
            </RouterLink>
        </template>
    </TopBar>
    <main class="shelf">
        <AsideList />
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <ElSkeleton v-else-if="shelf === null" :rows="8" animated />
        <p v-if="shelf?.ensembles.length === 0" class="notice">The shelf is empty. Open an ensemble first; then import its music and ask colleagues in.</p>
        <p v-if="wanted && there.length === 0" class="notice">Nothing on the shelf is called that.</p>
        <p v-if="last && wanted === ''" class="go-on"><RouterLink :to="lastPlace"><kbd aria-hidden="true">Enter</kbd>Go on with <strong>{{ last.title }}, {{ last.name }}</strong></RouterLink> <span class="quiet">{{ timeWords(last.at) }}</span></p>
        <p v-if="shelf?.habit && wanted === ''" class="shelf-habit"><span>{{ shelf.habit.sentence }} <span class="quiet">{{ shelf.habit.evidence }}</span></span> <RouterLink :to="`/ensembles/${shelf.habit.ensemble}/profile`">Make it the rule for {{ shelf.habit.name }}?</RouterLink></p>
        <section v-if="shelf && shelf.drafts.length > 0 && wanted === ''" class="drafts" aria-label="Being typed">
            <h2>Being typed</h2>
            <RouterLink v-for="draft in shelf.drafts" :key="draft.key" class="draft" :to="`/by-hand/${draft.key}`"><strong>{{ draft.of ?? (draft.title || 'A new tune') }}</strong> <span class="quiet">{{ draft.measures }} {{ say(draft.measures === 1 ? 'measure' : 'measures') }}, {{ dayWords(draft.at) }}</span></RouterLink>
        </section>
        <EnsembleSection v-for="ensemble in there" :key="ensemble.id" :ensemble="ensemble" :shows-all="wanted !== ''" />
        <ElButton v-if="away > 0" text @click="showsAway = !showsAway">{{ showsAway ? 'Hide ensembles that are put away' : `Ensembles put away (${away})` }}</ElButton>
        <EnsembleForm v-if="opening && school" :title="`New ensemble at ${school.name}`" button="Open it" :save="(given) => api.openEnsemble(school?.id ?? 0, given)" @done="opened" @close="opening = false" />
    </main>
</template>
