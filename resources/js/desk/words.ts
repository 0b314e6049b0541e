import { Unreachable } from '../api/client'
import { say } from '../stores/say'
import type { Decision, FieldName, Gone, Note } from '../api/types'

/** Fields that are spoken of in other words than their own. */
const FIELD_WORDS: Partial<Record<FieldName, string>> = {
    action: 'bow action',
    set: 'bow set first',
    direction: 'bow',
    times: 'changes',
    amount: 'amount of bow',
    lane: 'contact lane',
    choice: '0 or 4',
    stay: 'finger stays down',
    pluck: 'pizz. or arco',
    pitch: 'misprint',
    bowMark: 'bow mark hidden',
    fingerMark: 'finger mark hidden',
}

/** What was decided, by the field that says it: “strong accent”. */
export function fieldWords(field: FieldName): string {
    return FIELD_WORDS[field] ?? field.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)
}

/** What is decided at the first note of a stroke. */
export const BOW_FIELDS: readonly FieldName[] = ['direction', 'action', 'place']

const FRACTIONS: Record<string, string> = { '0.5': '½', '0.25': '¼', '0.75': '¾' }

/** “3”, “2½”; other fractions as a decimal. */
export function beatWords(beat: number): string {
    const whole = Math.floor(beat)
    const rest = Math.round((beat - whole) * 1000) / 1000
    return rest === 0 ? String(whole) : FRACTIONS[String(rest)] ? `${whole}${FRACTIONS[String(rest)]}` : String(Math.round(beat * 100) / 100)
}

export function placeWords(note: Pick<Note, 'measure' | 'beat'>): string {
    return say(`measure ${note.measure}, beat ${beatWords(note.beat)}`)
}

const ACTIONS: Record<string, string> = {
    hook: ', hooked',
    retake: ', after a retake',
    lift: ', set down anew',
    split: ', slur split here',
    change: ', changing while it is held',
    stagger: ', staggered',
    strike: ', slur struck',
    join: ', joined',
}

const MOVED = ['low', 'high', 'extended', 'harmonic']

/** “low 2 on A”, “open on E”. */
export function fingerWords({ finger, placement, string }: { finger: number; placement: string; string: string }): string {
    return `${finger === 0 ? 'open' : `${MOVED.includes(placement) ? `${placement} ` : ''}${finger}`} on ${string}`
}

const PLACES = ['frog', 'lower half', 'middle', 'upper half', 'tip']

/** “from the frog to the middle”. */
function stretchWords({ from, to }: Pick<Note, 'from' | 'to'>): string {
    if (from === null || to === null) {
        return ''
    }
    const name = (place: number) => say(PLACES[Math.round(place * 4)] ?? '')
    return name(from) === name(to) ? ` at the ${name(from)}` : `, ${name(from)} to ${name(to)}`
}

export function bowWords(note: Note): string {
    if (note.direction === null) {
        return 'no bow (pizzicato)'
    }
    const action = ACTIONS[note.action ?? ''] ?? ''
    return `${note.direction}-bow${action}${stretchWords(note)}`
}

export const LEVELS: Record<string, string> = {
    'first-year': 'first year',
    'second-year': 'second year',
    'third-year': 'third year',
    advanced: 'advanced',
}

export const RIGHTS: Record<string, string> = {
    own: 'Own work',
    'public-domain': 'Public domain',
    licensed: 'Licensed to share',
    'printed-only': 'Printed set only',
}

/** What each means, in plain words. */
export const RIGHTS_MEAN: Record<string, string> = {
    own: 'We wrote it, or one of us did: our players may see and keep the notes.',
    'public-domain': 'Nobody holds a right in it any more, neither in the music nor in this edition of it.',
    licensed: 'We paid for copies, or its publisher allows them for our players.',
    'printed-only': 'We bought printed parts: players see what to pencil where, never the notes themselves.',
}

export function problemWords(problem: unknown): string {
    if (problem instanceof Unreachable) {
        return `${problem.message} Try again in a moment.`
    }
    return problem instanceof Error ? problem.message : String(problem)
}

/** “measure 3, beat 1: finger 2, string A”. */
export function decisionWords(decision: Decision, notes: ReadonlyMap<string, Note>): string {
    const { note, to, measures, ...said } = decision as Record<string, unknown> & { note?: string; to?: string; measures?: string }
    const place = (id: string) => (notes.has(id) ? placeWords(notes.get(id) as Note) : id)
    const where = note === undefined ? (measures === 'all' ? 'the whole part' : say(`measures ${measures}`)) : place(note) + (to === undefined ? '' : ` to ${place(to)}`)
    return `${where}: ${fieldsWords(Object.fromEntries(Object.entries(said).filter(([field]) => !REMARKS.includes(field))))}`
}

/** What is said of a decision, and is no part of it. */
const REMARKS = ['state', 'once', 'reason', 'question', 'version', 'listen']

function fieldsWords(fields: Record<string, unknown>): string {
    const what = Object.entries(fields).map(([field, value]) => {
        const name = fieldWords(field as FieldName)
        return value === null ? `no ${name}` : value === true ? name : value === false ? `without ${name}` : `${name} ${String(value)}`
    })
    return what.join(', ')
}

/** “Measure 3, beat 1, C♯5: finger 2”: what was decided about a note that is not there any more. */
export function goneWords({ measure, beat, pitch, decision }: Gone): string {
    const { players, ...fields } = decision
    return `${say(`Measure ${measure}`)}, beat ${beat}, ${pitch}: ${fieldsWords(fields)}${players === undefined ? '' : ' (for some players)'}`
}
