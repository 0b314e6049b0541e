import type { Keyed } from '../marks/keys'
import { spans } from './beginnings'
import { alter, change, changeMeasure, current, dot, enter, erase, grace, insertMeasure, left, mark, nextMeasure, octave, pasteMeasures, remind, right, setLength, slur, slurFrom, step, tie, toEnd, triplet, typeFullRest, typeInChord, typeLength, typeLetter, typeRest, type Sheet } from './edits'
import type { ClefName, TypedMeasure, TypedNote, Value } from './manuscript'
import type { Typist } from './typist'

/**
 * The keys for typing. All that is typed often lies under one hand, in the left half of the keyboard, where the letters of the
 * notes are anyway. What lies where was worked out from how often it is typed in the music that ships with us, for each note:
 * its letter 1, another length 0.37, a dot 0.11, an octave further than the nearest 0.08, a rest 0.06, a slur 0.04 (most of two notes),
 * a dynamic 0.06; all else less than 0.02. So lengths have the row above, the rest the thumb, dot, slur, octave and half steps
 * a key each, and everything else two keys: Z and then a sign for the note, H and then a sign for the place.
 */
export interface TypingKey extends Keyed {
    /** What is drawn on the key (`caps.ts`), or written on it. */
    cap: string
    label: string
    /** What it is now, where it can be on. */
    on?: boolean
}

export type Layer = 'notes' | 'sign' | 'here' | 'loud' | 'clef'

/** Names of the layers over the drawn keyboard. */
export const LAYERS: Record<Layer, string> = { notes: 'Notes', sign: 'A sign on the note', here: 'A sign at this place', loud: 'How loud', clef: 'Which clef' }

/** The keys as they lie under one hand. */
export const ROWS = ['123456', 'qwert', 'asdfgh', 'zxcvb', ' '] as const

export type Ask = (words: string, before: string, check?: RegExp, hint?: string) => Promise<string | null>

const VALUES: [Value, string, string][] = [[1, 'whole', 'Whole'], [2, 'half', 'Half'], [4, 'quarter', 'Quarter'], [8, 'eighth', 'Eighth'], [16, 'sixteenth', 'Sixteenth']]

const DYNAMICS = ['pp', 'p', 'mp', 'mf', 'f', 'ff', 'fp', 'sfz']

const KEYS_BY_NAME: Record<string, number> = { Cb: -7, Gb: -6, Db: -5, Ab: -4, Eb: -3, Bb: -2, F: -1, C: 0, G: 1, D: 2, A: 3, E: 4, B: 5, 'F#': 6, 'C#': 7 }

/** “D”, “Bm”, “3b”, “2#”, “0” as sharps (or, negative, flats); null where it is no key. */
export function keyNamed(text: string): { key: number; mode?: 'minor' } | null {
    const counted = /^([0-7])\s*(#|♯|b|♭)?$/.exec(text.trim())
    if (counted) {
        const count = Number(counted[1])
        return { key: counted[2] === 'b' || counted[2] === '♭' ? -count : count }
    }
    const named = /^([A-Ga-g])\s*(#|♯|b|♭)?\s*(m|min|minor)?$/.exec(text.trim())
    if (!named?.[1]) {
        return null
    }
    const tonic = named[1].toUpperCase() + (named[2] === undefined ? '' : named[2] === '#' || named[2] === '♯' ? '#' : 'b')
    const major = KEYS_BY_NAME[tonic]
    const key = named[3] ? { ...KEYS_BY_NAME, 'G#': 8, 'D#': 9, 'A#': 10 }[tonic] : major
    const count = key === undefined ? undefined : named[3] ? key - 3 : key
    return count === undefined || Math.abs(count) > 7 ? null : named[3] ? { key: count, mode: 'minor' } : { key: count }
}

export const METER = /^(C\|?|([1-9]|1\d|2[0-4])(\+([1-9]|1\d))*\/(1|2|4|8|16))$/

const measureNow = (sheet: Sheet): TypedMeasure | undefined => sheet.manuscript.measures[sheet.caret.measure]

export function typingKeys(typist: Typist, layer: Layer, turn: (layer: Layer) => void, ask: Ask): TypingKey[] {
    const rhythm = typist.sheet.value.manuscript.rhythm === true
    const made = layer === 'notes' ? notes(typist, rhythm, turn) : layer === 'sign' ? signs(typist, ask) : layer === 'here' ? here(typist, turn, ask) : layer === 'clef' ? clefs(typist) : loud(typist)
    // One sign, and back to the notes; unless it leads further.
    return layer === 'notes' ? made : made.map((key) => ({ ...key, run: () => [turn('notes'), key.run()] }))
}

function notes(typist: Typist, rhythm: boolean, turn: (layer: Layer) => void): TypingKey[] {
    const { coming } = typist.sheet.value
    const now = typist.now.value
    const letters = [...'abcdefg'].map((letter): TypingKey => ({ keys: [letter], cap: letter.toUpperCase(), label: rhythm ? 'A note' : `${letter.toUpperCase()}, in the nearest octave`, run: () => typist.type((sheet) => typeLetter(sheet, letter.toUpperCase()), true) }))
    const lengths = VALUES.map(([value, cap, label], index): TypingKey => ({
        keys: [String(index + 1)],
        cap,
        label: rhythm ? `A ${label.toLowerCase()} note` : label,
        on: (coming.once ?? coming.as) === value,
        run: () => typist.type((sheet) => (rhythm && !sheet.caret.on ? typeLength(sheet, value) : setLength(sheet, value)), rhythm),
    }))
    return [
        ...letters,
        ...lengths,
        { keys: ['6'], cap: 'triplet', label: 'Triplet: the next three', on: coming.triplet > 0, run: () => typist.type(triplet) },
        { keys: [' '], cap: 'rest', label: 'Rest', run: () => typist.type(typeRest) },
        { keys: ['Shift+ '], cap: '', label: 'Rest for the whole measure', run: () => typist.type(typeFullRest) },
        { keys: ['q'], cap: 'dot', label: 'Dot', on: coming.dotted || (now?.dots ?? 0) > 0, run: () => typist.type(dot) },
        { keys: ['w'], cap: 'sharp', label: 'Half a step up', run: () => typist.type((sheet) => alter(sheet, 1), true) },
        { keys: ['x'], cap: 'flat', label: 'Half a step down', run: () => typist.type((sheet) => alter(sheet, -1), true) },
        { keys: ['r'], cap: '8↑', label: 'An octave up', run: () => typist.type((sheet) => octave(sheet, 1), true) },
        { keys: ['v'], cap: '8↓', label: 'An octave down', run: () => typist.type((sheet) => octave(sheet, -1), true) },
        { keys: ['s'], cap: 'slur', label: 'Slurred to the note before', run: () => typist.type(slur) },
        { keys: ['Shift+s'], cap: '', label: 'A long slur begins; S ends it', run: () => typist.type(slurFrom) },
        { keys: ['t'], cap: 'tie', label: 'Tie to the next', on: now?.tie === true, run: () => typist.type(tie) },
        { keys: ['z'], cap: 'sign…', label: 'A sign on the note', run: () => turn('sign') },
        { keys: ['h'], cap: 'here…', label: 'A sign at this place', run: () => turn('here') },
        ...[...'abcdefg'].map((letter): TypingKey => ({ keys: [`Shift+${letter}`], cap: '', label: `${letter.toUpperCase()} in the same chord`, run: () => typist.type((sheet) => typeInChord(sheet, letter.toUpperCase()), true) })),
        { keys: ['Shift+5'], cap: '', label: 'Thirty-second', run: () => typist.type((sheet) => setLength(sheet, 32)) },
    ]
}

function signs(typist: Typist, ask: Ask): TypingKey[] {
    const on = (name: string): boolean => typist.now.value?.marks?.includes(name) ?? false
    const one = (key: string, cap: string, label: string, name: string, instead: string[] = []): TypingKey => ({ keys: [key], cap, label, on: on(name), run: () => typist.type((sheet) => mark(sheet, name, instead)) })
    const finger = (number: number): TypingKey => ({ keys: [String(number)], cap: String(number), label: `Finger ${number}`, on: typist.now.value?.finger === String(number), run: () => typist.type((sheet) => change(sheet, (note) => ({ finger: note.finger === String(number) ? undefined : String(number) }) as Partial<TypedNote>)) })
    return [
        ...[1, 2, 3, 4].map(finger),
        { ...finger(0), keys: ['5'], cap: '0', label: 'Open string' },
        one('q', 'down', 'Down-bow', 'down', ['up']),
        one('w', 'up', 'Up-bow', 'up', ['down']),
        one('e', 'fermata', 'Fermata', 'fermata'),
        one('r', 'breath', 'Breath', 'breath'),
        one('t', 'tremolo', 'Tremolo', 'tremolo-3'),
        one('a', 'accent', 'Accent', 'accent'),
        one('s', 'staccato', 'Staccato', 'staccato'),
        one('d', 'tenuto', 'Tenuto', 'tenuto'),
        one('f', 'marcato', 'Strong accent', 'strong-accent'),
        { keys: ['g'], cap: 'grace', label: 'Grace note: the next one', on: typist.sheet.value.coming.grace, run: () => typist.type(grace) },
        one('z', 'harmonic', 'Harmonic', 'harmonic'),
        { keys: ['x'], cap: 'str.', label: 'On which string', run: () => typist.type((sheet) => change(sheet, ({ string = 0 }) => ({ string: (string + 1) % 5 }))) },
        { keys: ['c'], cap: 'reminder', label: 'Write the sign that it has by the key', run: () => typist.type(remind) },
        { keys: ['v'], cap: 'staccatissimo', label: 'Staccatissimo', on: on('staccatissimo'), run: () => typist.type((sheet) => mark(sheet, 'staccatissimo')) },
        {
            keys: ['b'],
            cap: 'text',
            label: 'Words over the note',
            run: () => void ask('Words over this note', typist.now.value?.words ?? '').then((words) => words === null || typist.type((sheet) => change(sheet, () => ({ words: words.trim() })))),
        },
    ]
}

function here(typist: Typist, turn: (layer: Layer) => void, ask: Ask): TypingKey[] {
    const measure = measureNow(typist.sheet.value)
    const set = (what: (measure: TypedMeasure) => Partial<Record<keyof TypedMeasure, unknown>>) => typist.type((sheet) => {
        const measure = measureNow(sheet)
        return measure ? changeMeasure(sheet, sheet.caret.measure, what(measure) as Partial<TypedMeasure>) : sheet
    })
    const ending = (pass: number): TypingKey => ({ keys: [String(pass)], cap: `${pass}.`, label: pass === 1 ? 'First ending' : 'Second ending', on: measure?.ending?.includes(pass) ?? false, run: () => set(({ ending }) => ({ ending: ending?.join() === String(pass) ? undefined : [pass] })) })
    const words = (key: string, said: string): TypingKey => ({ keys: [key], cap: said, label: `${said} over the note`, on: typist.now.value?.words === said, run: () => typist.type((sheet) => change(sheet, (note) => ({ words: note.words === said ? '' : said }))) })
    const hairpin = (key: string, cap: string, form: 'crescendo' | 'diminuendo'): TypingKey => ({ keys: [key], cap, label: `${form === 'crescendo' ? 'Louder' : 'Softer'}: begins, then ends`, run: () => typist.type((sheet) => swell(sheet, form)) })
    return [
        ending(1),
        ending(2),
        { keys: ['3'], cap: 'repeat-start', label: 'A repeat begins', on: measure?.repeatStarts === true, run: () => set(({ repeatStarts }) => ({ repeatStarts: repeatStarts ? undefined : true })) },
        { keys: ['4'], cap: 'repeat-end', label: 'A repeat ends', on: measure?.barline === 'repeat', run: () => set(({ barline }) => ({ barline: barline === 'repeat' ? undefined : 'repeat' })) },
        { keys: ['5'], cap: 'final', label: 'Final barline, double barline', on: measure?.barline === 'final', run: () => set(({ barline }) => ({ barline: barline === 'final' ? 'double' : barline === 'double' ? undefined : 'final' })) },
        {
            keys: ['6'],
            cap: '▬',
            label: 'Which measures are entered',
            on: measure?.blank === true,
            run: () => void ask('Measures to enter from now on', '', /^\s*$|^[\d\s,–-]+$/, 'As 25–32, counted as in the print; a measure that is entered already is left out again.').then((text) => {
                const first = typist.sheet.value.manuscript.first ?? 1
                const found = text === null ? null : spans(text)
                found?.forEach(([from, to]) => typist.type((sheet) => enter(sheet, from - first, to - first, sheet.manuscript.measures[from - first]?.blank === true)))
            }),
        },
        {
            keys: ['q'],
            cap: 'meter',
            label: 'Meter from here',
            run: () => void ask('Meter from this measure', measure?.meter ?? '', new RegExp(`^$|${METER.source}`), 'As 3/4, 6/8, 5/8, 3+2/8, C. Empty takes it back.').then((meter) => meter === null || set(() => ({ meter: meter.trim() || undefined }))),
        },
        {
            keys: ['w'],
            cap: 'key',
            label: 'Key from here',
            run: () => void ask('Key from this measure', '', /^\s*$|^\s*([0-7]\s*[#♯b♭]?|[A-Ga-g]\s*[#♯b♭]?\s*(m|min|minor)?)\s*$/, 'As D, Bm, 2#, 3b or 0. Empty takes it back.').then((text) => {
                const key = text === null ? null : keyNamed(text)
                if (text !== null) {
                    set(() => ({ key: key?.key, mode: key?.mode }))
                }
            }),
        },
        { keys: ['e'], cap: 'clef', label: 'Clef from here…', run: () => turn('clef') },
        {
            keys: ['r'],
            cap: 'A B',
            label: 'Rehearsal letter',
            on: measure?.letter !== undefined,
            run: () => void ask('Rehearsal letter', measure?.letter ?? nextLetter(typist.sheet.value)).then((letter) => letter === null || set(() => ({ letter: letter.trim().slice(0, 20) || undefined }))),
        },
        {
            keys: ['t'],
            cap: 'tempo',
            label: 'Tempo',
            run: () => void ask('Quarters a minute', String(measure?.tempo ?? ''), /^\s*$|^\s*\d{2,3}\s*$/, '20 to 300. Empty takes it back.').then((tempo) => tempo === null || set(() => ({ tempo: Number(tempo) || undefined }))),
        },
        words('a', 'arco'),
        words('s', 'pizz.'),
        {
            keys: ['d'],
            cap: 'D.C.',
            label: 'Words at the end of the measure: D.C. al Fine, Fine …',
            run: () => void ask('Words at the end of this measure', measure?.endWords ?? 'D.C. al Fine').then((said) => said === null || set(() => ({ endWords: said.trim() }))),
        },
        { keys: ['f'], cap: 'p f', label: 'How loud…', run: () => turn('loud') },
        hairpin('g', 'louder', 'crescendo'),
        hairpin('b', 'softer', 'diminuendo'),
        { keys: ['z'], cap: 'pickup', label: 'Pickup: this measure is not counted', on: measure?.uncounted === true, run: () => set(({ uncounted }) => ({ uncounted: uncounted ? undefined : true })) },
        { keys: ['x'], cap: 'segno', label: 'Segno, coda', run: () => set(({ signs }) => ({ signs: signs?.[0] === 'segno' ? ['coda'] : signs?.[0] === 'coda' ? undefined : ['segno'] })) },
        { keys: ['c'], cap: 'measure-in', label: 'A measure before this one', run: () => typist.type(insertMeasure) },
        { keys: ['v'], cap: 'measure-again', label: 'The measure before once more', run: () => typist.type(again) },
        { keys: ['h'], cap: 'measure-out', label: 'Take this measure away', run: () => typist.take() },
    ]
}

function nextLetter(sheet: Sheet): string {
    const last = sheet.manuscript.measures.slice(0, sheet.caret.measure).map(({ letter }) => letter).filter((letter) => letter && /^[A-Y]$/.test(letter)).at(-1)
    return last ? String.fromCharCode(last.charCodeAt(0) + 1) : 'A'
}

/** The last full measure before the caret, again, after it. */
function again(sheet: Sheet): Sheet {
    const { measures } = sheet.manuscript
    const empty = !measures[sheet.caret.measure]?.notes?.length
    const from = empty ? sheet.caret.measure - 1 : sheet.caret.measure
    const one = measures[from]
    if (!one?.notes?.length) {
        return sheet
    }
    const plain: TypedMeasure = { id: one.id, notes: one.notes }
    const pasted = pasteMeasures(sheet, from + 1, [plain])
    if (!empty) {
        return pasted
    }
    const all = pasted.manuscript.measures.filter((_, index) => index !== from + 2)
    return { ...pasted, manuscript: { ...pasted.manuscript, measures: all } }
}

function swell(sheet: Sheet, form: 'crescendo' | 'diminuendo'): Sheet {
    const place = current(sheet)
    let open = false
    sheet.manuscript.measures.slice(0, (place?.measure ?? -1) + 1).forEach(({ notes }, measure) => notes?.slice(0, measure === place?.measure ? place.note : undefined).forEach(({ hairpin, hairpinEnds }) => (open = hairpin ? true : hairpinEnds ? false : open)))
    return change(sheet, (note) => (open ? { hairpinEnds: note.hairpinEnds ? undefined : true } : { hairpin: note.hairpin === form ? undefined : form }) as Partial<TypedNote>)
}

function clefs(typist: Typist): TypingKey[] {
    return (['treble', 'alto', 'tenor', 'bass'] as ClefName[]).map((clef, index) => ({ keys: [String(index + 1)], cap: clef, label: `${clef} clef`, run: () => typist.type((sheet) => clefHere(sheet, clef)) }))
}

/** At the start of a measure it is the measure's; later it stands before the note that comes next. */
function clefHere(sheet: Sheet, clef: ClefName): Sheet {
    const { measure, note } = sheet.caret
    const there = measureNow(sheet)?.notes?.[note]
    return note === 0 || !there ? changeMeasure(sheet, measure, { clef }) : change({ ...sheet, caret: { measure, note, on: true } }, () => ({ clef }))
}

function loud(typist: Typist): TypingKey[] {
    return DYNAMICS.map((dynamic, index) => ({
        keys: ['12345qwe'.charAt(index)],
        cap: dynamic,
        label: dynamic,
        on: typist.now.value?.dynamic === dynamic,
        run: () => typist.type((sheet) => change(sheet, (note) => ({ dynamic: note.dynamic === dynamic ? undefined : dynamic }) as Partial<TypedNote>)),
    }))
}

/** Getting about and taking back: the same in every layer. */
export function walkingKeys(typist: Typist, turn: (layer: Layer) => void): TypingKey[] {
    return [
        { keys: ['ArrowLeft'], cap: '←', label: 'Back, onto the note before', repeats: true, run: () => typist.walk(left) },
        { keys: ['ArrowRight'], cap: '→', label: 'On', repeats: true, run: () => typist.walk(right) },
        { keys: ['ArrowUp'], cap: '↑', label: 'The note a step up', run: () => typist.type((sheet) => step(sheet, 1), true) },
        { keys: ['ArrowDown'], cap: '↓', label: 'The note a step down', run: () => typist.type((sheet) => step(sheet, -1), true) },
        { keys: ['Enter'], cap: 'measure-next', label: 'Next measure, though this one is not full', run: () => typist.type(nextMeasure) },
        { keys: ['Backspace'], cap: '⌫', label: 'Take the last note away', repeats: true, run: () => (typist.selected.value ? typist.take() : typist.type(erase)) },
        { keys: ['Delete'], cap: 'Del', label: 'Take away what is selected', run: () => (typist.selected.value ? typist.take() : typist.type(erase)) },
        { keys: ['End'], cap: 'End', label: 'To the end', run: () => typist.walk(toEnd) },
        { keys: ['Escape'], cap: 'Esc', label: 'Back to the notes; insert before the note instead of typing over it', run: () => escape(typist, turn) },
        { keys: ['Shift+ArrowRight'], cap: '', label: 'Select measures onward', repeats: true, run: () => typist.walk((sheet) => byMeasure(sheet, 1), true) },
        { keys: ['Shift+ArrowLeft'], cap: '', label: 'Select measures back', repeats: true, run: () => typist.walk((sheet) => byMeasure(sheet, -1), true) },
        { keys: ['Ctrl+c'], cap: 'Copy', label: 'Copy measures', run: () => void typist.copy() },
        { keys: ['Ctrl+x'], cap: 'Cut', label: 'Cut measures', run: () => typist.cut() },
        { keys: ['Ctrl+v'], cap: 'Paste', label: 'Paste measures', run: () => void typist.paste() },
        { keys: ['Ctrl+z'], cap: 'Undo', label: 'Undo', repeats: true, run: () => typist.undo() },
        { keys: ['Ctrl+y', 'Ctrl+Shift+z'], cap: 'Redo', label: 'Redo', repeats: true, run: () => typist.redo() },
    ]
}

function byMeasure(sheet: Sheet, by: number): Sheet {
    const measure = Math.max(0, Math.min(sheet.manuscript.measures.length - 1, sheet.caret.measure + by))
    return { ...sheet, caret: { measure, note: 0, on: (sheet.manuscript.measures[measure]?.notes?.length ?? 0) > 0 } }
}

/** With the caret on a note, it goes before it: what is typed then comes in between. */
function escape(typist: Typist, turn: (layer: Layer) => void): void {
    turn('notes')
    typist.walk((sheet) => ({ ...sheet, caret: { ...sheet.caret, on: false }, coming: { ...sheet.coming, triplet: 0, grace: false } }))
}
