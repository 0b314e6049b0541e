<script setup lang="ts">
import { ElAlert, ElButton, ElMessage, ElSkeleton } from 'element-plus'
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../api/client'
import type { History, Past, RecordLine } from '../api/types'
import { useAttempt } from '../components/attempt'
import TopBar from '../components/TopBar.vue'
import Score from '../page/Score.vue'
import { useQueue } from '../record/queue'
import { say } from '../stores/say'
import { dayWords, timeWords } from '../stores/days'

/** Looking back: who decided what, when and why; any earlier moment as the page was, and brought back. */
const LINE_WIDTH = 1800
const WHAT: Record<RecordLine['what'], string> = { decide: '', undo: 'Took back: ', redo: 'Decided again: ' }

const id = Number(useRoute().params.id)
const queue = useQueue()
const { fault, busy, attempt } = useAttempt()
const told = shallowRef<History | null>(null)
const shown = ref<number | null>(null)
const page = shallowRef<Past | null>(null)

/** The entries by day, the newest day first. */
const days = computed(() => {
    const made: { day: string; entries: RecordLine[] }[] = []
    for (const entry of told.value?.entries ?? []) {
        const day = dayWords(entry.at)
        const last = made.at(-1)
        if (last?.day === day) {
            last.entries.push(entry)
        } else {
            made.push({ day, entries: [entry] })
        }
    }
    return made
})
const newest = computed(() => told.value?.entries[0]?.seq ?? 0)

const load = (before?: number | null) =>
    attempt(async () => {
        const answer = await api.history(id, before ? { before } : {})
        told.value = before && told.value ? { ...answer, entries: [...told.value.entries, ...answer.entries] } : answer
        document.title = `${answer.title}, ${answer.name}, looked back on`
    })

function bringBack(): void {
    const past = page.value
    if (past && past.back.length > 0) {
        queue.push({ part: id, kind: 'decide', decisions: past.back, seen: newest.value })
        ElMessage.success('It is as it was then, as a new entry: undo on the desk takes it back.')
    }
}

onMounted(() => load())
// What is brought back is an entry of its own, once it is saved.
watch(
    () => queue.waiting.length,
    (waiting, before) => waiting === 0 && before > 0 && void load().then(() => (shown.value = null)),
)
watch(shown, (seq) => {
    page.value = null
    return seq === null ? undefined : attempt(async () => {
        const fetched = await api.past(id, seq)
        page.value = seq === shown.value ? fetched : page.value
    })
})
</script>

<template>
    <TopBar says-saving><h1 class="screen-title">{{ told ? `${told.title}, ${told.name}, looked back on` : 'Looking back' }}</h1></TopBar>
    <main class="editions-page history-page">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <ElSkeleton v-if="told === null && !fault" :rows="6" animated />
        <template v-if="told">
            <section class="editions-list" aria-label="What was decided">
                <p><RouterLink :to="`/parts/${id}`">To the desk</RouterLink> · <RouterLink :to="`/parts/${id}/editions`">Editions of its notes</RouterLink></p>
                <p v-if="told.entries.length === 0" class="quiet">Nothing was decided in this part yet.</p>
                <section v-for="day in days" :key="day.day">
                    <h2>{{ day.day }}</h2>
                    <ol>
                        <li v-for="entry in day.entries" :key="entry.seq" :class="{ gone: !entry.counts && entry.what === 'decide' }">
                            <button type="button" :aria-current="entry.seq === shown ? 'true' : undefined" @click="shown = entry.seq">
                                <strong>{{ entry.by }}, {{ timeWords(entry.at) }}</strong>
                                <span v-for="words in entry.words" :key="words">{{ WHAT[entry.what] }}{{ words }}</span>
                                <span v-if="entry.decisions > entry.words.length" class="quiet">and {{ entry.decisions - entry.words.length }} more</span>
                                <span v-if="entry.reason" class="entry-reason">{{ entry.reason }}</span>
                                <span v-if="entry.once" class="quiet">for this once</span>
                                <span v-if="!entry.counts && entry.what === 'decide'" class="quiet">taken back since</span>
                            </button>
                        </li>
                    </ol>
                </section>
                <p v-if="told.entries.length > 0"><button type="button" class="plain" @click="shown = 0">Before anything was decided</button></p>
                <ElButton v-if="told.more !== null" :loading="busy" @click="load(told.more)">Earlier ones</ElButton>
            </section>
            <section v-if="shown !== null" class="editions-shown" aria-label="The page as it was">
                <div class="row">
                    <span>{{ page ? `As it was ${shown === 0 ? 'before anything was decided' : `on ${dayWords(page.at)}, ${timeWords(page.at)}`}, worked out as today.` : 'Fetching that day…' }}</span>
                    <ElButton v-if="told.decides && page?.sameNotes && page.back.length > 0" type="primary" @click="bringBack">Bring it back</ElButton>
                    <RouterLink v-if="page && !page.sameNotes" :to="`/parts/${id}/editions`">Its notes are others now: bring its edition back first</RouterLink>
                </div>
                <details v-if="page && page.since.length > 0" open class="since">
                    <summary>What has changed on the page since <span class="count">{{ page.since.length }}</span></summary>
                    <ul tabindex="0" aria-label="Changes since"><li v-for="(line, index) in page.since" :key="index"><strong>{{ say(`Measure ${line.measure}`) }}{{ line.to ? ` to ${line.to}` : '' }}</strong>, beat {{ line.beat }}: {{ line.words }}</li></ul>
                </details>
                <p v-else-if="page?.sameNotes" class="quiet">The page looks the same today.</p>
                <div class="paper">
                    <Score v-if="page" :music="page.music" :layer="page.layer" :width="LINE_WIDTH" :label="`${told.title}, ${told.name}, as it was`" />
                    <ElSkeleton v-else :rows="6" animated />
                </div>
            </section>
            <section v-else class="editions-shown"><p class="notice">Choose an entry: the page is shown as it was when it was made.</p></section>
        </template>
    </main>
</template>
