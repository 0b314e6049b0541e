import { say } from '../stores/say'
import type { FieldName } from '../api/types'
import type { DeskHands } from './hands'
import { said, type KindRow } from './table'

/** Rows of the table that several kinds have in common. */

/** The next of some values on the selected note or span; after the last one, none. */
export function cycle(hands: DeskHands, field: FieldName, values: readonly string[]): void {
    const now = values.indexOf(String(said(hands.chosen(), field) ?? ''))
    hands.over({ [field]: values[now + 1] ?? null })
}

/** On, or off again. */
export function toggled(hands: DeskHands, field: FieldName): void {
    hands.note({ [field]: said(hands.chosen(), field) === true ? null : true })
}

/** A word that holds to the end of its span. */
export function heldWord(field: FieldName, spelled: (value: string) => string): KindRow {
    return {
        slot: 'word',
        draw: (line, head, mark) => line.word(head, mark),
        paint: (fields) => (typeof fields[field] === 'string' ? { text: say(spelled(String(fields[field]))) } : null),
    }
}

/** Struck where the print has it, else added; pressed again, neither. */
export function addedOrStruck(hands: DeskHands, kind: 'accent' | 'strongAccent' | 'staccato' | 'tenuto' | 'fermata' | 'breath'): void {
    const note = hands.chosen()
    hands.note({ [kind]: said(note, kind) === undefined ? !(note?.printed.includes(kind) ?? false) : null })
}

/** A few words that somebody types. */
export async function typed(hands: DeskHands, field: FieldName, question: string, check?: RegExp, hint = ''): Promise<void> {
    if (hands.chosen() === null) {
        hands.note({})
        return
    }
    const words = await hands.ask(question, String(said(hands.chosen(), field) ?? ''), check, `${hint} Empty takes it back.`.trim())
    if (words !== null) {
        hands.over({ [field]: words.trim() === '' ? null : words.trim() })
    }
}
