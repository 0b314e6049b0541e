import type { FieldName } from '../api/types'
import type { DeskCommand, DeskHands } from '../marks/hands'
import { KINDS } from '../marks/kinds'

/** Everything that has a key on the desk: walking, the kinds of marks in their order, and the page. */
export function deskCommands(hands: DeskHands): DeskCommand[] {
    return [
        { keys: ['ArrowLeft'], label: 'Note before', group: 'Walk', repeats: true, run: () => hands.step(-1) },
        { keys: ['ArrowRight'], label: 'Note after', group: 'Walk', repeats: true, run: () => hands.step(1), hint: 'walk' },
        { keys: ['Shift+ArrowLeft'], label: 'Span: one note less or back', group: 'Walk', repeats: true, run: () => hands.extend(-1) },
        { keys: ['Shift+ArrowRight'], label: 'Span: one note more', group: 'Walk', repeats: true, run: () => hands.extend(1), hint: 'span' },
        { keys: ['ArrowUp'], label: 'Line above', group: 'Walk', repeats: true, run: () => hands.line(-1) },
        { keys: ['ArrowDown'], label: 'Line below', group: 'Walk', repeats: true, run: () => hands.line(1) },
        { keys: ['Home'], label: 'First note', group: 'Walk', run: () => hands.edge(false) },
        { keys: ['End'], label: 'Last note', group: 'Walk', run: () => hands.edge(true) },
        { keys: ['f'], label: 'Next finding', group: 'Walk', run: () => hands.finding(1), hint: 'findings' },
        { keys: ['Shift+f'], label: 'Finding before', group: 'Walk', run: () => hands.finding(-1) },
        { keys: ['v'], label: 'Look at the finding’s next fix on the page', group: 'Walk', run: () => hands.preview(), hint: 'fixes' },
        { keys: ['Enter'], label: 'Take the fix or the fingering that is looked at', group: 'Walk', run: () => hands.takeFix() },
        { keys: ['Escape'], label: 'Leave the preview or the span', group: 'Walk', run: () => hands.leave() },
        ...Object.values(KINDS).flatMap(({ keys }) => keys?.(hands) ?? []),
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

const HIDDEN: FieldName[] = ['bowMark', 'fingerMark']

/** First what was decided goes; pressed again, the proposed mark is not written either; once more, it is. */
function takeAway(hands: DeskHands): void {
    const note = hands.chosen()
    if (!note) {
        hands.note({})
        return
    }
    const decided = Object.keys(note.decided) as FieldName[]
    const shown = decided.filter((field) => !HIDDEN.includes(field))
    if (shown.length > 0) {
        hands.note(Object.fromEntries(shown.map((field) => [field, null])))
    } else if (decided.length > 0) {
        hands.note(Object.fromEntries(decided.map((field) => [field, null])))
        hands.say('The proposed marks are written again.')
    } else if (hands.isMarked(note.id)) {
        hands.note({ bowMark: false, fingerMark: false, ...(note.proposed.includes('bar') ? { bar: false } : {}), ...(note.proposed.includes('stay') ? { stay: false } : {}) })
    } else {
        hands.say('There is no pencil mark on this note.')
    }
}
