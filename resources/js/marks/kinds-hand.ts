import type { DecisionFields, Mark, Note } from '../api/types'
import type { DeskHands } from './hands'
import { cycle, toggled } from './rows'
import { said, type KindRow } from './table'

const PLACEMENT: Record<string, string> = { low: 'L', high: 'H', extended: 'x' }
const RING: Record<string, string> = { harmonic: '°' }

/** On, or off again; a sign that the computer proposes is first taken off. */
function turn(hands: DeskHands, field: 'slide' | 'bar' | 'stay'): void {
    const note = hands.chosen()
    hands.note({ [field]: said(note, field) === undefined ? !note?.proposed.includes(field) : null })
}

/** What is there stays until the server has answered; what is taken off goes at once. */
const leaves = (field: 'bar' | 'stay'): KindRow['paint'] => (fields, before) => (fields[field] === false ? null : before)

function painted({ finger: number, placement: how, choice: open }: DecisionFields, before: Mark | undefined) {
    if (open === true) {
        return { text: '0/4' }
    }
    const own = number === undefined ? before?.text?.match(/\d/)?.[0] : (number ?? undefined)
    return own === undefined ? null : { text: `${PLACEMENT[String(how ?? '')] ?? ''}${own}${RING[String(how ?? '')] ?? ''}` }
}

function place(hands: DeskHands, how: string): void {
    const note = hands.chosen()
    const number = Number((hands.shown(note?.id ?? '', 'finger') ?? note?.finger)?.match(/\d/)?.[0] ?? 0)
    if (number === 0) {
        hands.say('Put a finger on the note first: low, high and extended belong to a finger.')
        return
    }
    hands.note({ finger: number, placement: how })
}

/** The same on every note of a span that it fits; on the selected note when there is no span. */
function throughout(hands: DeskHands, fields: DecisionFields, fits: (note: Note) => boolean): void {
    const span = hands.span()
    if (span.length < 2) {
        hands.note(fields)
        return
    }
    const notes = span.map((id) => hands.info(id)).filter((note) => note !== null && fits(note))
    hands.decide(...notes.flatMap((note) => (note ? [{ note: note.id, ...fields }] : [])))
}

/** A finger is worked out anew. */
const ANEW = { finger: null, placement: null, choice: null, fingerMark: null } as const

export const slide: KindRow = {
    slot: 'hand',
    draw: (line, head, mark) => line.slide(head, mark),
    paint: (fields) => (fields.slide === true ? {} : null),
    keys: (hands) => [{ keys: ['Shift+s'], label: 'Slide to this note with the finger of the note before', short: 'Slide', group: 'Finger', run: () => turn(hands, 'slide') }],
}

export const finger: KindRow = {
    slot: 'finger',
    draw: (line, head, mark) => line.finger(head, mark),
    paint: painted,
    keys: (hands) =>
        [0, 1, 2, 3, 4].map((number) => ({
            keys: [String(number)],
            label: number === 0 ? 'Open string' : `Finger ${number}`,
            short: '',
            group: 'Finger',
            run: () => hands.note({ finger: number }),
        })),
}

export const placement: KindRow = {
    keys: (hands) => [
        { keys: ['-'], label: 'Low', group: 'Finger', run: () => place(hands, 'low') },
        { keys: ['+', '='], label: 'High', group: 'Finger', run: () => place(hands, 'high') },
        { keys: ['x'], label: 'Extended', short: 'Ext.', group: 'Finger', run: () => place(hands, 'extended') },
        { keys: ['*'], label: 'Harmonic: the finger only touches', short: 'Harm.', group: 'Finger', run: () => hands.note({ finger: null, placement: 'harmonic' }) },
        { keys: ['n'], label: 'In its usual place', short: 'Usual', group: 'Finger', run: () => place(hands, 'regular') },
    ],
}

export const choice: KindRow = {
    keys: (hands) => [{ keys: ['e'], label: 'Either 0 or 4: the player’s choice', short: '0 or 4', group: 'Finger', run: () => toggled(hands, 'choice') }],
}

export const bar: KindRow = {
    slot: 'hand',
    draw: (line, head, mark) => line.bar(head, mark),
    paint: leaves('bar'),
    keys: (hands) => [{ keys: ['Shift+b'], label: 'Bar: this finger over the next string too', short: 'Bar', group: 'Finger', run: () => turn(hands, 'bar') }],
}

export const stay: KindRow = {
    slot: 'hand',
    draw: (line, head, mark) => line.stay(head, mark),
    paint: leaves('stay'),
    keys: (hands) => [{ keys: ['Shift+d'], label: 'Finger stays down', short: 'Stay', group: 'Finger', run: () => turn(hands, 'stay') }],
}

export const string: KindRow = {
    slot: 'word',
    draw: (line, head, mark) => line.word(head, { ...mark, text: `sul ${mark.text}` }),
    paint: (fields) => (typeof fields.string === 'string' ? { text: fields.string } : null),
    keys: (hands) => [
        {
            keys: ['t'],
            label: 'On another string; a span: all of it',
            short: 'String',
            group: 'Finger',
            run: () => {
                const note = hands.chosen()
                const strings = note?.strings ?? []
                if (note && strings.length < 2) {
                    hands.say('No other string has this note.')
                    return
                }
                const next = strings[(strings.indexOf(note?.string ?? '') + 1) % strings.length] ?? null
                throughout(hands, { ...ANEW, string: next, position: null }, (one) => next !== null && one.strings.includes(next))
            },
        },
    ],
}

function moveHand(hands: DeskHands, by: number): void {
    const positions = hands.positions()
    const next = positions[positions.indexOf(hands.chosen()?.handIn ?? 1) + by]
    if (next === undefined) {
        hands.say(by > 0 ? 'This is the highest position.' : 'This is the lowest position.')
        return
    }
    throughout(hands, { ...ANEW, position: next }, (one) => !one.tied)
}

export const position: KindRow = {
    slot: 'word',
    draw: (line, head, mark) => line.word(head, mark),
    paint: (fields, before) => (fields.position === null ? null : before),
    keys: (hands) => [
        { keys: ['['], label: 'The hand a position lower; a span: all of it', short: 'Lower', group: 'Finger', run: () => moveHand(hands, -1) },
        { keys: [']'], label: 'The hand a position higher; a span: all of it', short: 'Higher', group: 'Finger', run: () => moveHand(hands, 1) },
    ],
}

export const shift: KindRow = {
    keys: (hands) => [
        {
            keys: ['Shift+x'],
            label: 'The hand moves here; again: it stays; again: as it is worked out',
            short: 'Shift',
            group: 'Finger',
            run: () => {
                const now = said(hands.chosen(), 'shift')
                hands.note({ shift: now === undefined ? true : now === true ? false : null })
            },
        },
    ],
}

export const noteName: KindRow = {
    slot: 'word',
    draw: (line, head, mark) => line.word(head, mark),
    keys: (hands) => [{ keys: ['Shift+n'], label: 'Write the name of the note', short: 'Name', group: 'Words', run: () => toggled(hands, 'noteName') }],
}

export const reminder: KindRow = {
    slot: 'word',
    draw: (line, head, mark) => line.word(head, mark),
    paint: (fields) => (typeof fields.reminder === 'string' ? { text: `${fields.reminder}!` } : null),
    keys: (hands) => [{ keys: ['Shift+r'], label: 'Reminder: low, high, none', short: 'L, H', group: 'Words', run: () => cycle(hands, 'reminder', ['low', 'high']) }],
}

export const accidental: KindRow = {
    slot: 'word',
    draw: (line, head, mark) => line.word(head, mark),
    keys: (hands) => [{ keys: ['Shift+a'], label: 'Reminder of the accidental, in brackets', short: '(♯)', group: 'Words', run: () => toggled(hands, 'accidental') }],
}
