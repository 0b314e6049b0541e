<script setup lang="ts">
import { ElAlert, ElButton, ElMessage, ElProgress, ElSelect } from 'element-plus'
import { computed, onMounted, ref, shallowRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../api/client'
import type { CorrectedPart, Correction, Piece } from '../api/types'
import { useAttempt } from '../components/attempt'
import TopBar from '../components/TopBar.vue'
import { goneWords, RIGHTS } from '../desk/words'
import { MOST_BYTES, partNames, tuneChoices } from '../music/files'
import MusicDrop from '../music/MusicDrop.vue'
import ReadWarnings from '../music/ReadWarnings.vue'
import { say, speak } from '../stores/say'

/** A corrected edition of a piece or a part: what it changes and what becomes of the decisions is shown before anything is put in. */
const route = useRoute()
const router = useRouter()
const id = Number(route.params.id)
const only = route.query.part === undefined ? null : Number(route.query.part)
const { fault, busy, attempt } = useAttempt()
const piece = ref<Piece | null>(null)
const files = shallowRef<File[]>([])
const tune = ref<number | null>(null)
const tried = ref<Correction | null>(null)
/** What the director said of which part is meant; the rest is matched by name. */
const chosen = ref<Record<number, string>>({})
const LEFT = ''
/** Fewer notes than this share that are known again: it may be another part altogether. */
const STRANGE = 0.5

const names = computed(() => partNames(tried.value?.theirs ?? []))
const tunes = computed(() => tuneChoices(tried.value?.tunes ?? []))
const choices = computed(() => [{ value: LEFT, label: 'leave it as it is' }, ...(tried.value?.theirs ?? []).map(({ id: value, name, measures }) => ({ value, label: say(`${name}, ${measures} measures`) }))])
const changing = computed(() => (tried.value?.parts ?? []).filter((part) => part.from !== null && changes(part)))
const title = computed(() => (piece.value ? `A corrected edition of ${piece.value.title}` : 'A corrected edition'))

onMounted(() =>
    attempt(async () => {
        piece.value = await api.piece(id)
        speak(piece.value.words)
    }),
)

async function take(given: File[], which: number | null = null): Promise<void> {
    files.value = given
    tune.value = which
    chosen.value = {}
    tried.value = null
    await look()
}

async function look(): Promise<void> {
    const large = files.value.find(({ size }) => size > MOST_BYTES)
    await attempt(async () => {
        if (large) {
            throw new Error(`“${large.name}” is over 20 MB; a score this large is refused.`)
        }
        tried.value = await api.tryCorrection(id, files.value, tune.value, only, chosen.value)
    })
}

async function mean(part: CorrectedPart, from: string): Promise<void> {
    chosen.value = { ...chosen.value, [part.part]: from }
    await look()
}

const changes = (part: CorrectedPart) => part.fresh > 0 || part.measures.length > 0 || part.gone.length > 0
const strange = (part: CorrectedPart) => part.same < STRANGE * (part.same + part.fresh)

function keptWords({ kept, gone }: CorrectedPart): string {
    if (kept === 0 && gone.length === 0) {
        return 'none yet'
    }
    const stay = kept === 1 ? 'one stays' : `${kept} stay`
    return gone.length === 0 ? stay : `${stay}, ${gone.length === 1 ? 'one loses its note' : `${gone.length} lose their note`}:`
}

function differences(part: CorrectedPart): string {
    if (!changes(part)) {
        return 'The notes are the same; lengths, slurs and signs may differ.'
    }
    const shown = part.measures.slice(0, 12)
    const more = part.measures.length - shown.length
    return say(`${part.fresh === 1 ? 'One note' : `${part.fresh} notes`} new, in ${shown.length === 1 ? 'measure' : 'measures'} ${shown.join(', ')}${more > 0 ? ` and ${more} more` : ''}.`)
}

async function put(): Promise<void> {
    const parts = Object.fromEntries((tried.value?.parts ?? []).flatMap(({ part, from }) => (from === null ? [] : [[part, from]])))
    const bases = Object.fromEntries((tried.value?.parts ?? []).map(({ part, base }) => [part, base]))
    const told = changing.value.reduce((sum, { gone }) => sum + gone.length, 0)
    if (await attempt(() => api.correct(id, files.value, tune.value, parts, bases))) {
        ElMessage.success(told === 0 ? 'The notes are changed; every decision is where it was.' : `The notes are changed. ${told === 1 ? 'One decision' : `${told} decisions`} wait on the desk to be placed.`)
        const first = changing.value[0]?.part ?? only
        await router.push(first !== undefined && first !== null && Object.keys(parts).length === 1 ? `/parts/${first}` : `/pieces/${id}`)
    }
}
</script>

<template>
    <TopBar says-saving><h1 class="screen-title">{{ title }}</h1></TopBar>
    <main class="import">
        <MusicDrop :files="files" :small="tried !== null" words="Choose the corrected files" @take="take" />
        <p class="quiet">
            Decisions stay with their notes: a note is known again by its {{ say('measure') }}, beat and pitch. What loses its note is listed, never thrown away. The notes as they are now stay as an edition and can be brought back.
            <span v-if="piece">The rights stay as they are: {{ RIGHTS[piece.rights]?.toLowerCase() }}.</span>
        </p>
        <div v-if="busy" class="notice" role="status">Reading…<ElProgress :percentage="100" indeterminate :show-text="false" /></div>
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <section v-if="tried" class="correction" aria-label="What it changes">
            <div v-if="tunes.length > 0" class="tunes">
                <label for="tune">This file holds {{ tunes.length }} tunes. Read</label>
                <ElSelect id="tune" :model-value="tune ?? 1" :options="tunes" filterable aria-label="Tune of the file" @change="take(files, $event)" />
            </div>
            <table class="corrections">
                <thead><tr><th>Part</th><th>In the file</th><th>Notes</th><th>Decisions</th></tr></thead>
                <tbody>
                    <tr v-for="part in tried.parts" :key="part.part">
                        <td>{{ part.name }}</td>
                        <td><ElSelect :model-value="part.from ?? LEFT" :options="choices" size="small" :aria-label="`Part of the file for ${part.name}`" @change="mean(part, $event)" /></td>
                        <td v-if="part.from === null" class="quiet" colspan="2">stays as it is</td>
                        <template v-else>
                            <td>
                                {{ differences(part) }}
                                <strong v-if="strange(part)" class="strange">Few of its notes are the same: is this the right part?</strong>
                            </td>
                            <td>
                                {{ keptWords(part) }}
                                <ul v-if="part.gone.length > 0" class="gone-list"><li v-for="(gone, index) in part.gone" :key="index">{{ goneWords(gone) }}</li></ul>
                            </td>
                        </template>
                    </tr>
                </tbody>
            </table>
            <ReadWarnings :warnings="tried.warnings" :names="names" />
            <ElButton type="primary" :disabled="busy || tried.parts.every(({ from }) => from === null)" @click="put">Put it in</ElButton>
        </section>
    </main>
</template>
