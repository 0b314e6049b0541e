import { ElMessage } from 'element-plus'
import { onBeforeUnmount, type Ref } from 'vue'
import { api } from '../api/client'
import type { Desk, Mark, SheetLine } from '../api/types'
import { PaperMaker } from '../page/paper-maker'
import type { ScorePage } from '../page/score-page'
import { marked, transfer } from '../page/sheets'
import { remembered } from '../stores/remembered'
import { paper } from '../stores/paper'
import { problemWords } from './words'

/**
 * Paper shows what is decided and, where it is asked for, what is proposed: never what is only looked at, and never the part
 * that was open before.
 */
export function useOnPaper(desk: Ref<Desk | null>, layer: Ref<readonly Mark[]>) {
    const withProposals = remembered('with-proposals', false)
    let page: ScorePage | null = null
    let maker: PaperMaker | null = null
    let sheet: SheetLine[] = []

    const heading = () => ({ title: desk.value?.piece.title ?? '', composer: desk.value?.piece.composer ?? '', part: [desk.value?.part.name, desk.value?.groups.find(({ id }) => id === desk.value?.players)?.name].filter(Boolean).join(', '), told: desk.value?.performance.sentences ?? [], ensemble: desk.value?.ensemble.name ?? '' })
    const showsNotation = () => desk.value?.piece.rights !== 'printed-only'

    function drawn(now: ScorePage): void {
        page = now
        maker ??= new PaperMaker(sheets, heading, () => paper.value)
    }

    function sheets(size: typeof paper.value): SVGSVGElement[] {
        if (!showsNotation()) {
            return transfer(sheet, size, heading())
        }
        const own = page !== null && page.music !== '' && page.music === desk.value?.music
        return own ? marked(page as ScorePage, layer.value.filter(({ decided }) => withProposals.value || decided === true), size, heading()) : []
    }

    /** A printed set goes out as a transfer sheet, which the server writes. */
    async function use(work: (maker: PaperMaker) => void | Promise<void>): Promise<void> {
        const id = desk.value?.part.id
        try {
            if (!showsNotation() && id !== undefined) {
                sheet = (await api.sheet(id, desk.value?.players ?? null)).sheet
            }
            if (maker && id === desk.value?.part.id) {
                await work(maker)
            }
        } catch (problem) {
            ElMessage.error(problemWords(problem))
        }
    }

    onBeforeUnmount(() => maker?.dispose())

    return { withProposals, drawn, print: () => use((made) => made.print()), save: () => use((made) => made.save()), page: () => page }
}
