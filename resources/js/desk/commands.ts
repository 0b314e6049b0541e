import type { Action, Decision, DecisionFields, Mark, NoteInfo } from '../api/types'
import type { Command } from './keys'

/** What the commands can do; the desk gives it. */
export interface DeskHands {
    step(by: number): void
    /** Makes the selection longer or shorter by notes. */
    extend(by: number): void
    /** The ids of the selected notes; one unless a span is selected. */
    span(): string[]
    /** The printed numbers of the measures that the selection lies in. */
    measures(): string
    decide(...decisions: Decision[]): void
    preview(): void
    why(): void
    /** Other ways to finger the selection; again: the next one on the page. */
    ways(): void
    sizeUp(): void
    leave(): void
    bowTrack(): void
    handTrack(): void
    line(by: number): void
    edge(last: boolean): void
    finding(by: number): void
    takeFix(): void
    /** Decides on the first note of the selected note's stroke. */
    bow(fields: DecisionFields): void
    /** Decides on the selected note. */
    note(fields: DecisionFields): void
    chosen(): NoteInfo | null
    /** What is known of a note. */
    info(note: string): NoteInfo | null
    strokeChosen(): NoteInfo | null
    /** Every position of the instrument, lowest first. */
    positions(): number[]
    mark(note: string): Mark | null
    undo(): void
    redo(): void
    handOut(): void
    keys(): void
    say(message: string): void
}

export interface DeskCommand extends Command {
    /** Shown at the foot of the desk. */
    hint?: string
}

const BOW_FIELDS = ['direction', 'action', 'place', 'bowMark'] as const

const PLACES = ['frog', 'LH', 'BP', 'M', 'UH', 'tip', 'WB'] as const
const FINGER_FIELDS = ['finger', 'placement', 'string', 'position', 'fingerMark', 'slide', 'bar', 'stay', 'choice'] as const

/** A finger that is decided ends a choice that was left open. */
const ANEW = { placement: null, fingerMark: null, choice: null }

export function deskCommands(hands: DeskHands): DeskCommand[] {
    return [
        { keys: ['ArrowLeft'], label: 'Note before', group: 'Walk', run: () => hands.step(-1) },
        { keys: ['ArrowRight'], label: 'Note after', group: 'Walk', run: () => hands.step(1), hint: 'walk' },
        { keys: ['Shift+ArrowLeft'], label: 'Span: one note less or back', group: 'Walk', run: () => hands.extend(-1) },
        { keys: ['Shift+ArrowRight'], label: 'Span: one note more', group: 'Walk', run: () => hands.extend(1), hint: 'span' },
        { keys: ['ArrowUp'], label: 'Line above', group: 'Walk', run: () => hands.line(-1) },
        { keys: ['ArrowDown'], label: 'Line below', group: 'Walk', run: () => hands.line(1) },
        { keys: ['Home'], label: 'First note', group: 'Walk', run: () => hands.edge(false) },
        { keys: ['End'], label: 'Last note', group: 'Walk', run: () => hands.edge(true) },
        { keys: ['f'], label: 'Next finding', group: 'Walk', run: () => hands.finding(1), hint: 'findings' },
        { keys: ['Shift+f'], label: 'Finding before', group: 'Walk', run: () => hands.finding(-1) },
        { keys: ['v'], label: 'Look at the finding’s next fix on the page', group: 'Walk', run: () => hands.preview(), hint: 'fixes' },
        { keys: ['Enter'], label: 'Take the fix or the fingering that is looked at', group: 'Walk', run: () => hands.takeFix() },
        { keys: ['Escape'], label: 'Leave the preview or the span', group: 'Walk', run: () => hands.leave() },
        { keys: ['d', 'l'], label: 'Down-bow: land this note down, the way to it is planned', short: 'Down', group: 'Bow', run: () => hands.bow({ direction: 'down', bowMark: null }) },
        { keys: ['u'], label: 'Up-bow', short: 'Up', group: 'Bow', run: () => hands.bow({ direction: 'up', bowMark: null }) },
        { keys: ['h'], label: 'Hook to the note before; a span: hook all of it, or its dotted pairs', short: 'Hook', group: 'Bow', run: () => hook(hands) },
        { keys: ['r'], label: 'Retake before it', short: 'Retake', group: 'Bow', run: () => toggle(hands, 'retake') },
        { keys: ['s'], label: 'Strike the slur; a span: strike all its slurs', short: 'Strike', group: 'Bow', run: () => strike(hands) },
        { keys: ['/'], label: 'Split the slur before this note', short: 'Split', group: 'Bow', run: () => toggleNote(hands, 'split') },
        { keys: ['j'], label: 'Join to the note before, in one bow', short: 'Join', group: 'Bow', run: () => toggleNote(hands, 'join') },
        { keys: ['c'], label: 'Change bow on a held note; a span: as it comes', short: 'Change', group: 'Bow', run: () => comes(hands) },
        { keys: ['g'], label: 'Stagger the change on a held note', short: 'Stagger', group: 'Bow', run: () => toggle(hands, 'stagger') },
        { keys: ['i'], label: 'Lift in the rest before it', short: 'Lift', group: 'Bow', run: () => toggle(hands, 'lift') },
        { keys: ['k'], label: 'A span of three beats each: pair them, down, up-up', short: 'Pair', group: 'Bow', run: () => range(hands, 'pair') },
        { keys: ['p'], label: 'Place on the bow: frog, LH, BP, M, UH, tip, WB, none', short: 'Place', group: 'Bow', run: () => nextPlace(hands) },
        ...[0, 1, 2, 3, 4].map(
            (finger): DeskCommand => ({
                keys: [String(finger)],
                label: finger === 0 ? 'Open string' : `Finger ${finger}`,
                short: '',
                group: 'Finger',
                run: () => hands.note({ finger, ...ANEW }),
            }),
        ),
        { keys: ['-'], label: 'Low', group: 'Finger', run: () => place(hands, 'low') },
        { keys: ['+', '='], label: 'High', group: 'Finger', run: () => place(hands, 'high') },
        { keys: ['x'], label: 'Extended', short: 'Ext.', group: 'Finger', run: () => place(hands, 'extended') },
        { keys: ['*'], label: 'Harmonic: the finger only touches', short: 'Harm.', group: 'Finger', run: () => hands.note({ placement: 'harmonic', finger: null, fingerMark: null, choice: null }) },
        { keys: ['n'], label: 'In its usual place', short: 'Usual', group: 'Finger', run: () => place(hands, 'regular') },
        { keys: ['t'], label: 'On another string; a span: all of it', short: 'String', group: 'Finger', run: () => nextString(hands) },
        { keys: ['['], label: 'The hand a position lower; a span: all of it', short: 'Lower', group: 'Finger', run: () => moveHand(hands, -1) },
        { keys: [']'], label: 'The hand a position higher; a span: all of it', short: 'Higher', group: 'Finger', run: () => moveHand(hands, 1) },
        { keys: ['e'], label: 'Either 0 or 4: the player’s choice', short: '0 or 4', group: 'Finger', run: () => turn(hands, 'choice') },
        { keys: ['Shift+s'], label: 'Slide to this note with the finger of the note before', short: 'Slide', group: 'Finger', run: () => turn(hands, 'slide') },
        { keys: ['Shift+b'], label: 'Bar: this finger over the next string too', short: 'Bar', group: 'Finger', run: () => turn(hands, 'bar') },
        { keys: ['Shift+d'], label: 'Finger stays down', short: 'Stay', group: 'Finger', run: () => turn(hands, 'stay') },
        { keys: ['a'], label: 'Another way to finger the note or span; again: the next', short: 'Ways', group: 'Finger', run: () => hands.ways(), hint: 'other fingers' },
        { keys: ['w'], label: 'Why this finger, and not another', short: 'Why?', group: 'Finger', run: () => hands.why() },
        { keys: ['Delete', 'Backspace'], label: 'Take away what is decided; again: what is proposed', short: 'Erase', group: 'Finger', run: () => takeAway(hands) },
        { keys: ['z', 'Ctrl+z'], label: 'Undo', group: 'Page', run: () => hands.undo() },
        { keys: ['y', 'Ctrl+y', 'Ctrl+Shift+z'], label: 'Redo', group: 'Page', run: () => hands.redo() },
        { keys: ['b'], label: 'Bow track on or off', group: 'Page', run: () => hands.bowTrack(), hint: 'bow track' },
        { keys: ['m'], label: 'Hand track on or off', group: 'Page', run: () => hands.handTrack(), hint: 'hand track' },
        { keys: ['q'], label: 'Size the part up: keys, range, what is new, what is hard', group: 'Page', run: () => hands.sizeUp(), hint: 'size up' },
        { keys: ['o'], label: 'Hand out', group: 'Page', run: () => hands.handOut() },
        { keys: ['?'], label: 'This sheet', group: 'Page', run: () => hands.keys() },
    ]
}

function toggle(hands: DeskHands, action: Action): void {
    hands.bow({ action: isDecided(hands.strokeChosen(), action) ? null : action })
}

function toggleNote(hands: DeskHands, action: Action): void {
    hands.note({ action: isDecided(hands.chosen(), action) ? null : action })
}

/** On, or off again; a mark that the computer proposes is first taken off. */
function turn(hands: DeskHands, field: 'slide' | 'bar' | 'stay' | 'choice'): void {
    const note = hands.chosen()
    const said = note?.decided.includes(field) === true
    hands.note(field === 'choice' ? { choice: said ? null : true, finger: null, placement: null, string: null, position: null } : { [field]: said ? null : !note?.[field] })
}

function isDecided(note: NoteInfo | null, action: Action): boolean {
    return note?.action === action && note.decided.includes('action')
}

/** Two or three notes are hooked into one direction; in a longer span every dotted pair is. */
function hook(hands: DeskHands): void {
    const span = hands.span()
    if (span.length < 2) {
        toggle(hands, 'hook')
    } else if (span.length <= 3) {
        hands.decide(...span.slice(1).map((note) => ({ note, action: 'hook' })))
    } else {
        range(hands, 'hook')
    }
}

function strike(hands: DeskHands): void {
    const span = hands.span()
    if (span.length < 2) {
        toggleNote(hands, 'strike')
    } else {
        hands.decide(...span.map((note) => ({ note, action: 'strike' })))
    }
}

function comes(hands: DeskHands): void {
    if (hands.span().length > 1) {
        range(hands, 'as-it-comes')
    } else {
        toggleNote(hands, 'change')
    }
}

function range(hands: DeskHands, action: string): void {
    if (hands.span().length < 2) {
        hands.say('Select a span first: Shift with → makes it longer.')
        return
    }
    hands.decide({ measures: hands.measures(), action })
}

function nextPlace(hands: DeskHands): void {
    const now = PLACES.findIndex((place) => place === hands.strokeChosen()?.place)
    hands.bow({ place: PLACES[now + 1] ?? null })
}

/** The finger is worked out anew for the other string, and for the other position. */
function nextString(hands: DeskHands): void {
    const note = hands.chosen()
    const strings = note?.strings ?? []
    if (note && strings.length < 2) {
        hands.say('No other string has this note.')
        return
    }
    const next = strings[(strings.indexOf(note?.string ?? '') + 1) % strings.length] ?? null
    throughout(hands, { string: next, position: null, finger: null, ...ANEW }, (one) => next !== null && one.strings.includes(next))
}

/** The same on every note of a span that it fits; on the selected note when there is no span. */
function throughout(hands: DeskHands, fields: DecisionFields, fits: (note: NoteInfo) => boolean): void {
    const span = hands.span()
    if (span.length < 2) {
        hands.note(fields)
        return
    }
    const notes = span.map((id) => hands.info(id)).filter((note) => note !== null && fits(note))
    hands.decide(...notes.flatMap((note) => (note ? [{ note: note.id, ...fields }] : [])))
}

function moveHand(hands: DeskHands, by: number): void {
    const positions = hands.positions()
    const next = positions[positions.indexOf(hands.chosen()?.handIn ?? 1) + by]
    if (next === undefined) {
        hands.say(by > 0 ? 'This is the highest position.' : 'This is the lowest position.')
        return
    }
    throughout(hands, { position: next, finger: null, ...ANEW }, (one) => !one.tied)
}

function place(hands: DeskHands, placement: string): void {
    const finger = Number(hands.chosen()?.finger?.match(/\d/)?.[0] ?? 0)
    if (finger === 0) {
        hands.say('Put a finger on the note first: low, high and extended belong to a finger.')
        return
    }
    hands.note({ finger, placement, fingerMark: null, choice: null })
}

/** First what was decided goes; pressed again, the proposed mark is not written either. */
function takeAway(hands: DeskHands): void {
    const note = hands.chosen()
    if (!note) {
        hands.note({})
        return
    }
    const hidden = ['bowMark', 'fingerMark']
    const decided = note.decided.filter((field) => !hidden.includes(field))
    const mark = hands.mark(note.id)
    if (decided.length > 0) {
        hands.note(Object.fromEntries([...BOW_FIELDS, ...FINGER_FIELDS].filter((field) => decided.includes(field)).map((field) => [field, null])))
    } else if (mark) {
        hands.note({
            ...(mark.bow || mark.action ? { bowMark: false } : {}),
            ...(mark.finger ? { fingerMark: false } : {}),
            ...(mark.barTo ? { bar: false } : {}),
            ...(mark.stayTo ? { stay: false } : {}),
        })
    } else if (note.decided.length > 0) {
        hands.note(Object.fromEntries(note.decided.map((field) => [field, null])))
        hands.say('The proposed marks are written again.')
    } else {
        hands.say('There is no pencil mark on this note.')
    }
}
