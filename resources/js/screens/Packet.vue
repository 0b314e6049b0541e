<script setup lang="ts">
import { ElAlert, ElButton } from 'element-plus'
import { computed, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { api, scoreXml } from '../api/client'
import type { Packet, PacketPiece } from '../api/types'
import { useAttempt } from '../components/attempt'
import PaperChoice from '../components/PaperChoice.vue'
import TopBar from '../components/TopBar.vue'
import { BehindPages } from '../page/behind'
import { fileName, PaperMaker } from '../page/paper-maker'
import { save } from '../page/pdf'
import { lineWidth, marked } from '../page/sheets'
import { addressOf, handoutSheets } from '../sharing/handout-paper'
import { dateWords } from '../staff/words'
import { paper } from '../stores/paper'

/** All that was handed out for a concert: one PDF a section (for a substitute too), and each piece as the director's score. */
const id = Number(useRoute().params.id)
const packet = ref<Packet | null>(null)
const told = ref('')
const { fault, busy, attempt } = useAttempt()

/** Sections, and players of one who have pages of their own. */
const sections = computed(() => {
    const names = new Map<string, { section: string; audience: string }>()
    for (const part of packet.value?.pieces.flatMap(({ parts }) => parts.filter(({ handouts }) => handouts.length > 0)) ?? []) {
        names.set(part.section, { section: part.section, audience: '' })
        part.handouts.filter(({ audience }) => audience !== '').forEach(({ audience, audienceName }) => names.set(`${part.section}, ${audienceName}`, { section: part.section, audience }))
    }
    return [...names].map(([name, of]) => ({ name, ...of }))
})
const missing = (piece: PacketPiece) => piece.parts.filter(({ handouts }) => handouts.length === 0).map(({ name }) => name)

async function made(work: (maker: PaperMaker, behind: BehindPages) => Promise<void>): Promise<void> {
    const behind = new BehindPages()
    const maker = new PaperMaker(() => [], () => ({ title: '', composer: '', part: '', ensemble: '', told: [] }), () => paper.value)
    await attempt(() => work(maker, behind))
    told.value = ''
    maker.dispose()
    behind.dispose()
}

/** The players' own page where they have one, else everybody's. */
const forSection = ({ name, section, audience }: { name: string; section: string; audience: string }) =>
    made(async (maker, behind) => {
        const sheets: SVGSVGElement[] = []
        for (const piece of packet.value?.pieces ?? []) {
            for (const part of piece.parts.filter((one) => one.section === section && one.handouts.length > 0)) {
                told.value = `Making ${piece.title}…`
                const handout = part.handouts.find((one) => one.audience === audience) ?? part.handouts[0]
                const links = handout ? await api.handouts(part.id) : null
                sheets.push(...(handout && links ? await handoutSheets(handout.id, addressOf(links, handout), paper.value, behind) : []))
                behind.forget()
            }
        }
        save(await maker.pdfOf(sheets, `${packet.value?.name ?? ''}: ${name}`), `${fileName(packet.value?.name ?? 'concert')}-${fileName(name)}.pdf`)
    })

const score = (piece: PacketPiece) =>
    made(async (maker, behind) => {
        told.value = `Making the score of ${piece.title}…`
        const answer = await fetch(scoreXml(piece.id), { credentials: 'same-origin' })
        if (!answer.ok) {
            throw new Error('Nothing of this piece is handed out yet.')
        }
        const page = await behind.of({ music: await answer.text(), silent: [] }, lineWidth(paper.value))
        save(await maker.pdfOf(marked(page, [], paper.value, { title: piece.title, composer: piece.composer, part: 'Score', ensemble: packet.value?.ensemble ?? '', told: [] }), piece.title), `${fileName(piece.title)}-score.pdf`)
    })

onMounted(() =>
    attempt(async () => {
        packet.value = await api.packet(id)
        document.title = `Packets: ${packet.value.name}`
    }),
)
</script>

<template>
    <TopBar says-saving><h1 v-if="packet" class="top-title">{{ packet.name }}, {{ dateWords(packet.on) }}: packets</h1></TopBar>
    <main class="staff-page slip-page">
        <ElAlert v-if="fault" type="error" :title="fault" :closable="false" />
        <template v-if="packet">
            <div class="slip-choice"><PaperChoice v-model="paper" /><span role="status">{{ told }}</span></div>
            <h2>A packet for each section</h2>
            <p class="quiet">All pieces in one PDF, as they were handed out last: for the folder, or for somebody who steps in.</p>
            <p v-if="sections.length === 0" class="notice">Nothing is handed out for this concert yet.</p>
            <p class="row"><ElButton v-for="one in sections" :key="one.name" :loading="busy" @click="forSection(one)">{{ one.name }}</ElButton></p>
            <h2>The director’s score</h2>
            <ul class="links">
                <li v-for="piece in packet.pieces" :key="piece.id">
                    <span>{{ piece.title }}<br><small class="quiet">{{ missing(piece).length === 0 ? 'every section is handed out' : missing(piece).length === piece.parts.length ? 'not handed out' : `not handed out: ${missing(piece).join(', ')}` }}</small></span>
                    <span v-if="missing(piece).length === piece.parts.length" class="quiet">nothing to put together yet</span>
                    <span v-else-if="piece.rights !== 'printed-only'" class="row"><ElButton size="small" :loading="busy" @click="score(piece)">Score as PDF</ElButton><a class="el-button el-button--small" :href="scoreXml(piece.id)" download>MusicXML</a></span>
                    <span v-else class="quiet">a printed set: its notes are not given out</span>
                </li>
            </ul>
        </template>
    </main>
</template>
