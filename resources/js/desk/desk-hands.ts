import type { Decision, DecisionFields, Note } from '../api/types'
import type { DeskHands } from '../marks/hands'
import { carryingHands } from './hands/carrying'
import { goingHands } from './hands/going'
import { NOTHING_CHOSEN, say, type Reach } from './hands/reach'
import { takingHands } from './hands/taking'
import { versionHands } from './hands/versions'

/** The hands that the commands use: each does one thing on the desk. */
export function deskHands(reach: Reach): DeskHands {
    const { desk, selecting, trying, walk, carrying, hearing, page, choose, ask } = reach
    const taking = takingHands(reach)
    const carries = carryingHands(reach)
    const versions = versionHands(reach)
    const going = goingHands(reach)

    /** Into the record or, while another version is made, into that. */
    function put(...decisions: Decision[]): void {
        if (trying.drafting.value !== null) {
            trying.draft(decisions)
            return
        }
        trying.leave()
        desk.decide(...decisions)
        carrying.after(decisions.flatMap((decision) => ('note' in decision ? [decision.note] : [])))
    }

    function decideOn(note: string | null, fields: DecisionFields): void {
        if (note === null) {
            say(NOTHING_CHOSEN)
        } else {
            put({ note, ...fields })
        }
    }

    /** One decision over the whole span: a word that holds, a text. */
    function decideOver(fields: DecisionFields): void {
        const [first, last] = selecting.ends.value
        if (first === undefined || last === undefined || first === last) {
            decideOn(selecting.selected.value, fields)
        } else {
            put({ note: first, to: last, ...fields })
        }
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

    /** Takes what is shown: what is looked at on the page, a like place that was gone to, else the fix that the list offers. */
    function take(): void {
        const trial = trying.trial.value
        const like = trial === null ? carrying.here() : null
        if (trial?.kind === 'draft') {
            void versions.keep()
            return
        }
        if (trial?.kind === 'line' || trial?.kind === 'suggestion') {
            say(trial.kind === 'line' ? 'It is about several parts: decide it on the line-up.' : 'It is suggested: take it or leave it beside the page.')
            return
        }
        const decisions = trial?.decisions ?? like?.decisions ?? walk.finding.value?.fixes[0]?.decisions
        if (decisions) {
            trying.leave()
            if (like) {
                carrying.done(like.from)
            } else {
                walk.leave()
            }
            desk.decide(...decisions)
        }
    }

    /** The bow’s decisions stand on the first note of the stroke. */
    function decidedHere(otherwise: string): Decision | null {
        const holds = (note: Note | null) => (note === null ? [] : Object.entries(note.decided).filter(([, value]) => !String(value).endsWith('…')))
        const note = [selecting.chosen.value, selecting.strokeChosen.value].find((one) => holds(one).length > 0) ?? null
        if (note === null) {
            say(selecting.chosen.value === null ? NOTHING_CHOSEN : otherwise)
            return null
        }
        return { note: note.id, ...Object.fromEntries(holds(note)) }
    }

    async function reason(): Promise<void> {
        const decided = decidedHere('Decide something here first; then say why.')
        const words = decided === null ? null : await ask('Why is it decided so?', '', /^/, 'In one line.', 'Keep it')
        if (decided !== null && words !== null && words.trim() !== '') {
            desk.decide({ ...decided, reason: words.trim() })
        }
    }

    function once(): void {
        const decided = decidedHere('Decide something here first; then say that it is for this once.')
        if (decided !== null) {
            desk.decide({ ...decided, once: true })
            say('For this once: it says nothing about how you mark.')
        }
    }

    return {
        step: (by) => choose(selecting.away(by)),
        extend: (by) => choose(selecting.away(by), true),
        span: () => selecting.selection.value,
        measures: selecting.measures,
        decide: put,
        preview: () => (walk.finding.value === null ? say('Go to a finding first: F.') : walk.look(trying.trial.value?.kind === 'fix' ? trying.trial.value.place + 1 : 0)),
        why: explain,
        ways: () => void otherWays(),
        sizeUp: reach.sizeUp,
        far: going.far,
        goTo: () => void going.goTo(),
        selectMore: going.selectMore,
        spanTo: () => {
            reach.spanning.value = !reach.spanning.value
            say(reach.spanning.value ? 'Press the note with which the span ends.' : 'One note at a time again.')
        },
        nextOpen: () => void going.nextOpen(),
        takeProposed: (what) => void taking.take(what),
        carry: carries.carry,
        nextLike: () => void carries.nextLike(),
        leaveOut: () => {
            const at = carrying.at.value
            if (at === null) {
                say('Go to a like place first: 6.')
            } else {
                carrying.toggle(at)
            }
        },
        asIn: () => void carries.asIn(),
        version: versions.version,
        reason: () => void reason(),
        once,
        lookBack: reach.lookBack,
        hear: () => (hearing.playing.value ? hearing.stop() : void hearing.play(selecting.span(), trying.trial.value?.decisions ?? [])),
        large: () => (hearing.large.value = !hearing.large.value),
        leave: () => {
            if (hearing.playing.value) {
                hearing.stop()
                return
            }
            trying.endDraft()
            trying.forget()
            carrying.clear()
            selecting.anchor.value = null
            reach.spanning.value = false
        },
        bowTrack: () => (reach.bowTracked.value = !reach.bowTracked.value),
        handTrack: () => (reach.handTracked.value = !reach.handTracked.value),
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
        undo: () => {
            carrying.clear()
            return trying.undraft() || desk.undo() || say('There is nothing to undo.')
        },
        redo: () => desk.redo() || say('There is nothing to redo.'),
        handOut: () => (reach.handingOut.value = !reach.handingOut.value),
        keys: () => (reach.showingKeys.value = true),
        say,
    }
}
