import type { DecisionFields, KindName, Mark, Note } from '../api/types'
import type { Head } from '../page/engraving'
import type { DeskCommand, DeskHands } from './hands'
import type { PencilLine } from '../page/pencil'

/** Where signs stand: those nearest to the notes are drawn first, the others find their place above (or below) them. */
export type Slot = 'finger' | 'hand' | 'slur' | 'hook' | 'sign' | 'bow' | 'held' | 'word' | 'text' | 'below'

/** What a decision looks like before the server has answered. It paints; it works nothing out. */
export interface Painted {
    text?: string
    from?: string
    to?: string
}

/** One kind of pencil mark on the page: drawing, preview and keys. */
export interface KindRow {
    slot?: Slot
    draw?: (line: PencilLine, head: Head, mark: Mark) => void
    /** null: nothing is drawn; undefined: nobody can say before the server has answered. */
    paint?: (said: DecisionFields, before: Mark | undefined) => Painted | null | undefined
    keys?: (hands: DeskHands) => DeskCommand[]
}

export type Table = Record<KindName, KindRow>

/** Whether a field is decided on a note, and as what. */
export function said(note: Note | null, field: keyof Note['decided']): string | number | boolean | undefined {
    return note?.decided[field]
}

/** The text of a mark that strikes out what is printed. */
export const STRUCK = '✕'
