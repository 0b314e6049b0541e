<script setup lang="ts">
import { ElAlert, ElMessage } from 'element-plus'
import { useEventListener } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { v4 as uuid } from 'uuid'
import { useRoute, useRouter } from 'vue-router'
import { api, Refused, Unreachable, type GivenNote } from '../api/client'
import type { NoteOfRehearsal, Rehearsal, ToSettle } from '../api/types'
import TopBar from '../components/TopBar.vue'
import { problemWords } from '../desk/words'
import { PaperMaker } from '../page/paper-maker'
import { tableSheets } from '../page/table-sheet'
import { useQueue } from '../record/queue'
import NoteForm from '../rehearsing/NoteForm.vue'
import { keepRehearsal, keepRehearsalPage, lastRehearsal, useNotes } from '../rehearsing/notes'
import { paper } from '../stores/paper'
import { say, speak } from '../stores/say'
import { useSession } from '../stores/session'
import { timeWords } from '../stores/days'

/** Before the class, with one hand: notes by measure, versions to settle, and what becomes of both. */
const id = Number(useRoute().params.id)
const router = useRouter()
const session = useSession()
const queue = useQueue()
const told = ref<Rehearsal | null>(null)
const fault = ref('')
const away = ref(false)
const tab = ref<'note' | 'settle' | 'list'>('note')
const completing = ref<NoteOfRehearsal | null>(null)
/** The note of the list that keys are about. */
const chosen = ref<string | null>(null)
/** Who made what is noted here: also where nobody can ask the server. */
let person: number | null = null

const notes = useNotes(id, () => session.id, (note) => told.value && (told.value = { ...told.value, notes: [note, ...told.value.notes.filter(({ key }) => key !== note.key)] }))

const open = computed(() => told.value?.notes.filter(({ became }) => became === null) ?? [])
const made = computed(() => told.value?.notes.filter(({ became }) => became !== null) ?? [])
const names = computed(() => new Map(told.value?.parts.map(({ id: part, name }) => [part, name]) ?? []))
const who = (parts: readonly number[]) => (parts.length === 0 ? 'all' : parts.map((part) => names.value.get(part) ?? '').join(', '))
const where = ({ from, to }: { from: string; to: string }) => (from === to ? from : `${from}–${to}`)
const BECAME: Record<NonNullable<NoteOfRehearsal['became']>, string> = { reminder: 'written into the parts', step: 'to practise', change: 'changed', 'let-go': 'let go' }

async function load(): Promise<void> {
    try {
        if (session.id === null) {
            // The page was opened without a network: nobody has said yet who this is.
            await session.load()
        }
        told.value = await api.rehearsal(id)
        person = session.id
        away.value = false
        speak(told.value.words)
        document.title = `Rehearsal: ${told.value.title}`
        if (person !== null) {
            keepRehearsal(person, told.value)
        }
        void notes.send()
    } catch (problem) {
        const last = problem instanceof Refused ? null : lastRehearsal(id)
        if (last && (session.id === null || session.id === last.person)) {
            told.value = last.told
            person = last.person
            away.value = true
            speak(last.told.words)
        } else {
            fault.value = problemWords(problem)
        }
    }
}

function note(given: Omit<GivenNote, 'key' | 'at'>): void {
    if (person !== null) {
        notes.make(person, { ...given, key: uuid(), at: new Date().toISOString() })
        ElMessage.success({ message: given.what === '' ? `Flagged ${say('measure')} ${given.from}.` : `${say('Measure')} ${where(given)}: ${given.what}.`, duration: 1500, grouping: true })
    }
}

const replace = (changed: NoteOfRehearsal) => told.value && (told.value = { ...told.value, notes: told.value.notes.map((one) => (one.key === changed.key ? changed : one)) })

async function doing(work: () => Promise<unknown>): Promise<void> {
    try {
        await work()
        fault.value = ''
    } catch (problem) {
        fault.value = problem instanceof Unreachable ? 'That needs the network; it is still open.' : problemWords(problem)
    }
}

const complete = (key: string, given: Omit<GivenNote, 'key' | 'at'>) =>
    doing(async () => {
        replace(await api.changeNote(key, given))
        completing.value = null
    })

const make = (one: NoteOfRehearsal, became: NonNullable<NoteOfRehearsal['became']>) =>
    doing(async () => {
        const part = one.parts[0] ?? told.value?.parts[0]?.id
        replace(await api.makeOfNote(one.key, became))
        if (became === 'change' && part !== undefined) {
            await router.push(`/parts/${part}?measure=${encodeURIComponent(one.from)}`)
        }
    })

function take(one: ToSettle, version: ToSettle['question']['versions'][number]): void {
    queue.push({ part: one.part, kind: 'decide', decisions: version.decisions, seen: one.seq })
    if (told.value) {
        told.value = { ...told.value, toSettle: told.value.toSettle.filter(({ question }) => question.id !== one.question.id) }
    }
    ElMessage.success(`${one.name}, ${say('measure')} ${one.question.measure}: ${version.name} it is.`)
}

function begin(one: NoteOfRehearsal): void {
    completing.value = one
    tab.value = 'note'
}

useEventListener(window, 'online', () => away.value && void load())
useEventListener(window, 'keydown', (event) => {
    const one = open.value.find(({ key }) => key === chosen.value)
    const keys: Record<string, NonNullable<NoteOfRehearsal['became']>> = { r: 'reminder', s: 'step', c: 'change', l: 'let-go' }
    const became = keys[event.key.toLowerCase()]
    if (one && became && tab.value === 'list' && !(event.target instanceof HTMLInputElement) && !event.ctrlKey && !event.metaKey) {
        event.preventDefault()
        void make(one, became)
    }
})

const heading = () => ({ title: told.value?.title ?? '', composer: '', part: 'To settle in class', ensemble: told.value?.ensemble ?? '', told: ['Play both; take the one that sounds'] })
const maker = new PaperMaker(
    (size) => tableSheets([{ title: say('Measure'), share: 0.1, bold: true }, { title: 'Section', share: 0.16, bold: true }, { title: 'A', share: 0.27 }, { title: 'B', share: 0.27 }, { title: 'Listen for', share: 0.2 }], told.value?.toSettle.map(({ name, question, said }) => [where({ from: question.measure, to: question.to }), name, said[0] ?? '', said.slice(1).join(' / '), question.listen]) ?? [], size, heading()),
    heading,
    () => paper.value,
)

onMounted(async () => {
    await load()
    setTimeout(() => void keepRehearsalPage(), 3000)
})
onBeforeUnmount(() => {
    maker.dispose()
    notes.stop()
})
</script>

<template>
    <TopBar says-saving><h1 v-if="told" class="top-title">{{ told.title }}: rehearsal</h1></TopBar>
    <main class="rehearse">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <p v-if="away" class="notice" role="status">There is no network. Notes are kept here and sent when it is back.</p>
        <p v-if="notes.waiting.value.length > 0" class="notice" role="status">{{ notes.waiting.value.length === 1 ? 'One note waits' : `${notes.waiting.value.length} notes wait` }} to be sent.{{ notes.safe.value ? '' : ' This browser cannot keep them: leave this page open.' }}</p>
        <p v-for="one in notes.refused.value" :key="one.note.key" class="notice error" role="alert">{{ say('Measure') }} {{ one.note.from }}, {{ one.note.what || 'flag' }}: {{ one.refused }} <button type="button" @click="notes.letGo(one.note.key)">Let it go</button></p>
        <template v-if="told">
            <nav class="rehearse-tabs" role="tablist">
                <button type="button" role="tab" :aria-selected="tab === 'note'" @click="tab = 'note'">Note</button>
                <button type="button" role="tab" :aria-selected="tab === 'list'" @click="tab = 'list'">Noted ({{ open.length }})</button>
                <button type="button" role="tab" :aria-selected="tab === 'settle'" @click="tab = 'settle'">To settle ({{ told.toSettle.length }})</button>
            </nav>
            <NoteForm v-if="tab === 'note'" :told="told" :completing="completing" @note="note" @complete="complete" @leave="completing = null" />
            <section v-else-if="tab === 'list'" aria-label="What was noted">
                <p v-for="one in told.again" :key="`${one.measure} ${one.parts.join()}`" class="notice"><strong>{{ say('Measure') }} {{ one.measure }}</strong> ({{ who(one.parts) }}) was noted {{ one.times }} times.</p>
                <p v-if="told.neverReached.length > 0" class="quiet">Never rehearsed, as far as notes show: {{ told.neverReached.join(', ') }}.</p>
                <p v-if="open.length === 0" class="notice">Nothing is open. What you flag or note comes here.</p>
                <ul class="noted">
                    <li v-for="one in open" :key="one.key" tabindex="0" :class="{ flagged: one.what === '' }" @focus="chosen = one.key">
                        <p><strong>{{ where(one) }}</strong> {{ who(one.parts) }}: {{ one.what || 'flagged' }}{{ one.howMany ? `, ${one.howMany}` : '' }} <small class="quiet">{{ one.by }}, {{ timeWords(one.at) }}</small></p>
                        <div class="row">
                            <button type="button" @click="begin(one)">{{ one.what === '' ? 'Complete' : 'Mend' }}</button>
                            <button type="button" :disabled="one.what === ''" @click="make(one, 'reminder')"><kbd aria-hidden="true">R</kbd>Reminder in the parts</button>
                            <button type="button" :disabled="one.what === ''" @click="make(one, 'step')"><kbd aria-hidden="true">S</kbd>To practise</button>
                            <button type="button" @click="make(one, 'change')"><kbd aria-hidden="true">C</kbd>Change it</button>
                            <button type="button" @click="make(one, 'let-go')"><kbd aria-hidden="true">L</kbd>Let go</button>
                        </div>
                    </li>
                </ul>
                <details v-if="made.length > 0"><summary>Done with ({{ made.length }})</summary><ul class="noted"><li v-for="one in made" :key="one.key"><strong>{{ where(one) }}</strong> {{ who(one.parts) }}: {{ one.what || 'flag' }} <span class="quiet">{{ one.became ? BECAME[one.became] : '' }}</span></li></ul></details>
            </section>
            <section v-else aria-label="To settle in class">
                <p v-if="told.toSettle.length === 0" class="notice">Nothing is kept in two versions. On the desk, <kbd>;</kbd> keeps both of what you look at.</p>
                <p v-else class="row"><button type="button" @click="maker.print()">Print the list</button><button type="button" @click="maker.save()">Save PDF</button></p>
                <ul class="noted">
                    <li v-for="one in told.toSettle" :key="one.question.id">
                        <p><strong>{{ where({ from: one.question.measure, to: one.question.to }) }}</strong> {{ one.name }}<template v-if="one.question.listen">: {{ one.question.listen }}</template></p>
                        <div class="versions">
                            <div v-for="(version, index) in one.question.versions" :key="version.name"><p><strong>{{ version.name }}</strong> {{ one.said[index] }}</p><button type="button" :disabled="!one.decides" @click="take(one, version)">This one: {{ version.name }}</button></div>
                        </div>
                    </li>
                </ul>
            </section>
        </template>
    </main>
</template>
