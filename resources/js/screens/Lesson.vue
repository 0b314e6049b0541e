<script setup lang="ts">
import { ElAlert, ElButton, ElOption, ElSelect } from 'element-plus'
import { v4 as uuid } from 'uuid'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api } from '../api/client'
import type { Demand, Lesson, LessonSource } from '../api/types'
import { useAttempt } from '../components/attempt'
import TopBar from '../components/TopBar.vue'
import { PaperMaker } from '../page/paper-maker'
import { lineWidth } from '../page/sheets'
import { tableSheets } from '../page/table-sheet'
import MusicSheet from '../practising/MusicSheet.vue'
import { SECTIONS } from '../staff/words'
import { paper } from '../stores/paper'
import { remembered } from '../stores/remembered'
import { say, speak } from '../stores/say'

/** A line or piece as a lesson: what it asks of whom, what prepares it; a line for all four instruments, with the teacher's sheet. */
const id = Number(useRoute().params.id)
const lesson = ref<Lesson | null>(null)
const under = ref<'names' | 'fingers' | 'counts' | 'nothing'>('nothing')
/** The part of which the sheet is; 0: all of them. */
const only = ref(0)
const beginners = remembered('lesson-large', false)
const { fault, busy, attempt } = useAttempt()

/** Larger heads: shorter lines on the same sheet. */
const width = computed(() => (beginners.value ? lineWidth('large') : lineWidth('a4')))
const where = (measures: readonly string[]) => `${say(measures.length === 1 ? 'Measure' : 'Measures')} ${measures.join(', ')}`
const place = (one: Demand) => `${one.what}, ${say('measure')} ${one.measure}${one.times > 1 ? `, ${one.times}×` : ''}`

async function load(): Promise<void> {
    lesson.value = await api.lesson(id, under.value, only.value || null)
    speak(lesson.value.words)
    document.title = `Lesson: ${lesson.value.title}`
}

const spread = ({ part, missing }: LessonSource) =>
    attempt(async () => {
        await api.spreadLine(id, { key: uuid(), for: missing, part })
        await load()
    })
const grow = () =>
    attempt(async () => {
        await api.growProfile(id)
        await load()
    })
const teach = (taught: boolean) =>
    attempt(async () => {
        await api.changePiece(id, { taught })
        await load()
    })

const heading = computed(() => ({ title: lesson.value?.title ?? '', composer: '', part: lesson.value?.sections.find(({ part }) => part === only.value)?.name ?? 'All instruments', ensemble: lesson.value?.ensemble ?? '', told: [] }))
const rows = () => [
    ...(lesson.value?.sections ?? []).flatMap((section) => [[section.name, section.sentence, ''], ...section.counting.map((sentence) => [section.name, sentence, ''])]),
    ...(lesson.value?.shared ?? []).map((words) => ['Shared', words, '']),
    ...(lesson.value?.differs ?? []).map(({ words, measures }) => ['Differs', words, where(measures)]),
]
const teachersHeading = () => ({ ...heading.value, part: 'For the teacher' })
const teachersSheet = new PaperMaker(
    (sheet) => tableSheets([{ title: 'Who', share: 0.15, bold: true }, { title: 'What', share: 0.6 }, { title: 'Where', share: 0.25 }], rows(), sheet, teachersHeading()),
    teachersHeading,
    () => paper.value,
)
onMounted(() => attempt(load))
onBeforeUnmount(() => teachersSheet.dispose())
</script>

<template>
    <TopBar says-saving><h1 v-if="lesson" class="top-title">{{ lesson.title }}: {{ lesson.kind === 'line' ? 'as a lesson' : 'what it asks for' }}</h1></TopBar>
    <main class="staff-page lesson">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <template v-if="lesson">
            <div class="row lesson-doors">
                <template v-if="lesson.kind === 'line'">
                    <ElButton v-for="source in lesson.sources.filter(({ missing }) => missing.length > 0)" :key="source.part" type="primary" :loading="busy" @click="spread(source)">Write {{ lesson.sources.length > 1 ? source.name : 'it' }} for {{ source.missing.map((one) => SECTIONS[one].toLowerCase()).join(', ') }} too</ElButton>
                    <ElButton v-if="lesson.taught === null" :loading="busy" @click="teach(true)">The class has played it</ElButton>
                    <ElButton v-else :loading="busy" @click="teach(false)">Not played after all</ElButton>
                </template>
                <ElButton @click="teachersSheet.print()">Print the teacher’s sheet</ElButton>
                <ElButton @click="teachersSheet.save()">Teacher’s sheet as PDF</ElButton>
                <RouterLink class="el-button" :to="`/pieces/${id}`">The piece’s own page</RouterLink>
            </div>
            <p class="quiet">{{ lesson.after.length === 0 ? 'No lesson line is ticked as played yet: what is known is what the class profile says.' : `Counted from the lesson lines that the class has played: ${lesson.after.join(', ')}.` }}</p>
            <p v-if="lesson.gains.length > 0" class="notice">The class profile does not list {{ lesson.gains.join(', ') }} yet. <ElButton size="small" :loading="busy" @click="grow">This line teaches it: put it into the profile</ElButton></p>
            <p v-for="sentence in lesson.tooEarly" :key="sentence" class="notice">{{ sentence }}</p>
            <div class="lesson-sections">
                <section v-for="section in lesson.sections" :key="section.part" :aria-label="section.name">
                    <h2>{{ section.name }}</h2>
                    <p>{{ section.sentence }}</p>
                    <p v-for="sentence in section.counting" :key="sentence" class="quiet">{{ sentence }}</p>
                    <dl>
                        <template v-if="section.new.length > 0"><dt>New</dt><dd><RouterLink v-for="one in section.new" :key="one.what" class="demand" :to="`/parts/${section.part}?measure=${encodeURIComponent(one.measure)}`">{{ place(one) }}</RouterLink></dd></template>
                        <template v-if="section.reviews.length > 0"><dt>Worth a look back</dt><dd><RouterLink v-for="one in section.reviews" :key="one.what" class="demand" :to="`/parts/${section.part}?measure=${encodeURIComponent(one.measure)}`">{{ place(one) }}</RouterLink></dd></template>
                        <template v-if="section.prepared.length > 0"><dt>Prepared by</dt><dd class="lesson-prepared"><span v-for="one in section.prepared" :key="one.piece"><RouterLink :to="`/pieces/${one.piece}/lesson`">{{ one.title }}</RouterLink> ({{ one.what.slice(0, 3).join(', ') }}{{ one.what.length > 3 ? ' …' : '' }}) for {{ where(one.measures.slice(0, 6)).toLowerCase() }}{{ one.measures.length > 6 ? ' …' : '' }}</span></dd></template>
                    </dl>
                    <details v-if="section.ready.length > 0"><summary>Ready ({{ section.ready.length }})</summary><p>{{ section.ready.map(({ what }) => what).join(', ') }}</p></details>
                    <p class="row"><RouterLink :to="`/parts/${section.part}`">Open its desk</RouterLink> <RouterLink :to="`/parts/${section.part}/practice`">Make practice of it</RouterLink></p>
                </section>
            </div>
            <section v-if="lesson.kind === 'line' && lesson.sections.length > 1" aria-label="Where they differ">
                <h2>Who does the same, and where they differ</h2>
                <ul>
                    <li v-for="words in lesson.shared" :key="words">{{ words }}</li>
                    <li v-for="one in lesson.differs" :key="one.words"><strong>{{ where(one.measures) }}</strong> {{ one.words }}</li>
                </ul>
                <p v-if="lesson.shared.length + lesson.differs.length === 0" class="quiet">Nothing differs that would have to be said.</p>
            </section>
            <MusicSheet v-if="lesson.music" :music="lesson.music" :heading="heading" :label="`${lesson.title}, all instruments`" :width="width" :size="beginners ? 'large' : null">
                <template #head>
                    <ElSelect v-model="only" aria-label="Whose sheet" class="lesson-under" @change="attempt(load)"><ElOption :value="0" label="All instruments on one page" /><ElOption v-for="one in lesson.sections" :key="one.part" :value="one.part" :label="one.name" /></ElSelect>
                    <ElSelect v-model="under" aria-label="Under the notes" class="lesson-under" @change="attempt(load)"><ElOption value="nothing" label="Nothing under the notes" /><ElOption value="names" label="Names under the notes" /><ElOption value="fingers" label="Fingers under the notes" /><ElOption value="counts" label="Counts at pickup and repeat" /></ElSelect>
                    <label><input v-model="beginners" type="checkbox"> Large, for beginners and the projector</label>
                </template>
            </MusicSheet>
            <p v-else class="notice">This is a printed set: its notes are not put on sheets of ours.</p>
        </template>
    </main>
</template>
