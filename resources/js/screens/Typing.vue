<script setup lang="ts">
import { useElementSize, useEventListener } from '@vueuse/core'
import { ElAlert, ElButton, ElCheckbox, ElDialog, ElInputNumber, ElSkeleton } from 'element-plus'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../api/client'
import AskWords from '../components/AskWords.vue'
import PageBeside from '../beside/PageBeside.vue'
import { useAttempt } from '../components/attempt'
import TopBar from '../components/TopBar.vue'
import { answer, spoken } from '../marks/keys'
import PlayIn from '../playing/PlayIn.vue'
import { remembered } from '../stores/remembered'
import { say } from '../stores/say'
import { useSession } from '../stores/session'
import { useDraft } from '../typing/draft'
import { typeAt, withPitches } from '../typing/edits'
import Keyboard from '../typing/Keyboard.vue'
import { LAYERS, typingKeys, walkingKeys, type Layer } from '../typing/keymap'
import { beatTicks, midi, missing, noteWords, signatures } from '../typing/manuscript'
import { lines } from '../typing/mei'
import PutIn from '../typing/PutIn.vue'
import { StaffPage } from '../typing/staff-page'
import { sound } from '../sound/key-tone'
import { useTypist } from '../typing/typist'

/** Notes by hand: a staff, one hand on the keys. */
const SAID: Record<string, string> = { saved: 'Saved', saving: 'Saving…', waiting: 'Kept here, not sent yet', elsewhere: 'Typed on in another window' }

const route = useRoute()
const router = useRouter()
const session = useSession()
const draft = useDraft(session.id ?? 0)
const { fault, attempt } = useAttempt()
const staff = useTemplateRef<HTMLElement>('staff')
const asker = ref<InstanceType<typeof AskWords> | null>(null)
const layer = ref<Layer>('notes')
const heard = remembered('typing-sound', true)
const showsPage = remembered('typing-page', false)
const playsIn = remembered('typing-play-in', false)
const showingKeys = ref(false)
const opened = ref(false)
const engraveFault = ref('')
const { width } = useElementSize(staff)
let page: StaffPage | null = null

const typist = useTypist(
    (manuscript, past) => draft.changed(manuscript, past),
    (measure, note) => {
        const { manuscript } = typist.sheet.value
        const heads = manuscript.measures[measure]?.notes?.[note]?.heads
        if (heard.value) {
            (heads ?? [null]).forEach((head, index) => sound(head === null ? 0 : midi(manuscript.measures, measure, note, index, signed.value[measure]?.key ?? 0)))
        }
    },
)
const { sheet, selected } = typist

const signed = computed(() => signatures(sheet.value.manuscript.measures))
const ask = (...question: [string, string, RegExp?, string?]) => asker.value?.ask(...question) ?? Promise.resolve(null)
const turn = (to: Layer) => (layer.value = layer.value === to ? 'notes' : to)
const keys = computed(() => typingKeys(typist, layer.value, turn, ask))
const walking = computed(() => walkingKeys(typist, turn))
const overview = computed(() => (['notes', 'sign', 'here', 'loud', 'clef'] as const).map((name) => ({ name, keys: typingKeys(typist, name, turn, ask) })))
/** What measures lack or have over, in beats. */
const beats = computed(() =>
    sheet.value.manuscript.measures.flatMap((_, index) => {
        const meter = signed.value[index]?.meter ?? '4/4'
        const lacks = missing(sheet.value.manuscript.measures, index, meter)
        const count = Math.round((100 * Math.abs(lacks)) / beatTicks(meter)) / 100
        const typingIt = index === sheet.value.caret.measure && index === sheet.value.manuscript.measures.length - 1
        return lacks === 0 ? [] : [{ index, kind: lacks < 0 ? ('over' as const) : typingIt ? ('coming' as const) : ('missing' as const), words: `${count} ${count === 1 ? 'beat' : 'beats'} ${lacks > 0 ? 'missing' : 'over'}` }]
    }),
)
/** Of a part the page lies beside the part, so that it is there while it is marked. */
const beside = computed(() => (draft.typed.value?.part ? `parts/${draft.typed.value.part}` : `manuscripts/${draft.key.value}`))
const nameOf = (index: number): string => draft.names.value[index] ?? ''
/** What the measure that is being typed still wants is said under it. */
const warnings = computed(() => draft.warnings.value.filter(({ places: [place] }) => place?.measure === undefined || place.measure === null || place.measure !== nameOf(sheet.value.caret.measure)))
const where = computed(() => {
    const { caret, manuscript } = sheet.value
    const name = nameOf(caret.measure) || String(caret.measure + 1)
    return `${say(`Measure ${name}`)} of ${manuscript.measures.length}`
})
const title = computed(() => sheet.value.manuscript.title || 'A new tune')

onMounted(() =>
    attempt(async () => {
        const fetched = route.params.part ? await api.manuscriptOf(Number(route.params.part)) : await api.manuscript(String(route.params.key))
        const manuscript = await draft.open(fetched)
        typist.open(manuscript, fetched.part !== null, await draft.before(manuscript))
        opened.value = true
        await nextTick()
        if (staff.value) {
            page = new StaffPage(staff.value, (told) => (engraveFault.value = told))
            await show()
        }
    }),
)

async function show(): Promise<void> {
    const asked = typist.lastKey()
    await page?.show(lines(sheet.value.manuscript, draft.names.value))
    look()
    drawn(asked)
}

function look(): void {
    const { manuscript, caret } = sheet.value
    page?.select(manuscript.measures, caret, selected.value)
    page?.say(manuscript.measures, beats.value)
}

/** From the key to the picture; a test and the bench read it. */
function drawn(asked: number): void {
    requestAnimationFrame(() => {
        document.documentElement.dataset.typed = String(Math.round(performance.now() - asked))
        document.documentElement.dataset.typedAt = String(Math.round(performance.now()))
    })
}

watch(draft.names, () => void show())
watch([sheet, selected, width], ([now, , wide], [before, , narrow]) => {
    if (now.manuscript !== before.manuscript) {
        void show()
    } else if (now !== before || wide === narrow) {
        look()
    }
})

useEventListener(window, 'keydown', (event) => {
    if (asker.value?.asking !== true && !showingKeys.value && draft.theirs.value === null && opened.value) {
        if (event.key === '?') {
            showingKeys.value = true
            return
        }
        answer(event, [...keys.value, ...walking.value], true)
    }
})

function point(event: MouseEvent): void {
    const meant = page?.meant(sheet.value.manuscript.measures, signed.value.map(({ clef }) => clef), event.clientX, event.clientY)
    if (!meant) {
        return
    }
    const { measure, note, at } = meant
    if (event.shiftKey) {
        typist.walk((now) => ({ ...now, caret: { measure, note: 0, on: false } }), true)
    } else if (at === null) {
        typist.walk((now) => ({ ...now, caret: { measure, note, on: true } }))
    } else if (sheet.value.manuscript.measures[measure]?.sealed || sheet.value.manuscript.measures[measure]?.blank) {
        typist.walk((now) => ({ ...now, caret: { measure, note: 0, on: false } }))
    } else {
        typist.type((now) => typeAt({ ...now, caret: { measure, note, on: false } }, at), true)
    }
}

function rename(name: string): void {
    typist.type((now) => ({ ...now, manuscript: { ...now.manuscript, title: name } }))
}

/** How the print names its measures. */
function named(how: { first?: number; byLetters?: true | undefined }): void {
    typist.type((now) => {
        const { byLetters, first, ...manuscript } = { ...now.manuscript, ...how }
        return { ...now, manuscript: { ...manuscript, ...(first === undefined || first === 1 ? {} : { first }), ...(byLetters ? { byLetters } : {}) } }
    })
}

async function takeTheirs(): Promise<void> {
    const theirs = await draft.takeTheirs()
    if (theirs) {
        typist.open(theirs)
        await show()
    }
}

async function letGo(): Promise<void> {
    await attempt(async () => {
        await draft.flush()
        await draft.forget()
        await api.dropManuscript(draft.key.value)
        await router.push(draft.typed.value?.part ? `/parts/${draft.typed.value.part}` : '/')
    })
}
</script>

<template>
    <div class="typing">
        <TopBar>
            <div class="crumbs"><h1>{{ title }}</h1><span class="quiet">{{ sheet.manuscript.name }} · {{ where }}</span></div>
            <template #actions>
                <span class="save-state quiet" role="status">{{ SAID[draft.keeping.value] }}</span>
                <ElButton text :type="showsPage ? 'primary' : ''" :aria-pressed="showsPage" @click="showsPage = !showsPage">Printed page</ElButton>
                <ElButton text :type="playsIn ? 'primary' : ''" :aria-pressed="playsIn" @click="playsIn = !playsIn">Play it in</ElButton>
                <ElButton text :type="heard ? 'primary' : ''" :aria-pressed="heard" @click="heard = !heard">{{ heard ? 'Sound is on' : 'Sound is off' }}</ElButton>
                <ElButton text @click="showingKeys = true"><kbd>?</kbd>Keys</ElButton>
            </template>
        </TopBar>
        <main class="typing-main">
            <div class="typing-page">
                <PageBeside v-if="opened && showsPage" :beside="beside" :measure="sheet.caret.measure" :name="nameOf(sheet.caret.measure) || String(sheet.caret.measure + 1)" changes />
                <ElAlert v-if="fault || engraveFault" type="error" :title="fault || engraveFault" :closable="false" />
                <ElAlert v-if="draft.keeping.value === 'elsewhere' && !draft.theirs.value" type="error" :title="draft.trouble.value" :closable="false" />
                <div v-if="draft.theirs.value" class="notice error" role="alert">
                    <p><strong>This was typed on in another window.</strong> What you typed here is still on this page, and what was typed there is kept.</p>
                    <div class="row"><ElButton @click="takeTheirs">Go on with what was typed there</ElButton><ElButton type="primary" @click="draft.takeMine">Go on with what is here</ElButton></div>
                </div>
                <PlayIn v-if="opened && playsIn" :typist="typist" />
                <ElSkeleton v-if="!opened && !fault" :rows="5" animated />
                <div v-show="opened" class="paper typing-paper">
                    <p class="visually-hidden" role="status">{{ noteWords(typist.now.value) }}</p>
                    <div class="staff-host">
                        <div ref="staff" class="typed-staff" role="img" :aria-label="`${title}, ${sheet.manuscript.name}`" @click="point" />
                    </div>
                </div>
            </div>
            <aside class="rail typing-rail">
                <PutIn v-if="opened" :draft="draft" :manuscript="sheet.manuscript" @renamed="rename" />
                <p v-if="opened && sheet.manuscript.rhythm" class="quiet small-print">A rhythm, for the bow alone. <button type="button" class="link" @click="typist.type(withPitches)">Type its pitches</button>: a letter over each note.</p>
                <details v-if="opened" class="measure-names">
                    <summary>{{ say('Measures') }} are named {{ sheet.manuscript.byLetters ? 'by letter, as “B + 5”' : `from ${sheet.manuscript.first ?? 1} on` }}</summary>
                    <label>The first has the number <ElInputNumber :model-value="sheet.manuscript.first ?? 1" size="small" :min="0" :max="9000" aria-label="Number of the first" @change="(first) => named({ first: first ?? 1 })" /></label>
                    <ElCheckbox :model-value="sheet.manuscript.byLetters === true" @change="(by) => named({ byLetters: by === true ? true : undefined })">The print has no numbers: by letter</ElCheckbox>
                </details>
                <section v-if="warnings.length > 0 || draft.fault.value" class="typing-warnings">
                    <h2>To look at</h2>
                    <ul>
                        <li v-if="draft.fault.value">{{ draft.fault.value }}</li>
                        <li v-for="(warning, index) in warnings" :key="index">{{ say(warning.message) }}</li>
                    </ul>
                </section>
                <div class="row typing-more">
                    <ElButton text @click="letGo">{{ draft.typed.value?.part ? 'Leave the part as it was' : 'Let it go' }}</ElButton>
                </div>
            </aside>
        </main>
        <Keyboard :layer="layer" :keys="keys" :walking="walking" />
        <AskWords ref="asker" />
        <ElDialog v-model="showingKeys" title="Keys for typing" width="1180px" top="3vh">
            <div class="key-sheet typing-keys">
                <section v-for="part in overview" :key="part.name">
                    <h3>{{ LAYERS[part.name] }}<span v-if="part.name === 'sign'" class="quiet"> (after Z)</span><span v-else-if="part.name === 'here'" class="quiet"> (after H)</span><span v-else-if="part.name === 'loud'" class="quiet"> (after H F)</span><span v-else-if="part.name === 'clef'" class="quiet"> (after H E)</span></h3>
                    <dl><div v-for="one in part.keys.filter(({ keys }) => !/^Shift\+[b-g]$/.test(keys[0] ?? ''))" :key="one.keys[0]"><dt><kbd v-for="key in one.keys" :key="key">{{ key === ' ' ? 'space' : spoken(key).replace('⇧ ', '⇧space') }}</kbd></dt><dd>{{ one.label }}</dd></div></dl>
                </section>
                <section>
                    <h3>Getting about</h3>
                    <dl><div v-for="one in walking" :key="one.keys[0]"><dt><kbd v-for="key in one.keys" :key="key">{{ spoken(key) }}</kbd></dt><dd>{{ one.label }}</dd></div></dl>
                </section>
            </div>
        </ElDialog>
    </div>
</template>
