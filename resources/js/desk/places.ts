import type { Note } from '../api/types'

/** What the printed page is gone about by: numbers of measures, and letters. */
export interface Places {
    /** Printed numbers, in the order of the page. */
    measures: string[]
    /** Letter => the place of its measure in that list. */
    letters: { letter: string; measure: number }[]
}

export function placesIn(music: string): Places {
    const measures: string[] = []
    const letters: Places['letters'] = []
    for (const measure of music.split(/<measure[\s>]/).slice(1)) {
        measures.push(/^[^>]*number="([^"]*)"/.exec(measure)?.[1] ?? '')
        const letter = /<rehearsal[^>]*>([^<]*)</.exec(measure)?.[1]?.trim()
        if (letter) {
            letters.push({ letter, measure: measures.length - 1 })
        }
    }
    return { measures, letters }
}

/** “27”, “B”, or “B + 5”: the fifth measure after the letter. @returns the place of the measure; null: there is none */
export function placeCalled(name: string, { measures, letters }: Places): number | null {
    const called = name.trim()
    const number = measures.indexOf(called)
    if (number !== -1) {
        return number
    }
    const [, letter = '', more = '0'] = /^([^+\s]+)\s*(?:\+\s*(\d+))?$/.exec(called) ?? []
    const found = letters.find((one) => one.letter.toLowerCase() === letter.toLowerCase())
    const place = found ? found.measure + Number(more) : -1
    return place >= 0 && place < measures.length ? place : null
}

/** The first note of the next measure, beat or letter, or of the one before. */
export function noteAway(notes: readonly Note[], from: number, by: 1 | -1, what: 'measure' | 'beat' | 'letter', { measures, letters }: Places): Note | null {
    const lettered = new Set(letters.map(({ measure }) => measures[measure]))
    const begins = (index: number): boolean => {
        const [note, before] = [notes[index], notes[index - 1]]
        if (!note || !before) {
            return note !== undefined
        }
        const newMeasure = note.measure !== before.measure
        return what === 'measure' ? newMeasure : what === 'beat' ? newMeasure || Math.floor(note.beat) !== Math.floor(before.beat) : newMeasure && lettered.has(note.measure)
    }
    for (let index = from + by; index >= 0 && index < notes.length; index += by) {
        if (begins(index)) {
            return notes[index] ?? null
        }
    }
    return null
}

/** The notes of the section between two letters in which a note lies; all where there are no letters. */
export function sectionAround(notes: readonly Note[], note: Note | null, { measures, letters }: Places): { from: string; to: string } | null {
    const measure = note === null ? -1 : measures.indexOf(note.measure)
    const [first, last] = [notes[0], notes.at(-1)]
    if (measure === -1 || !first || !last) {
        return null
    }
    const begin = letters.filter((one) => one.measure <= measure).at(-1)
    const end = letters.find((one) => one.measure > measure)
    const inside = notes.filter((one) => {
        const place = measures.indexOf(one.measure)
        return place >= (begin?.measure ?? 0) && (end === undefined || place < end.measure)
    })
    return { from: inside[0]?.id ?? first.id, to: inside.at(-1)?.id ?? last.id }
}
