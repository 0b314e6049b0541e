<script setup lang="ts">
import { useElementSize, useEventListener } from '@vueuse/core'
import { ElAlert, ElButton, ElUpload } from 'element-plus'
import { computed, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { api } from '../api/client'
import type { PageFile } from '../api/types'
import { useAttempt } from '../components/attempt'
import { say } from '../stores/say'
import { anchorFor, countPages, draw, lookOf, MOST_PAGES, prepared, type FileLook, type Page } from './pages'

/** The printed page beside the staff, at the line that is worked on. For staff only. */
const props = defineProps<{
    /** “parts/3” or “manuscripts/…”. */
    beside: string
    /** The measure that is worked on, counted from 0, and its name. */
    measure: number
    name: string
    /** Whether files may be brought and marked. */
    changes: boolean
}>()

const files = shallowRef<PageFile[]>([])
const pages = shallowRef<Page[]>([])
const at = ref(0)
const zoom = ref(1)
/** What the next click or drag on the page means. */
const meaning = ref<'pin' | 'crop' | null>(null)
const dragged = ref<{ x: number; y: number; width: number; height: number } | null>(null)
const frame = useTemplateRef<HTMLElement>('frame')
const paper = useTemplateRef<HTMLCanvasElement>('paper')
const { width } = useElementSize(frame)
const { fault, busy, attempt } = useAttempt()
let drawing = 0

const page = computed(() => pages.value[at.value])
const look = computed(() => page.value && lookOf(page.value.file).pages?.[String(page.value.number)])
const anchors = computed(() => (page.value ? (lookOf(page.value.file).anchors ?? []).filter((anchor) => anchor.page === page.value?.number) : []))

onMounted(() => attempt(async () => {
    files.value = (await api.pageFiles(props.beside)).files
    await list()
    follow()
}))

async function list(): Promise<void> {
    const found: Page[] = []
    for (const file of files.value) {
        const count = await countPages(file)
        found.push(...Array.from({ length: count }, (_, index) => ({ file, number: index + 1 })))
    }
    pages.value = found
    at.value = Math.min(at.value, Math.max(0, found.length - 1))
}

async function show(): Promise<void> {
    const [mine, canvas, shown] = [++drawing, paper.value, page.value]
    if (!canvas || !shown || width.value === 0) {
        return
    }
    const wide = Math.round(width.value * zoom.value * Math.min(2, window.devicePixelRatio))
    const sheet = document.createElement('canvas')
    await attempt(() => draw(shown, sheet, wide))
    if (mine === drawing && sheet.width > 1) {
        canvas.width = sheet.width
        canvas.height = sheet.height
        canvas.style.width = `${Math.round(width.value * zoom.value)}px`
        canvas.getContext('2d')?.drawImage(sheet, 0, 0)
        canvas.dataset.drawn = `${shown.file.name} ${shown.number}`
        follow()
    }
}

/** To the line where the measure stands that is worked on. */
function follow(): void {
    const found = meaning.value === null ? anchorFor(files.value, props.measure) : null
    const index = found ? pages.value.findIndex(({ file, number }) => file.key === found.file.key && number === found.anchor.page) : -1
    if (!found || index === -1) {
        return
    }
    if (index !== at.value) {
        at.value = index
        return
    }
    const crop = look.value?.crop ?? [0, 0, 1, 1]
    const height = paper.value?.clientHeight ?? 0
    frame.value?.scrollTo({ top: Math.max(0, ((found.anchor.y - crop[1]) / crop[3]) * height - 30) })
}

watch([page, zoom, width, look, () => page.value && lookOf(page.value.file).clear], () => void show(), { flush: 'post' })
watch(() => props.measure, follow)

async function bring(chosen: File | undefined): Promise<void> {
    if (chosen) {
        await attempt(async () => {
            const made = await api.bringPage(props.beside, await prepared(chosen))
            if (pages.value.length + (await countPages(made)) > MOST_PAGES) {
                await api.dropPage(made.key)
                throw new Error(`More than ${MOST_PAGES} pages beside one part are too many; take some away first.`)
            }
            const first = pages.value.length
            files.value = [...files.value, made]
            await list()
            at.value = first
        })
    }
}

async function change(how: (look: FileLook) => FileLook): Promise<void> {
    const file = page.value?.file
    if (file) {
        const changed = { ...file, look: how(lookOf(file)) as Record<string, unknown> }
        files.value = files.value.map((one) => (one.key === file.key ? changed : one))
        pages.value = pages.value.map((one) => (one.file.key === file.key ? { ...one, file: changed } : one))
        await attempt(() => api.lookAtPage(file.key, changed.look))
    }
}

const number = () => String(page.value?.number ?? 1)
const turn = () => change((look) => ({ ...look, pages: { ...look.pages, [number()]: { turn: ((look.pages?.[number()]?.turn ?? 0) + 90) % 360 } } }))
const whole = () => change((look) => ({ ...look, pages: { ...look.pages, [number()]: { turn: look.pages?.[number()]?.turn ?? 0 } } }))
const clear = () => change((look) => ({ ...look, clear: !look.clear }))

/** Where the pointer is on the whole page, 0 to 1. */
function place(event: PointerEvent | MouseEvent): { x: number; y: number } {
    const box = paper.value?.getBoundingClientRect() ?? new DOMRect()
    const crop = look.value?.crop ?? [0, 0, 1, 1]
    const inside = (value: number) => Math.max(0, Math.min(1, value))
    return { x: crop[0] + inside((event.clientX - box.left) / box.width) * crop[2], y: crop[1] + inside((event.clientY - box.top) / box.height) * crop[3] }
}

function press(event: PointerEvent): void {
    if (meaning.value === 'pin') {
        const { y } = place(event)
        meaning.value = null
        void change((look) => ({ ...look, anchors: [...(look.anchors ?? []).filter(({ measure }) => measure !== props.measure), { page: page.value?.number ?? 1, y, measure: props.measure }].sort((one, other) => one.measure - other.measure) }))
    } else if (meaning.value === 'crop') {
        dragged.value = { ...place(event), width: 0, height: 0 }
    }
}

function drag(event: PointerEvent): void {
    if (dragged.value) {
        const { x, y } = place(event)
        dragged.value = { ...dragged.value, width: x - dragged.value.x, height: y - dragged.value.y }
    }
}

function release(): void {
    const made = dragged.value
    dragged.value = null
    if (made && Math.abs(made.width) > 0.05 && Math.abs(made.height) > 0.03) {
        meaning.value = null
        const crop: [number, number, number, number] = [Math.min(made.x, made.x + made.width), Math.min(made.y, made.y + made.height), Math.abs(made.width), Math.abs(made.height)]
        void change((look) => ({ ...look, pages: { ...look.pages, [number()]: { ...look.pages?.[number()], crop } } }))
    }
}

async function takeAway(): Promise<void> {
    const file = page.value?.file
    if (file && (await attempt(() => api.dropPage(file.key)))) {
        files.value = files.value.filter(({ key }) => key !== file.key)
        await attempt(list)
    }
}

useEventListener(window, 'pointerup', release)

/** A rectangle that is being drawn, in pixels of the page as it is shown. */
const box = computed(() => {
    const crop = look.value?.crop ?? [0, 0, 1, 1]
    const one = dragged.value
    const scale = (value: number, from: number, size: number) => `${(100 * (value - from)) / size}%`
    return one && { left: scale(Math.min(one.x, one.x + one.width), crop[0], crop[2]), top: scale(Math.min(one.y, one.y + one.height), crop[1], crop[3]), width: `${(100 * Math.abs(one.width)) / crop[2]}%`, height: `${(100 * Math.abs(one.height)) / crop[3]}%` }
})
const height = (y: number) => `${(100 * (y - (look.value?.crop?.[1] ?? 0))) / (look.value?.crop?.[3] ?? 1)}%`
</script>

<template>
    <section class="page-beside" aria-label="The printed page">
        <div class="page-tools">
            <template v-if="page">
                <ElButton size="small" :disabled="at === 0" aria-label="Page before" @click="at--">‹</ElButton>
                <span class="quiet">page {{ at + 1 }} of {{ pages.length }}</span>
                <ElButton size="small" :disabled="at >= pages.length - 1" aria-label="Next page" @click="at++">›</ElButton>
                <ElButton size="small" aria-label="Smaller" :disabled="zoom <= 0.5" @click="zoom -= 0.25">−</ElButton>
                <ElButton size="small" aria-label="Larger" :disabled="zoom >= 3" @click="zoom += 0.25">+</ElButton>
                <template v-if="changes">
                    <ElButton size="small" @click="turn">Turn</ElButton>
                    <ElButton size="small" :type="meaning === 'crop' ? 'primary' : 'default'" @click="look?.crop ? whole() : (meaning = meaning === 'crop' ? null : 'crop')">{{ look?.crop ? 'Whole page' : 'Crop' }}</ElButton>
                    <ElButton size="small" :type="lookOf(page.file).clear ? 'primary' : 'default'" @click="clear">Clearer</ElButton>
                    <ElButton size="small" :type="meaning === 'pin' ? 'primary' : 'default'" @click="meaning = meaning === 'pin' ? null : 'pin'">{{ say(`Pin measure ${name}`) }}</ElButton>
                </template>
            </template>
            <ElUpload v-if="changes" class="page-upload" accept=".pdf,.jpg,.jpeg,.png" :auto-upload="false" :show-file-list="false" :on-change="(chosen) => bring(chosen.raw)">
                <ElButton size="small" :loading="busy">{{ page ? 'Another page' : 'PDF or photo of the printed part' }}</ElButton>
            </ElUpload>
            <ElButton v-if="changes && page" size="small" text @click="takeAway">Take {{ page.file.name }} away</ElButton>
        </div>
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <p v-if="meaning === 'pin'" class="quiet page-hint" role="status">{{ say(`Click where the line begins that measure ${name} stands in. From then on the page goes along.`) }}</p>
        <p v-else-if="meaning === 'crop'" class="quiet page-hint" role="status">Draw a rectangle around what is to be seen.</p>
        <p v-else-if="!page && !busy && !fault" class="quiet page-hint">Only those who work on this part see it; it is in no handout, no link and no export.</p>
        <div ref="frame" class="page-frame" tabindex="0" role="region" aria-label="The printed page" :class="{ empty: !page, aiming: meaning !== null }">
            <div v-show="page" class="page-sheet" @pointerdown.prevent="press" @pointermove="drag">
                <canvas ref="paper" />
                <span v-for="anchor in anchors" :key="anchor.measure" class="page-anchor" :style="{ top: height(anchor.y) }">▸</span>
                <span v-if="box" class="page-crop" :style="box" />
            </div>
        </div>
    </section>
</template>
