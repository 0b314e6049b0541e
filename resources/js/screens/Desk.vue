<script setup lang="ts">
import { useEventListener, useMediaQuery } from '@vueuse/core'
import { ElAlert, ElButton, ElMessage, ElMessageBox, ElSkeleton } from 'element-plus'
import { storeToRefs } from 'pinia'
import { computed, nextTick, onBeforeUnmount, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../api/client'
import TopBar from '../components/TopBar.vue'
import PageBeside from '../beside/PageBeside.vue'
import AskWords from '../components/AskWords.vue'
import Carry from '../desk/Carry.vue'
import { useCarrying } from '../desk/carrying'
import { deskCommands } from '../desk/commands'
import { deskHands } from '../desk/desk-hands'
import DeskPaper from '../desk/DeskPaper.vue'
import { useFindingWalk } from '../desk/finding-walk'
import HandOut from '../desk/HandOut.vue'
import KeySheet from '../desk/KeySheet.vue'
import Lip from '../desk/Lip.vue'
import { useOnPaper } from '../desk/on-paper'
import { useOpenPlaces } from '../desk/open-places'
import { placesIn } from '../desk/places'
import Rail from '../desk/Rail.vue'
import { useSelection } from '../desk/selection'
import { useSettling } from '../desk/settling'
import Suggested from '../desk/Suggested.vue'
import { useTogether } from '../desk/together'
import { useTrying } from '../desk/trying'
import { LEVELS, problemWords } from '../desk/words'
import { answer } from '../marks/keys'
import type { Decision, Suggestion } from '../api/types'
import type { ScorePage } from '../page/score-page'
import { lineWidth } from '../page/sheets'
import { useHearing } from '../sound/hearing'
import LargeHand from '../sound/LargeHand.vue'
import PlayBar from '../sound/PlayBar.vue'
import { drawn, useDesk } from '../stores/desk'
import { paper } from '../stores/paper'
import { remembered } from '../stores/remembered'

/** Findings that the bow track shows in its path. */
const ALONG_THE_BOW = ['runs-out', 'stuck-at-end', 'stroke-off-place', 'accent-weak', 'retake-too-short']

const desk = useDesk()
const { part, notes, left: findings, plan, layer: decided, questions, waiting } = storeToRefs(desk)
const route = useRoute()
const router = useRouter()
const selecting = useSelection(notes)
const trying = useTrying(() => desk.part?.part.id ?? null, () => desk.players)
const walk = useFindingWalk(findings, plan, trying, (note) => choose(note))
/** How wide a line of music is on this screen, in tenths of a millimetre on paper: on a narrow one notes stay readable. */
const narrow = useMediaQuery('(max-width: 900px)')
const lineOnScreen = computed(() => (narrow.value ? 1000 : lineWidth('a4')))
const onPaper = useOnPaper(part, decided, questions, lineOnScreen)
const carrying = useCarrying(() => desk.part?.part.id ?? null, () => desk.players, (ids) => ids.some((id) => Object.keys(selecting.at(id)?.decided ?? {}).length > 0), waiting)
const settling = useSettling(() => desk.part?.part.id ?? null, () => desk.players, questions, trying)
const open = useOpenPlaces(() => desk.part?.part.id ?? null, () => desk.marking?.state ?? '')
const hearing = useHearing(
    computed(() => {
        const [id, players, state] = [desk.part?.part.id, desk.players, desk.marking?.state ?? '']
        return id === undefined ? null : { name: `${id} ${players} ${state}`, heard: (decisions) => api.heard(id, players, decisions) }
    }),
    () => Promise.all((desk.part?.siblings ?? []).filter(({ id }) => id !== desk.part?.part.id).map(({ id }) => api.heard(id, null))),
    (problem) => ElMessage.error(problem),
)
const together = useTogether()
const spanning = ref(false)
const [bowTracked, handTracked, singleKeys] = [remembered('bow-track', true), remembered('hand-track', false), remembered('single-keys', true)]
const [sizing, handingOut, showingKeys] = [ref(true), ref(false), ref(false)]
/** The page that the publisher printed lies beside it. */
const printed = remembered('desk-page', false)
const asker = ref<InstanceType<typeof AskWords> | null>(null)
const fault = ref('')

const places = computed(() => placesIn(desk.part?.music ?? ''))
const measures = computed(() => places.value.measures)
const here = computed(() => notes.value.find(({ id }) => id === selecting.selection.value.at(-1))?.measure ?? measures.value[0] ?? '')
const trial = computed(() => trying.trial.value)
const flags = computed(() => findings.value.map(({ note }, index) => ({ note, number: index + 1 })))
const pointed = computed(() => [...settling.pointed.value, ...carrying.pointed.value, ...together.pointed.value])
const heard = computed(() => hearing.cursor.value?.note?.id ?? null)
const layer = computed(() => (trial.value ? drawn(trial.value.drawn.notes) : decided.value))
const tracks = computed(() => {
    const [now, before] = [trial.value?.drawn.notes ?? notes.value, trial.value ? notes.value : null]
    const troubled = (trial.value?.drawn.findings ?? findings.value).filter(({ code }) => ALONG_THE_BOW.includes(code))
    const strings = desk.marking?.board?.strings
    return {
        bow: bowTracked.value ? { notes: now, before, troubled: new Set(troubled.map(({ note }) => note)) } : null,
        hand: handTracked.value && strings ? { notes: now, before, strings } : null,
        versions: settling.drawn.value,
        tried: settling.question.value?.notes ?? [],
    }
})

const hands = deskHands({
    desk,
    selecting,
    trying,
    walk,
    carrying,
    settling,
    open,
    hearing,
    places: () => places.value,
    page: onPaper.page,
    choose,
    visit,
    lookBack: () => void router.push(`/parts/${desk.part?.part.id}/history`),
    spanning,
    sizeUp: () => (sizing.value = !sizing.value),
    bowTracked,
    handTracked,
    handingOut,
    showingKeys,
    ask: (...question) => asker.value?.ask(...question) ?? Promise.resolve(null),
    confirm: (question, title) => ElMessageBox.confirm(question, title, { confirmButtonText: 'Take it all', cancelButtonText: 'Leave it' }).then(() => true, () => false),
})
const commands = deskCommands(hands)

async function load(): Promise<void> {
    fault.value = ''
    selecting.clear()
    walk.leave()
    trying.endDraft()
    carrying.clear()
    sizing.value = true
    try {
        if (await desk.open(Number(route.params.id), route.query.players === undefined ? null : String(route.query.players))) {
            show(String(route.query.show ?? ''))
            wanted = { measure: String(route.query.measure ?? ''), note: String(route.query.note ?? '') }
            lookedAt()
            document.title = `${desk.part?.piece.title}, ${desk.part?.part.name} – Upright Pencil`
        }
    } catch (problem) {
        fault.value = problemWords(problem)
    }
}

/** Whoever comes for a measure or note finds it chosen, once the page is there. */
let wanted = { measure: '', note: '' }
function drawnOnPaper(page: ScorePage): void {
    onPaper.drawn(page)
    const first = notes.value.find(({ id, measure }) => (wanted.note === '' ? measure === wanted.measure : id === wanted.note))
    wanted = { measure: '', note: '' }
    if (first) {
        choose(first.id)
    }
}

/** Whoever comes from the line-up looks at what it offers for this part. */
function lookedAt(): void {
    const { looking } = history.state as { looking?: unknown }
    if (typeof looking === 'string') {
        void trying.look('line', 0, JSON.parse(looking) as Decision[])
    }
}

/** Whoever comes from the shelf finds what they came for. */
function show(what: string): void {
    handingOut.value = what === 'hand-out'
    if (what === 'findings') {
        sizing.value = false
        hands.finding(1)
    }
}

/** What somebody suggests is looked at on the page before it is answered. */
async function lookAtSuggestion({ note, decisions }: Suggestion): Promise<void> {
    choose(note)
    // Another choice forgets what was looked at before: only then is it looked at.
    await nextTick()
    void trying.look('suggestion', 0, decisions)
}

function visit(id: number, note: string): void {
    void router.push(`/parts/${id}?note=${encodeURIComponent(note)}`)
}

function choose(note: string | null, extend = false): void {
    if (note !== null) {
        selecting.choose(note, extend)
        sizing.value = false
        void nextTick(() => reveal(note))
    }
}

/** By touch a span is made in two presses: “Span to…”, then its last note. */
function pressed(note: string, extend: boolean): void {
    choose(note, extend || spanning.value)
    spanning.value = false
}

/** By touch, “only here” is a long press on the note. */
function lingered(note: string): void {
    choose(note)
    hands.once()
}

/** Scrolls so that the note's whole line is well inside the page. */
function reveal(note: string): void {
    const frame = document.querySelector('.desk-page')
    const line = onPaper.page()?.place(note)
    if (frame && line) {
        // On a narrow screen, or with large letters, the whole window scrolls.
        const [scrolls, seen] = getComputedStyle(frame).overflowY === 'visible' ? [window, new DOMRect(0, 0, innerWidth, innerHeight - 120)] : [frame, frame.getBoundingClientRect()]
        if (line.top < seen.top + 20 || line.bottom > seen.bottom - 20) {
            scrolls.scrollBy({ top: line.top - seen.top - Math.max(20, (seen.height - line.height) / 3) })
        }
    }
}

useEventListener(window, 'keydown', (event) => {
    if (!handingOut.value && !showingKeys.value && asker.value?.asking !== true) {
        answer(event, commands, singleKeys.value)
    }
})
onBeforeUnmount(() => {
    desk.close()
    document.title = 'Upright Pencil'
})
watch([selecting.selected, selecting.anchor, () => desk.marking], trying.forget)
// The page follows what is heard.
watch(heard, (note) => note !== null && reveal(note))
watch(() => [route.params.id, route.query.players], ([id]) => id !== undefined && load(), { immediate: true })
</script>

<template>
    <div class="desk">
        <TopBar>
            <template v-if="desk.part">
                <div class="crumbs">
                    <h1>{{ desk.part.piece.title }}</h1>
                    <span class="quiet">{{ desk.part.ensemble.name }}, {{ LEVELS[desk.part.ensemble.level] ?? desk.part.ensemble.level }}{{ desk.part.part.final ? ', final' : desk.part.part.decides ? '' : desk.part.part.suggests ? ', you suggest' : ', to look at' }}</span>
                </div>
                <nav class="siblings" aria-label="Parts of this piece">
                    <button
                        v-for="sibling in desk.part.siblings" :key="sibling.id" type="button"
                        :aria-current="sibling.id === desk.part.part.id ? 'page' : undefined" @click="router.push(`/parts/${sibling.id}`)"
                    >
                        {{ sibling.name }}
                    </button>
                </nav>
            </template>
            <template #actions>
                <RouterLink v-if="desk.part && desk.part.siblings.length > 1 && desk.part.part.decides" class="el-button is-text" :to="{ path: `/pieces/${desk.part.piece.id}/line-up`, query: { part: desk.part.part.id, note: selecting.chosen.value?.id } }">Line-up</RouterLink>
                <ElButton :disabled="!desk.part" text :type="printed ? 'primary' : ''" :aria-pressed="printed" @click="printed = !printed">Printed page</ElButton>
                <ElButton :disabled="!desk.part" type="primary" @click="handingOut = true">Hand out</ElButton>
            </template>
        </TopBar>
        <main v-if="fault" class="desk-fault"><ElAlert type="error" :title="fault" :closable="false" /></main>
        <main v-else-if="desk.part" class="desk-main">
            <div class="desk-left">
                <nav v-if="desk.part.groups.length > 0" class="siblings editions" aria-label="For some of the players">
                    <button type="button" :aria-current="desk.players === null ? 'page' : undefined" @click="router.push(`/parts/${desk.part.part.id}`)">all</button>
                    <button v-for="group in desk.part.groups" :key="group.key" type="button" :aria-current="group.key === desk.players ? 'page' : undefined" @click="router.push(`/parts/${desk.part.part.id}?players=${group.key}`)">{{ group.name }}</button>
                </nav>
                <PageBeside v-if="printed" :beside="`parts/${desk.part.part.id}`" :measure="Math.max(0, measures.indexOf(here))" :name="here" :changes="desk.part.part.shares" />
                <DeskPaper :desk="desk.part" :width="lineOnScreen" :layer="layer" :selected="selecting.selection.value" :flags="flags" :tracks="tracks" :trial="trial" :pointed="pointed" :heard="heard" @choose="pressed" @linger="lingered" @drawn="drawnOnPaper" />
                <Carry :carrying="carrying" @all="hands.carry()" @go="choose" @apart="(from, to) => (carrying.done(from), desk.decide({ note: from, to, apart: true }))" @leave="carrying.clear()" />
                <LargeHand v-if="hearing.large.value && hearing.playing.value" :cursor="hearing.cursor.value" :notes="trial?.drawn.notes ?? notes" />
                <PlayBar v-if="hearing.shown.value" :keyed="false" :hearing="hearing" :span="selecting.spanWords.value" :several="desk.part.siblings.length > 1" @play="hands.hear()" @close="hearing.stop(), (hearing.shown.value = false)" />
            </div>
            <Rail v-model:sizing="sizing" :selecting="selecting" :trying="trying" :walk="walk" :settling="settling" :open="open" :commands="commands" :single-keys="singleKeys" @choose="choose" @visit="visit">
                <Suggested :together="together" :decides="desk.part.part.decides" @look="lookAtSuggestion" />
            </Rail>
        </main>
        <main v-else class="desk-fault"><ElSkeleton :rows="6" animated /></main>
        <Lip v-if="desk.part" :commands="commands" :can-undo="desk.canUndo" :can-redo="desk.canRedo" :playing="hearing.playing.value" @hear="hearing.shown.value ? hands.hear() : (hearing.shown.value = true)" @look-back="hands.lookBack()" @undo="hands.undo()" @redo="hands.redo()" @keys="showingKeys = true" />
        <HandOut
            v-if="desk.part" v-model="handingOut" v-model:paper="paper" v-model:proposals="onPaper.withProposals.value" v-model:reasons="onPaper.withReasons.value" v-model:what="onPaper.what.value" :part="desk.part" :busy="onPaper.busy.value"
            :saving="desk.waiting.length + desk.aside.length > 0" :open-questions="settling.open.value.length" @print="onPaper.print" @pdf="onPaper.save"
        />
        <AskWords ref="asker" />
        <KeySheet v-model="showingKeys" v-model:singles="singleKeys" :commands="commands" />
    </div>
</template>
