<script setup lang="ts">
import { useElementSize, useEventListener, useLocalStorage } from '@vueuse/core'
import { ElAlert, ElButton, ElRadioButton, ElRadioGroup, ElSkeleton } from 'element-plus'
import { computed, nextTick, onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api } from '../api/client'
import type { Figure, FigurePlace, SectionLine } from '../api/types'
import TopBar from '../components/TopBar.vue'
import PaperChoice from '../components/PaperChoice.vue'
import FigureList from '../lineup/FigureList.vue'
import Findings from '../lineup/Findings.vue'
import { useLining } from '../lineup/lining'
import { LineMap, outOfLine, strokesOf, type Pointed, type Stroke } from '../lineup/map'
import { mapSheet } from '../lineup/sheet'
import { PaperMaker } from '../page/paper-maker'
import { paper } from '../stores/paper'
import { say, speak } from '../stores/say'

const route = useRoute()
const router = useRouter()
const piece = Number(route.params.id)
const lining = useLining(piece)
const { map, figures, findings, tried, busy, fault, taken, nameOf } = lining
const frame = ref<HTMLElement | null>(null)
const { width } = useElementSize(frame)
const measures = useLocalStorage('upright-pencil.map-measures', 16)
const drawn = shallowRef<LineMap | null>(null)
const at = ref({ part: 0, stroke: 0 })
const finding = ref(-1)
const figure = shallowRef<{ figure: Figure; place: FigurePlace } | null>(null)
const saysKeys = ref(false)
/** What each section has to know: worked out after the map, and of use to whoever looks at it. */
const lines = shallowRef<SectionLine[]>([])

const strokes = computed(() => new Map(map.value?.parts.map((part) => [part.part, strokesOf(part)])))
const here = computed<Stroke | null>(() => strokes.value.get(at.value.part)?.[at.value.stroke] ?? null)
const measureAt = (tick: number) => map.value?.measures.filter(({ start }) => start <= tick).at(-1)
const figuresHere = computed(() => figures.value.flatMap((one) => one.places.filter(({ part, from, until }) => part === at.value.part && here.value && here.value.from >= from && here.value.from < until).map((place) => ({ figure: one, place }))))
const WORDS: Record<string, string> = { hook: 'hooked', retake: 'after a retake', lift: 'set down anew', stagger: 'staggered', divided: 'divided', solo: 'solo', change: 'changing while it is held', split: 'slur split', decided: 'decided' }
const spoken = computed(() => {
    const stroke = here.value
    if (!stroke) {
        return 'Choose a stroke with the mouse or the arrow keys.'
    }
    const beat = measureAt(stroke.from)
    const bow = stroke.direction === '-' ? 'plucked' : `${stroke.direction === 'd' ? 'down' : 'up'}-bow${stroke.inner.length > 0 ? `, ${stroke.inner.length + 1} notes` : ''}`
    const more = stroke.action.split(' ').flatMap((word) => WORDS[word] ?? [])
    return say(`${nameOf(at.value.part)}, measure ${beat?.number ?? ''}: ${[bow, ...more].join(', ')}${figuresHere.value.length > 0 ? `; figure ${figuresHere.value.map((one) => one.figure.letter).join(', ')}` : ''}.`)
})
const pointed = computed<Pointed[]>(() => {
    const places = figure.value?.figure.places.map(({ part, from, until, exception }): Pointed => ({ part, from, until, look: exception ? 'exception' : 'figure', words: figure.value?.figure.letter ?? '' })) ?? []
    const previewed = tried.value?.map.map(({ part }): Pointed => ({ part, from: findings.value?.[finding.value]?.from ?? 0, until: findings.value?.[finding.value]?.until ?? 0, look: 'previewed' })) ?? []
    return [...outOfLine(findings.value ?? []).filter((_, index, all) => !(findings.value?.[Number(all[index]?.words ?? 1) - 1]?.folded ?? false)), ...places, ...previewed]
})

function draw(): void {
    if (map.value === null || frame.value === null || width.value < 200) {
        return
    }
    const begun = performance.now()
    drawn.value = new LineMap(map.value, measures.value, Math.floor(width.value))
    frame.value.replaceChildren(drawn.value.root)
    requestAnimationFrame(() => setTimeout(() => (document.documentElement.dataset.mapDrawn = (performance.now() - begun).toFixed(1))))
    drawn.value.show(tried.value?.map ?? [])
    drawn.value.point(pointed.value)
    drawn.value.choose(at.value.part, here.value)
}

/** Where the cursor is stays in the address, so that whoever comes back from a desk is there again. */
function choose(part: number, stroke: number, scrolls = true): void {
    const most = (strokes.value.get(part)?.length ?? 1) - 1
    at.value = { part, stroke: Math.max(0, Math.min(most, stroke)) }
    const cursor = drawn.value?.choose(part, here.value)
    if (scrolls) {
        cursor?.scrollIntoView({ block: 'nearest', inline: 'nearest' })
    }
    void router.replace({ query: { ...route.query, part: String(part), note: here.value?.note } })
}

function chooseAt(part: number, tick: number, scrolls = true): void {
    const all = strokes.value.get(part) ?? []
    const found = all.filter(({ from }) => from <= tick).length - 1
    choose(part, Math.max(0, found), scrolls)
}

function byPart(step: number): void {
    const parts = map.value?.parts ?? []
    const now = parts.findIndex(({ part }) => part === at.value.part)
    const next = parts[Math.max(0, Math.min(parts.length - 1, now + step))]
    if (next) {
        chooseAt(next.part, here.value?.from ?? 0)
    }
}

function byLetter(step: number): void {
    const starts = map.value?.measures.filter(({ letter }) => letter !== null) ?? []
    const now = here.value?.from ?? 0
    const next = step > 0 ? starts.find(({ start }) => start > now) : starts.filter(({ start }) => start < now).at(-1)
    if (next) {
        chooseAt(at.value.part, next.start)
    }
}

function goToFinding(index: number): void {
    const one = findings.value?.[index]
    if (one) {
        finding.value = index
        lining.leave()
        chooseAt(one.parts.at(-1) ?? 0, one.from)
    }
}

function walkFindings(step: number): void {
    const open = (findings.value ?? []).flatMap((one, index) => (one.folded ? [] : [index]))
    const now = open.indexOf(finding.value)
    goToFinding(open[(now + step + open.length) % open.length] ?? -1)
}

function goToFigure(one: Figure, place: FigurePlace): void {
    lining.leave()
    figure.value = { figure: one, place }
    chooseAt(place.part, place.from)
}

async function lookAt(index: number, remedy: number): Promise<void> {
    const found = findings.value?.[index]?.remedies[remedy]
    if (found) {
        await lining.lookAtRemedy(found)
    }
}

async function meantSo(index: number): Promise<void> {
    const one = findings.value?.[index]
    if (one && one.apart.length > 0) {
        await lining.decide('It is meant so', one.apart)
    }
}

const openDesk = () => here.value && router.push({ path: `/parts/${at.value.part}`, query: { note: here.value.note } })
const likeHere = () => {
    const one = figure.value ?? figuresHere.value[0]
    if (one) {
        figure.value = one
        void lining.lookAtFigure(one.figure, one.place)
    }
}
const exception = (one: Figure, place: FigurePlace) => lining.decide(place.exception ? `Figure ${one.letter}: no exception any more` : `Figure ${one.letter}: an exception in ${nameOf(place.part)}, ${place.measure}`, place.apart)
const zoom = (step: number) => {
    const sizes = [8, 12, 16, 24, 32]
    measures.value = sizes[Math.max(0, Math.min(sizes.length - 1, sizes.indexOf(measures.value) + step))] ?? 16
}

const KEYS: Record<string, () => unknown> = {
    ArrowRight: () => choose(at.value.part, at.value.stroke + 1),
    ArrowLeft: () => choose(at.value.part, at.value.stroke - 1),
    ArrowDown: () => byPart(1),
    ArrowUp: () => byPart(-1),
    Home: () => choose(at.value.part, 0),
    End: () => choose(at.value.part, Infinity),
    ']': () => byLetter(1),
    '[': () => byLetter(-1),
    n: () => walkFindings(1),
    N: () => walkFindings(-1),
    m: () => meantSo(finding.value),
    b: likeHere,
    x: () => figuresHere.value[0] && exception(figuresHere.value[0].figure, figuresHere.value[0].place),
    z: () => lining.undo(),
    o: openDesk,
    Enter: () => (tried.value ? lining.take() : openDesk()),
    Escape: () => (tried.value ? lining.leave() : (figure.value = null)),
    '-': () => zoom(1),
    '+': () => zoom(-1),
    '?': () => (saysKeys.value = !saysKeys.value),
    ...Object.fromEntries([1, 2, 3].map((number) => [String(number), () => lookAt(finding.value, number - 1)])),
}

useEventListener(window, 'keydown', (event) => {
    const typing = event.target instanceof HTMLElement && event.target.closest('input, textarea, select, [contenteditable], .el-select, .el-radio-group') !== null
    const pressing = (event.key === 'Enter' || event.key === ' ') && event.target instanceof HTMLElement && event.target.closest('button, a, summary') !== null
    const run = event.ctrlKey || event.metaKey || event.altKey || typing || pressing ? undefined : KEYS[event.key]
    if (run) {
        event.preventDefault()
        run()
    }
})

function pressed(event: MouseEvent): void {
    const box = drawn.value?.root.getBoundingClientRect()
    const place = box && drawn.value?.at(event.clientX - box.left, event.clientY - box.top)
    if (place) {
        chooseAt(place.part, place.tick, false)
        figure.value = figuresHere.value[0] ?? null
    }
}

const maker = new PaperMaker((size) => (map.value ? [mapSheet(map.value, size)] : []), () => ({ title: map.value?.title ?? '', composer: '', part: 'Line-up', ensemble: map.value?.ensemble ?? '', told: [] }), () => paper.value)
onBeforeUnmount(() => maker.dispose())

onMounted(async () => {
    await lining.attempt(async () => {
        await lining.load()
        lines.value = (await api.teaching(piece)).lines
    })
})
watch(map, async (now, before) => {
    if (now) {
        speak(now.words ?? undefined)
        document.title = `${now.title}, line-up – Upright Pencil`
        await nextTick()
        if (before === null) {
            const part = Number(route.query.part ?? now.parts[0]?.part ?? 0)
            const found = strokes.value.get(part)?.findIndex(({ note }) => note === route.query.note) ?? -1
            at.value = { part: strokes.value.has(part) ? part : (now.parts[0]?.part ?? 0), stroke: Math.max(0, found) }
        }
        figure.value = null
        draw()
        drawn.value?.choose(at.value.part, here.value)?.scrollIntoView({ block: 'center' })
    }
})
watch([width, measures], draw)
watch(tried, () => {
    if (map.value) {
        drawn.value?.show(map.value.parts)
        drawn.value?.show(tried.value?.map ?? [])
    }
})
watch(pointed, (now) => drawn.value?.point(now))
</script>

<template>
    <TopBar says-saving>
        <h1 v-if="map" class="top-title">{{ map.title }}: line-up</h1>
        <nav v-if="map" class="line-nav" aria-label="This piece"><RouterLink :to="`/pieces/${piece}`">The piece</RouterLink></nav>
    </TopBar>
    <main class="lineup-page">
        <div class="lineup-map">
            <div class="lineup-bar">
                <p class="lineup-here" role="status">{{ spoken }}</p>
                <button type="button" class="look" :disabled="!here" @click="openDesk"><kbd>O</kbd>Open this place</button>
                <ElRadioGroup v-model="measures" size="small" aria-label="Measures in a line"><ElRadioButton v-for="size in [8, 16, 32]" :key="size" :value="size">{{ size }}</ElRadioButton></ElRadioGroup>
                <PaperChoice v-model="paper" />
                <ElButton size="small" :disabled="!map" @click="maker.print()">Print</ElButton>
                <ElButton size="small" :disabled="!map" @click="maker.save()">PDF</ElButton>
            </div>
            <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
            <ElSkeleton v-if="!map && !fault" :rows="10" animated />
            <div ref="frame" class="lineup-frame" @click="pressed" @dblclick="openDesk" />
            <p v-if="map" class="lineup-legend quiet small-print"><span class="key-down" /> down <span class="key-up" /> up <span class="key-slur">|</span> notes under one bow · ⌣ hooked · ⌐ lifted · dashes: all leave together · line under a bar: decided</p>
        </div>
        <aside v-if="map" class="lineup-side" :aria-busy="busy">
            <div v-if="taken.length > 0" class="row lineup-undo"><button type="button" class="look" @click="lining.undo()"><kbd>Z</kbd>Take back: {{ taken.at(-1)?.words }}</button></div>
            <Findings :findings="findings" :current="finding" :tried="tried" :name-of="nameOf" @go="goToFinding" @look="lookAt" @take="lining.take()" @leave="lining.leave()" @apart="meantSo" />
            <FigureList :figures="figures" :current="figure?.figure.letter ?? null" :at="figure?.place ?? null" :name-of="nameOf" @go="goToFigure" @like="likeHere" @apart="exception" />
            <details v-if="lines.length > 0" class="line-told">
                <summary>What {{ nameOf(at.part) }} {{ /s$/.test(nameOf(at.part)) ? 'have' : 'has' }} to know</summary>
                <ul class="line-figures"><li v-for="line in lines.filter(({ part }) => part === at.part)" :key="line.passage"><strong>{{ line.passage }}</strong> <span class="quiet">{{ line.kind }}</span> {{ line.kind === 'rests' ? '' : line.text }}<em v-if="line.stale" class="stale"> Written about something else.</em></li></ul>
            </details>
            <details class="lineup-keys" :open="saysKeys" @toggle="saysKeys = ($event.target as HTMLDetailsElement).open">
                <summary>Keys</summary>
                <p class="small-print"><kbd>←</kbd><kbd>→</kbd>stroke <kbd>↑</kbd><kbd>↓</kbd>section <kbd>[</kbd><kbd>]</kbd>letter <kbd>N</kbd>next out of line <kbd>1</kbd>–<kbd>3</kbd>look at what helps <kbd>Enter</kbd>decide it, or open the place <kbd>M</kbd>it is meant so <kbd>B</kbd>bow the figure like here <kbd>X</kbd>exception <kbd>Z</kbd>take back <kbd>+</kbd><kbd>-</kbd>nearer, farther</p>
            </details>
        </aside>
    </main>
</template>
