import { ElMessage } from 'element-plus'
import { v4 as uuid } from 'uuid'
import type { Ref } from 'vue'
import { api } from '../api/client'
import type { Decision, DecisionFields, Note } from '../api/types'
import type { DeskHands } from '../marks/hands'
import type { ScorePage } from '../page/score-page'
import type { useHearing } from '../sound/hearing'
import type { useDesk } from '../stores/desk'
import { say as speak } from '../stores/say'
import type { useCarrying } from './carrying'
import type { useFindingWalk } from './finding-walk'
import type { useOpenPlaces } from './open-places'
import { noteAway, placeCalled, sectionAround, type Places } from './places'
import type { useSelection } from './selection'
import type { useSettling } from './settling'
import type { useTrying } from './trying'
import { problemWords } from './words'

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

const NOTHING_CHOSEN = 'Choose a note first: click it, or press →.'

const marksTaken = (count: number) => (count === 1 ? 'One note is taken' : `${count} notes are taken`)
const leftOut = (count: number) => (count === 0 ? '' : count === 1 ? '; one is doubtful and left: 9 goes there' : `; ${count} are doubtful and left: 9 goes there`)

/** The hands that the commands use: each does one thing on the desk. */
export function deskHands(reach: Reach): DeskHands {
    const { desk, selecting, trying, walk, carrying, settling, open, hearing, page, choose, ask } = reach
    const say = (message: string) => void ElMessage.info(message)
    const fail = (problem: unknown) => void ElMessage.error(problemWords(problem))

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
            void keepVersion()
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

    const ordered = (): string[] => {
        const [first, last] = selecting.ends.value
        return first === undefined || last === undefined ? [] : first === last ? [first] : [first, last]
    }

    async function takeProposed(what: 'here' | 'section' | 'part' | 'piece'): Promise<void> {
        const id = desk.part?.part.id
        if (id === undefined) {
            return
        }
        try {
            if (what === 'piece') {
                await takePiece()
                return
            }
            const section = what === 'section' ? sectionAround(desk.notes, selecting.chosen.value ?? desk.notes[0] ?? null, reach.places()) : null
            const [from, to] = what === 'here' ? ordered() : section ? [section.from, section.to] : []
            if (what === 'here' && from === undefined) {
                say(NOTHING_CHOSEN)
                return
            }
            const single = what === 'here' && to === undefined
            const proposals = await api.proposals(id, desk.players, from, to ?? from, single)
            if (proposals.decisions.length > 0) {
                trying.leave()
                desk.decide(...proposals.decisions)
            }
            told(proposals.decisions.length, proposals.leftOut.length, single)
            if (single) {
                choose(nextProposed())
            }
        } catch (problem) {
            fail(problem)
        }
    }

    function told(taken: number, left: number, single: boolean): void {
        if (taken === 0) {
            say(left === 0 ? 'Nothing is proposed here that is not decided.' : `Nothing is taken${leftOut(left)}.`)
        } else if (!single) {
            ElMessage.success(`${marksTaken(taken)}${leftOut(left)}. Z takes all of it back.`)
        }
    }

    /** The next note on which something is proposed that nobody decided. */
    function nextProposed(): string | null {
        const now = desk.notes.findIndex(({ id }) => id === selecting.selected.value)
        const waiting = new Set(desk.layer.filter(({ decided }) => decided !== true).map(({ note }) => note))
        return desk.notes.slice(now + 1).find(({ id }) => waiting.has(id))?.id ?? selecting.away(1)
    }

    /** All parts at once: into all of their records or into none, and undone as one. */
    async function takePiece(): Promise<void> {
        const piece = desk.part?.piece.id
        if (piece === undefined) {
            return
        }
        const { parts } = await api.pieceProposals(piece)
        const some = parts.filter(({ proposals }) => proposals.decisions.length > 0)
        const taken = some.reduce((sum, { proposals }) => sum + proposals.decisions.length, 0)
        const left = parts.reduce((sum, { proposals }) => sum + proposals.leftOut.length, 0)
        if (taken === 0) {
            told(0, left, false)
            return
        }
        const each = some.map(({ name, proposals }) => `${name} ${proposals.decisions.length}`).join(', ')
        if (await reach.confirm(`Notes with proposals: ${each}.${left === 0 ? '' : ` ${left} doubtful ones are left out.`} It is one entry in all parts; one undo takes it back.`, 'Take all that is proposed in this piece?')) {
            await api.appendGroup(piece, uuid(), some.map(({ part, seq, proposals }) => ({ part, seen: seq, decisions: proposals.decisions })))
            await desk.refresh()
            ElMessage.success(`${marksTaken(taken)} in ${some.length} parts${leftOut(left)}.`)
        }
    }

    async function find(): Promise<void> {
        const notes = selecting.selection.value
        if (notes.length === 0) {
            say(NOTHING_CHOSEN)
            return
        }
        try {
            const found = await carrying.find(notes)
            if (found && carrying.open.value.length + carrying.otherwise.value.length === 0) {
                carrying.clear()
                say(found.places.length === 0 ? 'This figure does not come again in this part.' : 'Nothing is decided here that is not decided there too.')
            }
        } catch (problem) {
            fail(problem)
        }
    }

    function carry(): void {
        const decisions = carrying.offer.value === null ? null : carrying.all()
        if (decisions === null) {
            void find()
        } else if (decisions.length > 0) {
            carrying.clear()
            trying.leave()
            desk.decide(...decisions)
        }
    }

    /** Where there is no offer yet, all that is like this is found first: also where nothing is decided. */
    async function nextLike(): Promise<void> {
        if (carrying.offer.value === null && selecting.selection.value.length > 0) {
            await carrying.find(selecting.selection.value).catch(fail)
        }
        const place = carrying.next()?.from ?? nextOfAll()
        if (place === null) {
            say('This figure does not come again in this part.')
        } else {
            choose(place)
        }
    }

    const nextOfAll = (): string | null => {
        const all = carrying.offer.value?.places ?? []
        const now = all.findIndex(({ from }) => from === selecting.selected.value)
        return all[(now + 1) % Math.max(1, all.length)]?.from ?? null
    }

    async function asIn(): Promise<void> {
        const [id, at] = [desk.part?.part.id, ordered()[0]]
        if (id === undefined || at === undefined) {
            say(NOTHING_CHOSEN)
            return
        }
        const measures = await ask(`As in which ${speak('measures')}, from here on?`, '', /^\S+( ?[-–] ?\S+)?$/, 'One, as 21, or several, as 21-28.')
        if (measures === null || measures.trim() === '') {
            return
        }
        try {
            const carried = await api.asIn(id, desk.players, measures.replaceAll(' ', ''), at)
            if (carried.misfits.length > 0) {
                ElMessage.warning(carried.misfits.join(' '))
            }
            if (carried.decisions.length === 0) {
                say('Nothing is decided there that could be carried here.')
            } else {
                await trying.look('carry', 0, carried.decisions)
            }
        } catch (problem) {
            fail(problem)
        }
    }

    function version(): void {
        const trial = trying.trial.value
        const question = settling.at(selecting.selected.value)
        if (trial !== null && trial.kind !== 'version') {
            void keepVersion()
        } else if (settling.question.value) {
            settling.next(settling.question.value.id)
        } else if (trying.drafting.value !== null) {
            trying.endDraft()
            say('No other version was made.')
        } else if (question) {
            settling.next(question.id)
        } else if (selecting.selected.value === null) {
            say(NOTHING_CHOSEN)
        } else {
            trying.drafting.value = []
            say('Now decide it the other way: nothing counts yet. Press ; again to keep both.')
        }
    }

    async function keepVersion(): Promise<void> {
        const decisions = trying.drafting.value ?? trying.trial.value?.decisions ?? []
        const listen = await ask('What is to be listened for?', '', /^/, 'In a few words, or nothing.')
        if (listen === null) {
            return
        }
        try {
            const made = await settling.keep(decisions, listen)
            trying.endDraft()
            if (made.length > 0) {
                desk.decide(...made)
                ElMessage.success('Both versions are kept until one is taken.')
            }
        } catch (problem) {
            fail(problem)
        }
    }

    /** The bow’s decisions stand on the first note of the stroke. */
    async function reason(): Promise<void> {
        const holds = (note: Note | null) => (note === null ? [] : Object.entries(note.decided).filter(([, value]) => !String(value).endsWith('…')))
        const note = [selecting.chosen.value, selecting.strokeChosen.value].find((one) => holds(one).length > 0) ?? null
        if (note === null) {
            say(selecting.chosen.value === null ? NOTHING_CHOSEN : 'Decide something here first; then say why.')
            return
        }
        const words = await ask('Why is it decided so?', '', /^/, 'In one line.')
        if (words !== null && words.trim() !== '') {
            desk.decide({ note: note.id, ...Object.fromEntries(holds(note)), reason: words.trim() })
        }
    }

    async function goTo(): Promise<void> {
        const places = reach.places()
        const name = await ask(`Go to which ${speak('measure')} or letter?`, '', /^/, 'As 27, B, or B + 5.')
        const measure = name === null || name.trim() === '' ? undefined : placeCalled(name, places)
        if (measure === null) {
            say(`There is no “${name?.trim()}” in this part.`)
        } else if (measure !== undefined) {
            const number = places.measures[measure]
            choose(desk.notes.find((note) => places.measures.indexOf(note.measure) >= measure)?.id ?? desk.notes.find((note) => note.measure === number)?.id ?? null)
        }
    }

    function far(by: 1 | -1, what: 'measure' | 'beat' | 'letter', extend = false): void {
        const now = desk.notes.findIndex(({ id }) => id === selecting.selected.value)
        if (extend && by === 1) {
            // A span that grows by a measure ends with that measure.
            const here = desk.notes[now]?.measure
            const inside = desk.notes.slice(now + 1)
            const until = inside.findIndex(({ measure }) => measure !== here)
            const rest = until === 0 ? inside.findIndex(({ measure }) => measure !== inside[0]?.measure) : until
            choose((rest === -1 ? inside.at(-1) : inside[rest - 1])?.id ?? null, true)
        } else {
            choose(noteAway(desk.notes, now, by, what, reach.places())?.id ?? null, extend)
        }
    }

    function selectMore(): void {
        const section = sectionAround(desk.notes, selecting.chosen.value ?? desk.notes[0] ?? null, reach.places())
        const [first, last] = selecting.ends.value
        const whole = section === null || (first === section.from && last === section.to)
        const [from, to] = whole ? [desk.notes[0]?.id, desk.notes.at(-1)?.id] : [section.from, section.to]
        if (from !== undefined && to !== undefined) {
            choose(from)
            choose(to, true)
        }
    }

    async function nextOpen(): Promise<void> {
        const found = await open.next()
        if (found === null) {
            say('Nothing is open in this piece.')
            return
        }
        if (found.first) {
            say('That was all; from the beginning.')
        }
        if (found.part === desk.part?.part.id) {
            choose(found.place.note)
            ElMessage.info({ message: found.place.why, grouping: true })
        } else {
            reach.visit(found.part, found.place.note)
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
        far,
        goTo: () => void goTo(),
        selectMore,
        spanTo: () => {
            reach.spanning.value = !reach.spanning.value
            say(reach.spanning.value ? 'Press the note with which the span ends.' : 'One note at a time again.')
        },
        nextOpen: () => void nextOpen(),
        takeProposed: (what) => void takeProposed(what),
        carry,
        nextLike: () => void nextLike(),
        leaveOut: () => {
            const at = carrying.at.value
            if (at === null) {
                say('Go to a like place first: 6.')
            } else {
                carrying.toggle(at)
            }
        },
        asIn: () => void asIn(),
        version,
        reason: () => void reason(),
        lookBack: reach.lookBack,
        hear: () => (hearing.playing.value ? hearing.stop() : void hearing.play(ordered(), trying.trial.value?.decisions ?? [])),
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
            return desk.undo() || say('There is nothing to undo.')
        },
        redo: () => desk.redo() || say('There is nothing to redo.'),
        handOut: () => (reach.handingOut.value = !reach.handingOut.value),
        keys: () => (reach.showingKeys.value = true),
        say,
    }
}
