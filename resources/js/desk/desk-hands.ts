import { ElMessage } from 'element-plus'
import type { Ref } from 'vue'
import type { DecisionFields } from '../api/types'
import type { DeskHands } from '../marks/hands'
import type { ScorePage } from '../page/score-page'
import type { useDesk } from '../stores/desk'
import type { useFindingWalk } from './finding-walk'
import type { useSelection } from './selection'
import type { useTrying } from './trying'

/** What the desk's keys reach for. */
export interface Reach {
    desk: ReturnType<typeof useDesk>
    selecting: ReturnType<typeof useSelection>
    trying: ReturnType<typeof useTrying>
    walk: ReturnType<typeof useFindingWalk>
    page: () => ScorePage | null
    choose: (note: string | null, extend?: boolean) => void
    sizeUp: () => void
    bowTracked: Ref<boolean>
    handTracked: Ref<boolean>
    handingOut: Ref<boolean>
    showingKeys: Ref<boolean>
    ask: DeskHands['ask']
}

const NOTHING_CHOSEN = 'Choose a note first: click it, or press →.'

/** The hands that the commands use: each does one thing on the desk. */
export function deskHands({ desk, selecting, trying, walk, page, choose, sizeUp, bowTracked, handTracked, handingOut, showingKeys, ask }: Reach): DeskHands {
    const say = (message: string) => void ElMessage.info(message)

    function decideOn(note: string | null, fields: DecisionFields): void {
        if (note === null) {
            say(NOTHING_CHOSEN)
            return
        }
        trying.leave()
        desk.decide({ note, ...fields })
    }

    /** One decision over the whole span: a word that holds, a text. */
    function decideOver(fields: DecisionFields): void {
        const [first, last] = selecting.ends.value
        if (first === undefined || last === undefined || first === last) {
            decideOn(selecting.selected.value, fields)
            return
        }
        trying.leave()
        desk.decide({ note: first, to: last, ...fields })
    }

    /** Asks for other ways first; then each press looks at the next one on the page. */
    async function otherWays(): Promise<void> {
        const [from, to] = [selecting.fingered(selecting.selection.value[0]), selecting.fingered(selecting.selection.value.at(-1))]
        if (from === null || to === null) {
            say(NOTHING_CHOSEN)
            return
        }
        if (trying.asking.value) {
            return
        }
        if (trying.ways.value === null) {
            await trying.findWays(from, to)
        }
        trying.lookAtWay(trying.trial.value?.kind === 'way' ? trying.trial.value.place + 1 : 0)
    }

    function explain(): void {
        const note = selecting.fingered(selecting.selected.value)
        if (note === null) {
            say(NOTHING_CHOSEN)
        } else {
            void trying.explain(note)
        }
    }

    /** Takes what is shown: what is looked at on the page, else the fix that the list offers for Enter. */
    function take(): void {
        const decisions = trying.trial.value?.decisions ?? walk.finding.value?.fixes[0]?.decisions
        if (decisions) {
            trying.leave()
            walk.leave()
            desk.decide(...decisions)
        }
    }

    return {
        step: (by) => choose(selecting.away(by)),
        extend: (by) => choose(selecting.away(by), true),
        span: () => selecting.selection.value,
        measures: selecting.measures,
        decide: (...decisions) => {
            trying.leave()
            desk.decide(...decisions)
        },
        preview: () => (walk.finding.value === null ? say('Go to a finding first: F.') : walk.look(trying.trial.value?.kind === 'fix' ? trying.trial.value.place + 1 : 0)),
        why: explain,
        ways: () => void otherWays(),
        sizeUp,
        leave: () => {
            trying.leave()
            trying.forget()
            selecting.anchor.value = null
        },
        bowTrack: () => (bowTracked.value = !bowTracked.value),
        handTrack: () => (handTracked.value = !handTracked.value),
        line: (by) => choose(selecting.selected.value === null ? (desk.notes[0]?.id ?? null) : (page()?.lineAway(selecting.selected.value, by) ?? null)),
        edge: (last) => choose(desk.notes[last ? desk.notes.length - 1 : 0]?.id ?? null),
        finding: walk.step,
        takeFix: take,
        bow: (fields) => decideOn(selecting.strokeChosen.value?.id ?? selecting.selected.value, fields),
        note: (fields) => decideOn(selecting.selected.value, fields),
        over: decideOver,
        chosen: () => selecting.chosen.value,
        info: selecting.at,
        strokeChosen: () => selecting.strokeChosen.value,
        positions: () => desk.marking?.board?.positions ?? [],
        isMarked: (note) => desk.layer.some((mark) => mark.note === note),
        shown: (note, kind) => desk.layer.find((mark) => mark.note === note && mark.kind === kind)?.text,
        ask,
        undo: () => desk.undo() || say('There is nothing to undo.'),
        redo: () => desk.redo() || say('There is nothing to redo.'),
        handOut: () => (handingOut.value = !handingOut.value),
        keys: () => (showingKeys.value = true),
        say,
    }
}
