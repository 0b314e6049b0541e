<script setup lang="ts">
import { ElButton, ElMessage, ElSkeleton } from 'element-plus'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../api/client'
import type { DecisionFields, Fix, SheetLine, SizeUp as Sized, Way } from '../api/types'
import TopBar from '../components/TopBar.vue'
import Findings from '../desk/Findings.vue'
import HandOut from '../desk/HandOut.vue'
import { answer, spoken } from '../desk/keys'
import AskWords from '../desk/AskWords.vue'
import { deskCommands } from '../desk/commands'
import type { DeskHands } from '../desk/hands'
import KeySheet from '../desk/KeySheet.vue'
import Fingerboard from '../desk/Fingerboard.vue'
import NoteCard from '../desk/NoteCard.vue'
import { PaperMaker } from '../desk/paper'
import { remembered } from '../desk/remembered'
import Score from '../desk/Score.vue'
import type { ScorePage } from '../desk/score-page'
import { useSelection } from '../desk/selection'
import { marked, transfer } from '../desk/sheets'
import SizeUp from '../desk/SizeUp.vue'
import { useTrying } from '../desk/trying'
import Ways from '../desk/Ways.vue'
import { LEVELS, problemWords } from '../desk/words'
import { useDesk } from '../stores/desk'
import { paper } from '../stores/paper'
import SignInAgain from '../desk/SignInAgain.vue'

/** A line of music on A4 with 15 mm at each side. */
const LINE_WIDTH = 1800

/** Findings that the bow track shows in its path. */
const ALONG_THE_BOW = ['runs-out', 'stuck-at-end', 'stroke-off-place', 'accent-weak', 'retake-too-short']

const desk = useDesk()
const route = useRoute()
const router = useRouter()
const notes = computed(() => desk.marking?.notes ?? [])
const selecting = useSelection(notes)
const { selected, anchor, chosen, selection, spanWords, strokeChosen } = selecting
const bowTracked = remembered('bow-track', true)
const handTracked = remembered('hand-track', false)
const trying = useTrying(() => desk.part?.part.id ?? null)
const { trial, why, ways } = trying
/** The rail shows the part sized up, until a note is chosen. */
const sizing = ref(true)
const sized = shallowRef<Sized | null>(null)
const sizeFault = ref('')
const currentFinding = ref<number | null>(null)
const handingOut = ref(false)
const showingKeys = ref(false)
const asker = ref<InstanceType<typeof AskWords> | null>(null)
const fault = ref('')
let page: ScorePage | null = null
let maker: PaperMaker | null = null
let sheet: SheetLine[] = []

const findings = computed(() => desk.marking?.findings ?? [])
const flags = computed(() => findings.value.map(({ note, mended }, index) => ({ note, mended, number: index + 1 })))
const waiting = computed(() => desk.queue.flatMap((entry) => entry.decisions ?? []).filter((decision) => !('note' in decision) || decision.note === selected.value))
const layer = computed(() => trial.value?.drawn.layer ?? desk.layer)
const tracks = computed(() => {
    const [now, before] = [trial.value?.drawn.notes ?? notes.value, trial.value ? notes.value : null]
    const troubled = (trial.value?.drawn.findings ?? findings.value).filter(({ code, mended }) => ALONG_THE_BOW.includes(code) && !mended)
    return {
        bow: bowTracked.value ? { notes: now, before, troubled: new Set(troubled.map(({ note }) => note)) } : null,
        hand: handTracked.value && desk.marking ? { notes: now, before, strings: desk.marking.board.strings } : null,
    }
})
const notationAllowed = computed(() => desk.part?.piece.rights !== 'printed-only')

const SAVING: Record<string, string> = {
    saved: 'All decisions are saved',
    saving: 'Saving…',
    waiting: 'Not saved yet; trying again',
    'signed-out': 'Signed out; sign in to save',
}

async function load(): Promise<void> {
    fault.value = ''
    selecting.clear()
    currentFinding.value = null
    trying.leave()
    sizing.value = true
    try {
        await desk.open(Number(route.params.id))
        void sizeUp()
        document.title = `${desk.part?.piece.title}, ${desk.part?.part.name} – Upright Pencil`
    } catch (problem) {
        fault.value = problemWords(problem)
    }
}

function choose(note: string | null, extend = false): void {
    if (note !== null) {
        selecting.choose(note, extend)
        sizing.value = false
        void nextTick(() => reveal(note))
    }
}

async function sizeUp(): Promise<void> {
    sized.value = null
    sizeFault.value = ''
    try {
        sized.value = desk.part ? await api.sizeUp(desk.part.part.id) : null
    } catch (problem) {
        sizeFault.value = problemWords(problem)
    }
}

function explain(): void {
    const note = selecting.fingered(selected.value)
    if (note === null) {
        ElMessage.info('Choose a note first: click it, or press →.')
        return
    }
    void trying.explain(note)
}

/** Asks for other ways first; then each press looks at the next one on the page. */
async function otherWays(): Promise<void> {
    const [from, to] = [selecting.fingered(selection.value[0]), selecting.fingered(selection.value.at(-1))]
    if (from === null || to === null) {
        ElMessage.info('Choose a note or a span first: click it, or press →.')
        return
    }
    if (trying.asking.value) {
        return
    }
    if (ways.value === null) {
        await trying.findWays(from, to)
    }
    lookAtWay(trial.value?.kind === 'way' ? trial.value.place + 1 : 0)
}

function lookAtWay(place: number): void {
    const way = ways.value?.[place]
    if (way) {
        void trying.look('way', place, way.decisions)
    } else {
        trying.leave()
    }
}

function takeWay(way: Way): void {
    trying.leave()
    desk.decide(...way.decisions)
}

function look(place: number): void {
    const fix = findings.value[currentFinding.value ?? -1]?.fixes[place]
    if (fix) {
        void trying.look('fix', place, fix.decisions)
    } else {
        trying.leave()
    }
}

/** Scrolls so that the note's whole line is well inside the page. */
function reveal(note: string): void {
    const frame = document.querySelector('.desk-page')
    const line = page?.place(note)
    if (frame && line) {
        const seen = frame.getBoundingClientRect()
        if (line.top < seen.top + 20 || line.bottom > seen.bottom - 20) {
            frame.scrollBy({ top: line.top - seen.top - Math.max(20, (seen.height - line.height) / 3) })
        }
    }
}

function go(index: number): void {
    const finding = findings.value[index]
    if (finding) {
        currentFinding.value = index
        trying.leave()
        choose(finding.note)
    }
}

function take(fix: Fix): void {
    desk.decide(...fix.decisions)
    currentFinding.value = null
    trying.leave()
}

const hands: DeskHands = {
    step: (by) => choose(selecting.away(by)),
    extend: (by) => choose(selecting.away(by), true),
    span: () => selection.value,
    measures: selecting.measures,
    decide: (...decisions) => {
        trying.leave()
        desk.decide(...decisions)
    },
    preview: () => void (currentFinding.value === null ? ElMessage.info('Go to a finding first: F.') : look(trial.value?.kind === 'fix' ? trial.value.place + 1 : 0)),
    why: explain,
    ways: () => void otherWays(),
    sizeUp: () => {
        sizing.value = !sizing.value
        if (sizing.value) {
            void sizeUp()
        }
    },
    leave: () => {
        trying.leave()
        trying.forget()
        anchor.value = null
    },
    bowTrack: () => (bowTracked.value = !bowTracked.value),
    handTrack: () => (handTracked.value = !handTracked.value),
    line: (by) => choose(selected.value === null ? (notes.value[0]?.id ?? null) : (page?.lineAway(selected.value, by) ?? null)),
    edge: (last) => choose(notes.value[last ? notes.value.length - 1 : 0]?.id ?? null),
    finding: (by) => {
        const count = findings.value.length
        if (count > 0) {
            go(currentFinding.value === null ? (by > 0 ? 0 : count - 1) : (currentFinding.value + by + count) % count)
        }
    },
    takeFix: () => {
        const way = trial.value?.kind === 'way' ? ways.value?.[trial.value.place] : undefined
        const fix = findings.value[currentFinding.value ?? -1]?.fixes[trial.value?.place ?? 0]
        if (way) {
            takeWay(way)
        } else if (fix) {
            take(fix)
        }
    },
    bow: (fields) => decideOn(strokeChosen.value?.id ?? selected.value, fields),
    note: (fields) => decideOn(selected.value, fields),
    chosen: () => chosen.value,
    info: selecting.at,
    strokeChosen: () => strokeChosen.value,
    positions: () => desk.marking?.board.positions ?? [],
    undo: () => (desk.marking?.canUndo || desk.queue.length > 0 ? desk.undo() : ElMessage.info('There is nothing to undo.')),
    redo: () => (desk.marking?.canRedo || desk.queue.length > 0 ? desk.redo() : ElMessage.info('There is nothing to redo.')),
    handOut: () => (handingOut.value = !handingOut.value),
    keys: () => (showingKeys.value = true),
    say: (message) => void ElMessage.info(message),
    ask: (...question) => asker.value?.ask(...question) ?? Promise.resolve(null),
    over: (fields) => decideOver(fields),
    shown: (note, kind) => desk.layer.find((mark) => mark.note === note && mark.kind === kind)?.text,
    isMarked: (note) => desk.layer.some((mark) => mark.note === note),
}

function decideOn(note: string | null, fields: DecisionFields): void {
    if (note === null) {
        ElMessage.info('Choose a note first: click it, or press →.')
        return
    }
    trying.leave()
    desk.decide({ note, ...fields })
}

/** One decision over the whole span: a word that holds, a text. */
function decideOver(fields: DecisionFields): void {
    const [first, last] = [selection.value[0], selection.value.at(-1)]
    if (first === undefined || last === undefined || first === last) {
        decideOn(selected.value, fields)
        return
    }
    trying.leave()
    const [note, to] = notes.value.findIndex(({ id }) => id === first) < notes.value.findIndex(({ id }) => id === last) ? [first, last] : [last, first]
    desk.decide({ note, to, ...fields })
}

const commands = deskCommands(hands)
const onKey = (event: KeyboardEvent) => {
    if (!handingOut.value && !showingKeys.value && asker.value?.asking !== true && desk.saving !== 'signed-out') {
        answer(event, commands)
    }
}
const onOnline = () => void desk.flush()

function heading() {
    const { piece, part, ensemble } = desk.part ?? { piece: { title: '', composer: '' }, part: { name: '' }, ensemble: { name: '' } }
    return { title: piece.title, composer: piece.composer, part: part.name, ensemble: ensemble.name }
}

function drawn(now: ScorePage): void {
    page = now
    maker ??= new PaperMaker(
        (size) => (notationAllowed.value && page ? marked(page, size, heading()) : transfer(sheet, size, heading())),
        heading,
        () => paper.value,
    )
    document.documentElement.dataset.drawn = String(Math.round(performance.now()))
}

/** A printed set goes out as a transfer sheet, which the server writes. */
async function onPaper(use: (maker: PaperMaker) => void | Promise<void>): Promise<void> {
    try {
        if (!notationAllowed.value && desk.part) {
            sheet = (await api.sheet(desk.part.part.id)).sheet
        }
        if (maker) {
            await use(maker)
        }
    } catch (problem) {
        ElMessage.error(problemWords(problem))
    }
}

onMounted(() => {
    window.addEventListener('keydown', onKey)
    window.addEventListener('online', onOnline)
    void load()
})
onBeforeUnmount(() => {
    window.removeEventListener('keydown', onKey)
    window.removeEventListener('online', onOnline)
    maker?.dispose()
    desk.close()
    document.title = 'Upright Pencil'
})
watch([selected, anchor, () => desk.marking], trying.forget)
watch(() => route.params.id, (id) => id !== undefined && load())
</script>

<template>
    <div class="desk">
        <TopBar>
            <template v-if="desk.part">
                <div class="crumbs">
                    <h1>{{ desk.part.piece.title }}</h1>
                    <span class="quiet">{{ desk.part.ensemble.name }}, {{ LEVELS[desk.part.ensemble.level] ?? desk.part.ensemble.level }}</span>
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
                <ElButton :disabled="!desk.part" type="primary" @click="handingOut = true">Hand out</ElButton>
            </template>
        </TopBar>
        <main v-if="fault" class="desk-fault"><p class="notice error" role="alert">{{ fault }}</p></main>
        <main v-else-if="desk.part" class="desk-main">
            <div class="desk-page" tabindex="-1">
                <div class="paper">
                    <header class="paper-head">
                        <h2>{{ desk.part.piece.title }}</h2>
                        <span class="paper-part">{{ desk.part.part.name }}</span>
                        <span class="paper-composer">{{ desk.part.piece.composer }}</span>
                    </header>
                    <Score
                        :music="desk.part.music" :layer="layer" :width="LINE_WIDTH" :selected="selection" :flags="flags" :tracks="tracks"
                        :label="`${desk.part.piece.title}, ${desk.part.part.name}, with its marks`" @choose="choose" @drawn="drawn"
                    />
                </div>
                <p v-if="trial" class="preview-bar" role="status">
                    You are looking at {{ trial.kind === 'fix' ? 'a fix' : 'another fingering' }}. Nothing is decided yet: <kbd>Enter</kbd> takes it, <kbd>{{ trial.kind === 'fix' ? 'V' : 'A' }}</kbd> shows the next, <kbd>Esc</kbd> leaves.
                </p>
            </div>
            <aside class="rail">
                <div v-if="desk.overtaken.length > 0 && desk.message" class="notice overtaken" role="alert">
                    <p>{{ desk.message }} Your last {{ desk.overtaken.length === 1 ? 'decision was' : `${desk.overtaken.length} decisions were` }} made before that and {{ desk.overtaken.length === 1 ? 'is' : 'are' }} not on it yet.</p>
                    <div class="row">
                        <ElButton size="small" type="primary" @click="desk.settleOvertaken(true)">Put {{ desk.overtaken.length === 1 ? 'it' : 'them' }} on this page</ElButton>
                        <ElButton size="small" @click="desk.settleOvertaken(false)">Let {{ desk.overtaken.length === 1 ? 'it' : 'them' }} go</ElButton>
                    </div>
                </div>
                <p v-else-if="desk.message" class="notice" role="alert">{{ desk.message }}</p>
                <SizeUp v-if="sizing" :size="sized" :fault="sizeFault" @go="choose($event)" @again="sizeUp" />
                <NoteCard v-else :note="chosen" :begin="strokeChosen" :span="spanWords" :commands="commands" :waiting="waiting">
                    <template #ways>
                        <Ways v-if="chosen" :note="chosen" :why="why" :ways="ways" :previewed="trial?.kind === 'way' ? trial.place : null" @take="takeWay" @look="lookAtWay" />
                    </template>
                    <Fingerboard v-if="chosen?.stop && desk.marking" :board="desk.marking.board" :stop="chosen.stop" :before="selecting.beside(-1)" :after="selecting.beside(1)" />
                </NoteCard>
                <Findings :findings="findings" :current="currentFinding" :previewed="trial?.kind === 'fix' ? trial.place : null" @go="go" @take="take" @look="look" />
            </aside>
        </main>
        <main v-else class="desk-fault"><ElSkeleton :rows="6" animated /></main>
        <footer v-if="desk.part" class="lip">
            <span class="save-state" :class="desk.saving" role="status">{{ SAVING[desk.saving] }}</span>
            <span class="hints">
                <span v-for="command in commands.filter(({ hint }) => hint)" :key="command.label"><kbd v-for="key in command.keys.slice(0, 2)" :key="key">{{ spoken(key) }}</kbd>{{ command.hint }}</span>
            </span>
            <span class="legend"><span class="decided-sample">decided</span><span class="proposed-sample">proposed</span></span>
            <button type="button" :disabled="!desk.marking?.canUndo" @click="hands.undo()"><kbd>Z</kbd>Undo</button>
            <button type="button" :disabled="!desk.marking?.canRedo" @click="hands.redo()"><kbd>Y</kbd>Redo</button>
            <button type="button" @click="showingKeys = true"><kbd>?</kbd>Keys</button>
        </footer>
        <HandOut v-if="desk.part" v-model="handingOut" v-model:paper="paper" :part="desk.part" :saving="desk.saving !== 'saved'" @print="onPaper((made) => made.print())" @pdf="onPaper((made) => made.save())" />
        <AskWords ref="asker" />
        <KeySheet v-model="showingKeys" :commands="commands" />
        <SignInAgain v-if="desk.saving === 'signed-out'" @signed-in="desk.flush()" />
    </div>
</template>
