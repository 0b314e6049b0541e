import type { DecisionFields, FieldName, Mark } from '../api/types'
import type { DeskHands } from './hands'
import { addedOrStruck, cycle, heldWord, toggled, typed } from './rows'
import { accentSign, breathSign, dotSign, fermataSign, strongAccentSign, tenutoSign, type Sign } from '../page/signs'
import { said, STRUCK, type KindRow } from './table'

type Articulated = 'accent' | 'strongAccent' | 'staccato' | 'tenuto' | 'fermata' | 'breath'

/** A sign over a note that is added, or struck where it is printed. */
function sign(kind: Articulated, drawing: () => Sign, key: string, label: string, short: string): KindRow {
    return {
        slot: 'sign',
        draw: (line, head, mark) => line.sign(drawing(), head, mark),
        paint: (fields) => (typeof fields[kind] === 'boolean' ? (fields[kind] ? {} : { text: STRUCK }) : null),
        keys: (hands) => [{ keys: [key], label: `${label}, added or struck`, short, group: 'Words', run: () => addedOrStruck(hands, kind) }],
    }
}

/** Words over a note. */
function words(field: FieldName, spelled: (value: string) => string | undefined): KindRow {
    return {
        slot: 'text',
        draw: (line, head, mark) => line.text(head, mark),
        paint: (fields: DecisionFields, before: Mark | undefined) => {
            const value = fields[field]
            return value === null || value === undefined ? null : typeof value === 'string' ? { text: spelled(value) ?? value } : before
        },
    }
}

const PLUCKED: Record<string, string> = { pizz: 'pizz.', arco: 'arco' }
const MUTED: Record<string, string> = { on: 'con sord.', off: 'senza sord.' }

export const pluck: KindRow = {
    ...words('pluck', (value) => PLUCKED[value]),
    keys: (hands) => [{ keys: ['Shift+p'], label: 'Pizzicato, arco, none; a span: pizzicato and back', short: 'Pizz.', group: 'Words', run: () => cycle(hands, 'pluck', Object.keys(PLUCKED)) }],
}

export const mute: KindRow = {
    ...words('mute', (value) => MUTED[value]),
    keys: (hands) => [{ keys: ['Shift+m'], label: 'Mute on, off, none; a span: on and off again', short: 'Mute', group: 'Words', run: () => cycle(hands, 'mute', Object.keys(MUTED)) }],
}

const DEGREES = ['none', 'pp', 'p', 'mp', 'mf', 'f', 'ff']

/** From nothing decided, up begins at mf and down at mp; below pp the printed one is struck, beyond either end nothing is decided. */
function louder(hands: DeskHands, by: 1 | -1): void {
    const now = DEGREES.indexOf(String(said(hands.chosen(), 'dynamic') ?? ''))
    hands.note({ dynamic: (now < 0 ? DEGREES[by > 0 ? 4 : 3] : DEGREES[now + by]) ?? null })
}

export const dynamic: KindRow = {
    slot: 'below',
    draw: (line, head, mark) => line.beneath(head, mark),
    paint: (fields) => (typeof fields.dynamic === 'string' ? { text: fields.dynamic === 'none' ? STRUCK : fields.dynamic } : null),
    keys: (hands) => [
        { keys: ['Shift+ArrowUp'], label: 'A dynamic, one louder', short: 'Louder', group: 'Words', run: () => louder(hands, 1) },
        { keys: ['Shift+ArrowDown'], label: 'A dynamic, one softer; below pp the printed one is struck', short: 'Softer', group: 'Words', run: () => louder(hands, -1) },
    ],
}

export const accent = sign('accent', accentSign, '>', 'Accent', 'Accent')
export const strongAccent = sign('strongAccent', strongAccentSign, '^', 'Strong accent', 'Strong')
export const staccato = sign('staccato', dotSign, '.', 'Staccato', 'Dot')
export const tenuto = sign('tenuto', tenutoSign, '_', 'Tenuto', 'Line')
export const fermata = sign('fermata', fermataSign, 'Shift+h', 'Fermata', 'Hold')
export const breath = sign('breath', breathSign, ',', 'Breath', 'Breath')

export const cue: KindRow = {
    ...words('cue', (value) => `after ${value}`),
    keys: (hands) => [{ keys: ['Shift+c'], label: 'Cue: who is heard before this entry', short: 'Cue', group: 'Words', run: () => void typed(hands, 'cue', 'After whom does this entry come?', /^.{0,80}$/, 'Up to 80 characters.') }],
}

export const count: KindRow = {
    ...words('count', () => undefined),
    keys: (hands) => [{ keys: ['Shift+k'], label: 'Count the rest before it', short: 'Count', group: 'Words', run: () => toggled(hands, 'count') }],
}

export const release: KindRow = {
    ...words('release', () => undefined),
    keys: (hands) => [{ keys: ['Shift+g'], label: 'The beat on which the note ends', short: 'Off on', group: 'Words', run: () => toggled(hands, 'release') }],
}

export const misprint: KindRow = {
    slot: 'word',
    draw: (line, head, mark) => line.misprint(head, mark),
    paint: (fields) => (typeof fields.pitch === 'string' ? { text: fields.pitch.replace('#', '♯').replace(/(?<=^[A-G])b/, '♭') } : null),
    keys: (hands) => [
        {
            keys: ['Shift+v'],
            label: 'A misprint: put the note right',
            short: 'Mend',
            group: 'Words',
            run: () => void typed(hands, 'pitch', 'Which note should this be? A letter, # or b, and the octave, as in F#4.', /^$|^[A-G](#{1,2}|b{1,2})?[0-9]$/, 'Write it as F#4 or Bb3.'),
        },
    ],
}

export const text: KindRow = {
    ...words('text', (value) => value),
    keys: (hands) => [{ keys: ['"'], label: 'A few words to the players', short: 'Text', group: 'Words', run: () => void typed(hands, 'text', 'A few words to the players', /^.{0,200}$/, 'Up to 200 characters.') }],
}

export const staffText: KindRow = {
    ...words('staffText', (value) => `[${value}]`),
    keys: (hands) => [{ keys: ['!'], label: 'A few words to staff only: students never see them', short: 'Staff', group: 'Words', run: () => void typed(hands, 'staffText', 'A few words to staff only', /^.{0,200}$/, 'Up to 200 characters.') }],
}

const DIVISIONS: Record<string, string> = { 'outside-top': 'div. outside top', 'inside-top': 'div. inside top', desks: 'div. by desk', turns: 'div. by turns', three: 'div. counted off' }

export const divide: KindRow = {
    ...heldWord('divide', (value) => DIVISIONS[value] ?? value),
    keys: (hands) => [{ keys: ['|'], label: 'Divide: outside top, inside top, by desk, by turns, counted off, none', short: 'Divide', group: 'Players', run: () => cycle(hands, 'divide', Object.keys(DIVISIONS)) }],
}

const REDUCTIONS: Record<string, string> = { top: 'top note', bottom: 'bottom note', 'leave-out': STRUCK, 'octave-down': '8ve lower', 'octave-up': '8ve higher', held: 'one long note' }

export const reduce: KindRow = {
    ...heldWord('reduce', (value) => REDUCTIONS[value] ?? value),
    draw: (line, head, mark) => (mark.text === STRUCK ? line.leftOut(head, mark) : line.word(head, mark)),
    keys: (hands) => [{ keys: ['%'], label: 'Less: top note, bottom note, leave out, an octave lower or higher, one long note, as printed', short: 'Less', group: 'Players', run: () => cycle(hands, 'reduce', Object.keys(REDUCTIONS)) }],
}

export const rewrite: KindRow = {
    slot: 'text',
    draw: (line, head, mark) => line.rewritten(head, mark),
}

const HOW_MANY = ['solo', 'soli', 'tutti']

export const playing: KindRow = {
    ...heldWord('playing', (value) => value),
    keys: (hands) => [{ keys: ['@'], label: 'Solo, soli, tutti, none', short: 'Solo', group: 'Players', run: () => cycle(hands, 'playing', HOW_MANY) }],
}
