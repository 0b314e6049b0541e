import { ElMessage } from 'element-plus'
import { onBeforeUnmount, ref, type Ref } from 'vue'
import { api } from '../api/client'
import type { Desk, Mark, Question, SheetLine } from '../api/types'
import { BehindPages } from '../page/behind'
import { PaperMaker } from '../page/paper-maker'
import type { ScorePage } from '../page/score-page'
import { lineWidth, marked, transfer, versions, type Heading, type Paper, type VersionOnPaper } from '../page/sheets'
import { drawn as marksOf } from '../stores/desk'
import { paper } from '../stores/paper'
import { remembered } from '../stores/remembered'
import { problemWords } from './words'

/** What is put on paper: the marked part, what to pencil where, or the versions that are to be tried. */
export type OnPaper = 'part' | 'sheet' | 'versions'

export function headingOf(desk: Desk): Heading {
    return {
        title: desk.piece.title,
        composer: desk.piece.composer,
        part: [desk.part.name, desk.groups.find(({ key }) => key === desk.players)?.name].filter(Boolean).join(', '),
        told: desk.performance.sentences,
        ensemble: desk.ensemble.name,
    }
}

export const printOf = (desk: Desk) => ({ music: desk.music, name: desk.musicName, silent: desk.performance.silent, beside: desk.printed })

/**
 * Paper shows what is decided and, where it is asked for, what is proposed: never what is only looked at, and never the part
 * that was open before.
 */
export function useOnPaper(desk: Ref<Desk | null>, layer: Ref<readonly Mark[]>, questions: Ref<readonly Question[]>, onScreen: Ref<number>) {
    const withProposals = remembered('with-proposals', false)
    const withReasons = remembered('with-reasons', false)
    const what = ref<OnPaper>('part')
    const busy = ref(false)
    const behind = new BehindPages()
    let page: ScorePage | null = null
    let maker: PaperMaker | null = null
    let sheet: SheetLine[] = []
    let tried: VersionOnPaper[] = []

    const heading = (): Heading => (desk.value ? headingOf(desk.value) : { title: '', composer: '', part: '', told: [], ensemble: '' })
    const showsNotation = () => desk.value?.piece.rights !== 'printed-only'
    const asSheet = () => what.value === 'sheet' || !showsNotation()

    function drawn(now: ScorePage): void {
        page = now
        behind.forget()
        maker ??= new PaperMaker(sheets, heading, () => paper.value, prepare)
    }

    /** The page on the screen, where its lines are as long as those on the paper. */
    function pageFor(size: Paper): ScorePage | null {
        const own = page !== null && page.music !== '' && page.music === desk.value?.music
        if (own && lineWidth(size) === onScreen.value) {
            return page
        }
        return desk.value ? behind.ready(printOf(desk.value), lineWidth(size)) : null
    }

    async function prepare(size: Paper): Promise<void> {
        const now = desk.value
        if (!now) {
            return
        }
        if (asSheet()) {
            sheet = (await api.sheet(now.part.id, now.players, withProposals.value)).sheet
            return
        }
        if (pageFor(size) === null) {
            await behind.of(printOf(now), lineWidth(size))
        }
        if (what.value === 'versions') {
            tried = await Promise.all(
                questions.value.filter(({ taken }) => taken === null).map(async (question) => ({
                    question,
                    layers: await Promise.all(question.versions.map(async ({ name, decisions }) => ({ name, layer: marksOf((await api.preview(now.part.id, now.players, decisions)).notes) }))),
                })),
            )
        }
    }

    function sheets(size: Paper): SVGSVGElement[] {
        if (asSheet()) {
            return transfer(sheet, size, heading(), withReasons.value)
        }
        const own = pageFor(size)
        if (!own) {
            return []
        }
        return what.value === 'versions' ? versions(own, tried, size, heading()) : marked(own, layer.value.filter(({ decided }) => withProposals.value || decided === true), size, heading())
    }

    async function use(work: (maker: PaperMaker) => Promise<void>): Promise<void> {
        const id = desk.value?.part.id
        busy.value = true
        try {
            if (maker && id === desk.value?.part.id) {
                await work(maker)
            }
        } catch (problem) {
            ElMessage.error(problemWords(problem))
        }
        busy.value = false
    }

    onBeforeUnmount(() => {
        maker?.dispose()
        behind.dispose()
    })

    return { withProposals, withReasons, what, busy, drawn, print: () => use((made) => made.print()), save: () => use((made) => made.save()), page: () => page }
}
