/**
 * What is typed on a staff, with the words that the core reads (`core/src/Format/Manuscript`). It is notation: written signs and
 * values in the order of the page. What it sounds like, and whether it is right, the core says.
 */
export type Accidental = '#' | 'b' | 'n' | '##' | 'bb'
export type ClefName = 'treble' | 'alto' | 'tenor' | 'bass' | 'rhythm'
export type Value = 1 | 2 | 4 | 8 | 16 | 32 | 64

export interface Head {
    id: string
    /** Letter and octave: F4. */
    at: string
    sign?: Accidental
}

/** A note, chord or rest. A rhythm has no heads, and an id of its own, as a rest has. */
export interface TypedNote {
    id?: string
    heads?: Head[]
    rest?: true
    /** A rest that fills its measure. */
    full?: true
    as?: Value
    dots?: number
    in?: [number, number]
    tuplet?: 'start' | 'stop'
    grace?: true
    tie?: true
    slurs?: number
    slurEnds?: number
    marks?: string[]
    finger?: string
    string?: number
    dynamic?: string
    hairpin?: 'crescendo' | 'diminuendo'
    hairpinEnds?: true
    words?: string
    clef?: ClefName
}

export interface TypedMeasure {
    id: string
    key?: number
    mode?: 'major' | 'minor'
    meter?: string
    clef?: ClefName
    uncounted?: true
    number?: string
    letter?: string
    tempo?: number
    signs?: string[]
    endWords?: string
    repeatStarts?: true
    barline?: 'repeat' | 'double' | 'final'
    times?: number
    ending?: number[]
    /** Nobody entered what is in it. */
    blank?: true
    /** Why it can only stay as it is. */
    sealed?: string
    notes?: TypedNote[]
}

export interface Manuscript {
    format: 'upright-pencil-manuscript'
    version: 1
    title?: string
    name: string
    instrument?: string
    rhythm?: true
    first?: number
    byLetters?: true
    measures: TypedMeasure[]
}

/** Ticks in a quarter, as in the core. */
export const QUARTER = 10080

export const CLEF_OF: Record<string, ClefName> = { violin: 'treble', viola: 'alto', cello: 'bass', bass: 'bass' }

/** The note on the middle line, as letters above C0. */
export const MIDDLE_OF: Record<ClefName, number> = { treble: 34, alto: 28, tenor: 26, bass: 22, rhythm: 34 }

const LETTERS = 'CDEFGAB'

/** Letters above C0. */
export const diatonic = (at: string): number => 7 * Number(at.slice(1)) + LETTERS.indexOf(at.charAt(0))

export const named = (diatonic: number): string => `${LETTERS[((diatonic % 7) + 7) % 7] ?? 'C'}${Math.floor(diatonic / 7)}`

let made = 0
const START = Math.floor(Math.random() * 36 ** 6).toString(36)

/** A name that no other note or measure has. */
export const newId = (kind: 'n' | 'x'): string => `${kind}${START}${(++made).toString(36)}`

/** How long a note is, in ticks; `full` is the length of its measure. */
export function ticks(note: TypedNote, full: number): number {
    if (note.grace) {
        return 0
    }
    if (note.full) {
        return full
    }
    const [actual, normal] = note.in ?? [1, 1]
    const dotted = 2 - 1 / 2 ** (note.dots ?? 0)
    return Math.round(((4 * QUARTER) / (note.as ?? 4)) * dotted * (normal / actual))
}

export function meterTicks(meter: string): number {
    const [beats = '4', value = '4'] = { C: '4/4', 'C|': '2/2' }[meter]?.split('/') ?? meter.split('/')
    const sum = beats.split('+').reduce((sum, one) => sum + Number(one), 0)
    return Math.round((sum * 4 * QUARTER) / Number(value)) || 4 * QUARTER
}

/** One beat as it is printed, in ticks. */
export const beatTicks = (meter: string): number => (4 * QUARTER) / Number({ C: 4, 'C|': 2 }[meter] ?? meter.split('/')[1] ?? 4)

/** Three eighths to a beat, as in 6/8. */
export function isCompound(meter: string): boolean {
    const beats = Number(meter.split('/')[0])
    return beats > 3 && beats % 3 === 0
}

/** What holds at a measure: key, meter and clef come from the last measure that says so. */
export interface Signature {
    key: number
    meter: string
    clef: ClefName
}

export function signatures(measures: readonly TypedMeasure[]): Signature[] {
    let now: Signature = { key: 0, meter: '4/4', clef: 'treble' }
    return measures.map((measure) => {
        const before = now
        now = { key: measure.key ?? before.key, meter: measure.meter ?? before.meter, clef: measure.clef ?? before.clef }
        const at = now
        measure.notes?.forEach(({ clef }) => {
            now = clef ? { ...now, clef } : now
        })
        return at
    })
}

export const filled = (measure: TypedMeasure, full: number): number => (measure.notes ?? []).reduce((sum, note) => sum + ticks(note, full), 0)

/** How many ticks a measure lacks (or, negative, has over); nothing where that is as it should be. */
export function missing(measures: readonly TypedMeasure[], index: number, meter: string): number {
    const measure = measures[index]
    if (!measure || measure.blank || measure.sealed || !measure.notes?.length) {
        return 0
    }
    const lacks = meterTicks(meter) - filled(measure, meterTicks(meter))
    const next = measures[index + 1]
    const mayBeShort = measure.uncounted || measure.repeatStarts || measure.barline || (measure.ending ?? []).join() !== (next?.ending ?? []).join() || next?.repeatStarts
    return lacks > 0 && mayBeShort ? 0 : lacks
}

/** MIDI number of a head as it stands: the key, the signs before it in its measure, a tie. */
export function midi(measures: readonly TypedMeasure[], measure: number, note: number, head: number, key: number): number {
    const SEMITONES: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 }
    const SIGNS: Record<Accidental, number> = { '#': 1, b: -1, n: 0, '##': 2, bb: -2 }
    const notes = measures[measure]?.notes ?? []
    const asked = notes[note]?.heads?.[head]
    if (!asked) {
        return 71
    }
    let alter = keyAlter(asked.at.charAt(0), key)
    for (const one of notes.slice(0, note + 1)) {
        for (const { at, sign } of one.heads ?? []) {
            alter = at === asked.at && sign ? SIGNS[sign] : alter
        }
    }
    return 12 * (Number(asked.at.slice(1)) + 1) + (SEMITONES[asked.at.charAt(0)] ?? 0) + alter
}

/** How a sound is written in a key: its letter and octave, and the semitones by which it is altered. */
export function spelled(midi: number, key: number): { at: string; alter: number } {
    const NATURAL: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 }
    const ways = Object.entries(NATURAL).flatMap(([letter, semitones]) => [-1, 0, 1].filter((alter) => (semitones + alter + 12) % 12 === midi % 12).map((alter) => ({ letter, alter })))
    const cost = ({ letter, alter }: { letter: string; alter: number }): number => (alter === keyAlter(letter, key) ? 0 : alter === 0 ? 1 : (alter > 0) === key >= 0 ? 2 : 3)
    const best = ways.reduce((one, other) => (cost(other) < cost(one) ? other : one))
    return { at: `${best.letter}${Math.floor((midi - best.alter) / 12) - 1}`, alter: best.alter }
}

/** Semitones by which a key signature alters a letter. */
export function keyAlter(letter: string, fifths: number): number {
    const place = 'FCGDAEB'.indexOf(letter)
    return fifths > place ? 1 : -fifths > 6 - place ? -1 : 0
}

const VALUE_WORDS: Record<number, string> = { 1: 'whole', 2: 'half', 4: 'quarter', 8: 'eighth', 16: 'sixteenth', 32: 'thirty-second', 64: 'sixty-fourth' }
const SIGN_WORDS: Record<Accidental, string> = { '#': ' sharp', b: ' flat', n: ' natural', '##': ' double sharp', bb: ' double flat' }

/** A note for whoever does not see the staff: “F4 sharp, dotted quarter, tied on”. */
export function noteWords(note: TypedNote | null): string {
    if (!note) {
        return ''
    }
    const what = note.rest ? 'rest' : (note.heads ?? []).map(({ at, sign }) => at + (sign ? SIGN_WORDS[sign] : '')).join(' and ') || 'note'
    const length = note.full ? 'whole measure' : `${note.dots ? 'dotted ' : ''}${VALUE_WORDS[note.as ?? 4] ?? ''}`
    return [what, length, note.tie ? 'tied on' : '', note.slurs ? 'a slur begins' : '', note.slurEnds ? 'a slur ends' : ''].filter(Boolean).join(', ')
}
