import { ElMessage } from 'element-plus'
import type { Ref } from 'vue'
import type { DeskHands } from '../../marks/hands'
import type { ScorePage } from '../../page/score-page'
import type { useHearing } from '../../sound/hearing'
import type { useDesk } from '../../stores/desk'
import type { useCarrying } from '../carrying'
import type { useFindingWalk } from '../finding-walk'
import type { useOpenPlaces } from '../open-places'
import type { Places } from '../places'
import type { useSelection } from '../selection'
import type { useSettling } from '../settling'
import type { useTrying } from '../trying'
import { problemWords } from '../words'

/** What the desk's keys reach for. */
export interface Reach {
    desk: ReturnType<typeof useDesk>
    selecting: ReturnType<typeof useSelection>
    trying: ReturnType<typeof useTrying>
    walk: ReturnType<typeof useFindingWalk>
    carrying: ReturnType<typeof useCarrying>
    settling: ReturnType<typeof useSettling>
    open: ReturnType<typeof useOpenPlaces>
    hearing: ReturnType<typeof useHearing>
    places: () => Places
    page: () => ScorePage | null
    choose: (note: string | null, extend?: boolean) => void
    /** Goes to another part of the piece, to a note of it. */
    visit: (part: number, note: string) => void
    lookBack: () => void
    sizeUp: () => void
    spanning: Ref<boolean>
    bowTracked: Ref<boolean>
    handTracked: Ref<boolean>
    handingOut: Ref<boolean>
    showingKeys: Ref<boolean>
    ask: DeskHands['ask']
    confirm: (question: string, title: string) => Promise<boolean>
}

export const NOTHING_CHOSEN = 'Choose a note first: click it, or press →.'

export const say = (message: string): void => void ElMessage.info(message)

export const fail = (problem: unknown): void => void ElMessage.error(problemWords(problem))
