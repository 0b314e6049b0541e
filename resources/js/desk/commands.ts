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
        { keys: ['{'], label: 'Beat before', short: 'Beat ←', group: 'Walk', repeats: true, run: () => hands.far(-1, 'beat') },
        { keys: ['}'], label: 'Beat after', short: 'Beat →', group: 'Walk', repeats: true, run: () => hands.far(1, 'beat') },
        { keys: ['Ctrl+ArrowLeft'], label: 'Measure before', short: 'Meas. ←', group: 'Walk', repeats: true, run: () => hands.far(-1, 'measure') },
        { keys: ['Ctrl+ArrowRight'], label: 'Measure after', short: 'Meas. →', group: 'Walk', repeats: true, run: () => hands.far(1, 'measure') },
        { keys: ['Ctrl+Shift+ArrowLeft'], label: 'Span: a measure less or back', short: 'Span −', group: 'Walk', repeats: true, run: () => hands.far(-1, 'measure', true) },
        { keys: ['Ctrl+Shift+ArrowRight'], label: 'Span: a measure more', short: 'Span +', group: 'Walk', repeats: true, run: () => hands.far(1, 'measure', true) },
        { keys: ['Shift+j'], label: 'Span: the next note that is pressed is its end', short: 'Span to…', group: 'Walk', run: () => hands.spanTo() },
        { keys: ['Ctrl+a'], label: 'Span: the section between two letters; again: the whole part', short: 'Section', group: 'Walk', run: () => hands.selectMore() },
        { keys: ['Ctrl+ArrowUp'], label: 'Rehearsal letter before', short: 'Letter ↑', group: 'Walk', repeats: true, run: () => hands.far(-1, 'letter') },
        { keys: ['Ctrl+ArrowDown'], label: 'Rehearsal letter after', short: 'Letter ↓', group: 'Walk', repeats: true, run: () => hands.far(1, 'letter') },
        { keys: ['Ctrl+g'], label: 'Go to a measure or letter', short: 'Go to…', group: 'Walk', run: () => hands.goTo(), hint: 'go to' },
        { keys: ['9', 'Shift+o'], label: 'Next open place, the hardest first, through all parts', short: 'Open', group: 'Walk', run: () => hands.nextOpen(), hint: 'next open' },
        { keys: ['f'], label: 'Next finding', group: 'Walk', run: () => hands.finding(1), hint: 'findings' },
        { keys: ['Shift+f'], label: 'Finding before', group: 'Walk', run: () => hands.finding(-1) },
        { keys: ['v'], label: 'Look at the finding’s next fix on the page', group: 'Walk', run: () => hands.preview(), hint: 'fixes' },
        { keys: ['Enter'], label: 'Take the fix or the fingering that is looked at', group: 'Walk', run: () => hands.takeFix() },
        { keys: ['Escape'], label: 'Leave the preview or the span', group: 'Walk', run: () => hands.leave() },
        { keys: ['Shift+Enter'], label: 'Take what is proposed on the note or span, and go on', short: 'Take it', group: 'Take', run: () => hands.takeProposed('here'), hint: 'take' },
        { keys: ['Ctrl+Enter'], label: 'Take what is proposed in this section, from letter to letter', short: 'Section', group: 'Take', run: () => hands.takeProposed('section') },
        { keys: ['Ctrl+Shift+Enter'], label: 'Take what is proposed in the whole part', short: 'Part', group: 'Take', run: () => hands.takeProposed('part') },
        { keys: ['Shift+e'], label: 'Take what is proposed in the whole piece', short: 'Piece', group: 'Take', run: () => hands.takeProposed('piece') },
        { keys: ['5'], label: 'The same figure again: find it; once more: decide it there too', short: 'Again', group: 'Take', run: () => hands.carry() },
        { keys: ['6'], label: 'Go to the next place like this one', short: 'Next like', group: 'Take', run: () => hands.nextLike() },
        { keys: ['7'], label: 'Leave this like place as it is', short: 'Leave out', group: 'Take', run: () => hands.leaveOut() },
        { keys: ['8', 'Shift+q'], label: 'As in other measures: what is decided there, from here on', short: 'As in…', group: 'Take', run: () => hands.asIn() },
        { keys: [';'], label: 'Two versions: keep what is looked at beside what is there; look at A, B', short: 'A or B', group: 'Take', run: () => hands.version(), hint: 'versions' },
        { keys: ['Shift+y'], label: 'A reason, in one line, to what is decided here', short: 'Reason', group: 'Take', run: () => hands.reason() },
        { keys: ['&'], label: 'What is decided here is for this once: it says nothing about how you mark', short: 'Only here', group: 'Take', run: () => hands.once() },
        ...Object.values(KINDS).flatMap(({ keys }) => keys?.(hands) ?? []),
        { keys: ['a'], label: 'Another way to finger the note or span; again: the next', short: 'Ways', group: 'Finger', run: () => hands.ways(), hint: 'other fingers' },
        { keys: ['w'], label: 'Why this finger, and not another', short: 'Why?', group: 'Finger', run: () => hands.why() },
        { keys: ['Delete', 'Backspace'], label: 'Take away what is decided; again: what is proposed', short: 'Erase', group: 'Finger', run: () => takeAway(hands) },
        { keys: ['z', 'Ctrl+z'], label: 'Undo', group: 'Page', run: () => hands.undo() },
        { keys: ['y', 'Ctrl+y', 'Ctrl+Shift+z'], label: 'Redo', group: 'Page', run: () => hands.redo() },
        { keys: [' '], label: 'Hear it from here, or the span; again: stop', short: 'Play', group: 'Page', run: () => hands.hear(), hint: 'play' },
        { keys: ['Shift+u'], label: 'Bow and finger large while it plays', short: 'Large', group: 'Page', run: () => hands.large() },
        { keys: ['b'], label: 'Bow track on or off', group: 'Page', run: () => hands.bowTrack(), hint: 'bow track' },
        { keys: ['m'], label: 'Hand track on or off', group: 'Page', run: () => hands.handTrack(), hint: 'hand track' },
        { keys: ['q'], label: 'Size the part up: keys, range, what is new, what is hard', group: 'Page', run: () => hands.sizeUp(), hint: 'size up' },
        { keys: ['Shift+z'], label: 'Look back: earlier days, who decided what and why', short: 'Look back', group: 'Page', run: () => hands.lookBack() },
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
