import type { DecisionFields, Mark, NoteInfo } from '../api/types'
import type { Command } from './keys'

/** What the commands can do; the desk gives it. */
export interface DeskHands {
    step(by: number): void
    line(by: number): void
    edge(last: boolean): void
    finding(by: number): void
    takeFix(): void
    /** Decides on the first note of the selected note's stroke. */
    bow(fields: DecisionFields): void
    /** Decides on the selected note. */
    note(fields: DecisionFields): void
    chosen(): NoteInfo | null
    strokeChosen(): NoteInfo | null
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

const BOW_FIELDS = ['direction', 'action', 'bowMark'] as const
const FINGER_FIELDS = ['finger', 'placement', 'string', 'position', 'fingerMark'] as const

export function deskCommands(hands: DeskHands): DeskCommand[] {
    return [
        { keys: ['ArrowLeft'], label: 'Note before', group: 'Walk', run: () => hands.step(-1) },
        { keys: ['ArrowRight'], label: 'Note after', group: 'Walk', run: () => hands.step(1), hint: 'walk' },
        { keys: ['ArrowUp'], label: 'Line above', group: 'Walk', run: () => hands.line(-1) },
        { keys: ['ArrowDown'], label: 'Line below', group: 'Walk', run: () => hands.line(1) },
        { keys: ['Home'], label: 'First note', group: 'Walk', run: () => hands.edge(false) },
        { keys: ['End'], label: 'Last note', group: 'Walk', run: () => hands.edge(true) },
        { keys: ['f'], label: 'Next finding', group: 'Walk', run: () => hands.finding(1), hint: 'next finding' },
        { keys: ['Shift+f'], label: 'Finding before', group: 'Walk', run: () => hands.finding(-1) },
        { keys: ['Enter'], label: 'Take the finding’s first fix', group: 'Walk', run: () => hands.takeFix() },
        { keys: ['d'], label: 'Down-bow', short: 'Down', group: 'Bow', run: () => hands.bow({ direction: 'down', bowMark: null }) },
        { keys: ['u'], label: 'Up-bow', short: 'Up', group: 'Bow', run: () => hands.bow({ direction: 'up', bowMark: null }) },
        { keys: ['h'], label: 'Hook to the note before', short: 'Hook', group: 'Bow', run: () => toggle(hands, 'hook') },
        { keys: ['r'], label: 'Retake before it', short: 'Retake', group: 'Bow', run: () => toggle(hands, 'retake') },
        ...[0, 1, 2, 3, 4].map(
            (finger): DeskCommand => ({
                keys: [String(finger)],
                label: finger === 0 ? 'Open string' : `Finger ${finger}`,
                short: '',
                group: 'Finger',
                run: () => hands.note({ finger, placement: null, fingerMark: null }),
            }),
        ),
        { keys: ['-'], label: 'Low', group: 'Finger', run: () => place(hands, 'low') },
        { keys: ['+', '='], label: 'High', group: 'Finger', run: () => place(hands, 'high') },
        { keys: ['x'], label: 'Extended', short: 'Ext.', group: 'Finger', run: () => place(hands, 'extended') },
        { keys: ['n'], label: 'In its usual place', short: 'Usual', group: 'Finger', run: () => place(hands, 'regular') },
        { keys: ['Delete', 'Backspace'], label: 'Take away', group: 'Finger', run: () => takeAway(hands), hint: 'take away' },
        { keys: ['z', 'Ctrl+z'], label: 'Undo', group: 'Page', run: () => hands.undo() },
        { keys: ['y', 'Ctrl+y', 'Ctrl+Shift+z'], label: 'Redo', group: 'Page', run: () => hands.redo() },
        { keys: ['o'], label: 'Hand out', group: 'Page', run: () => hands.handOut() },
        { keys: ['?'], label: 'This sheet', group: 'Page', run: () => hands.keys() },
    ]
}

function toggle(hands: DeskHands, action: 'hook' | 'retake'): void {
    const note = hands.strokeChosen()
    const isDecided = note?.action === action && note.decided.includes('action')
    hands.bow({ action: isDecided ? null : action })
}

function place(hands: DeskHands, placement: string): void {
    const finger = Number(hands.chosen()?.finger?.match(/\d/)?.[0] ?? 0)
    if (finger === 0) {
        hands.say('Put a finger on the note first: low, high and extended belong to a finger.')
        return
    }
    hands.note({ finger, placement, fingerMark: null })
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
        hands.note({ ...(mark.bow || mark.action ? { bowMark: false } : {}), ...(mark.finger ? { fingerMark: false } : {}) })
    } else if (note.decided.length > 0) {
        hands.note(Object.fromEntries(note.decided.map((field) => [field, null])))
        hands.say('The proposed marks are written again.')
    } else {
        hands.say('There is no pencil mark on this note.')
    }
}
