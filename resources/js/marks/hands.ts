import type { Decision, DecisionFields, KindName, Note } from '../api/types'
import type { Command } from './keys'

/** What the commands can do; the desk gives it. */
export interface DeskHands {
    step(by: number): void
    /** Makes the selection longer or shorter by notes. */
    extend(by: number): void
    /** The ids of the selected notes; one unless a span is selected. */
    span(): string[]
    /** The printed numbers of the measures that the selection lies in. */
    measures(): string
    decide(...decisions: Decision[]): void
    preview(): void
    why(): void
    /** Other ways to finger the selection; again: the next one on the page. */
    ways(): void
    sizeUp(): void
    /** Goes to the next or previous measure, beat or letter; extending the span where that is wanted. */
    far(by: 1 | -1, what: 'measure' | 'beat' | 'letter', extend?: boolean): void
    /** Asks for a measure or letter, and goes there. */
    goTo(): void
    /** The section between two letters, then the whole part. */
    selectMore(): void
    /** The next note that is chosen on the page is the end of the span. */
    spanTo(): void
    /** What is worth deciding, the hardest first, through all parts of the piece. */
    nextOpen(): void
    /** Takes what is proposed. */
    takeProposed(what: 'here' | 'section' | 'part' | 'piece'): void
    /** Carries what is decided to the like places; looks for them first where none are offered. */
    carry(): void
    /** Goes to the next like place. */
    nextLike(): void
    /** A like place is left as it is. */
    leaveOut(): void
    /** What is decided in other measures, here: “as in 21–28”. */
    asIn(): void
    /** Keeps two versions, or looks at the next one. */
    version(): void
    /** Says why something was decided. */
    reason(): void
    /** Decided for this place only. */
    once(): void
    lookBack(): void
    hear(): void
    large(): void
    leave(): void
    bowTrack(): void
    handTrack(): void
    line(by: number): void
    edge(last: boolean): void
    finding(by: number): void
    takeFix(): void
    /** Decides on the first note of the selected note's stroke. */
    bow(fields: DecisionFields): void
    /** Decides on the selected note. */
    note(fields: DecisionFields): void
    /** Decides on the selected note or, as one, on the selected span. */
    over(fields: DecisionFields): void
    chosen(): Note | null
    /** What is known of a note. */
    info(note: string): Note | null
    strokeChosen(): Note | null
    /** Every position of the instrument, lowest first. */
    positions(): number[]
    /** Whether anything is drawn at a note. */
    isMarked(note: string): boolean
    /** What is written of one kind at a note, also while it waits to be saved. */
    shown(note: string, kind: KindName): string | undefined
    /** Asks for a few words; null when nobody answers. */
    ask(question: string, before: string, check?: RegExp, hint?: string, verb?: string): Promise<string | null>
    undo(): void
    redo(): void
    handOut(): void
    keys(): void
    say(message: string): void
}

export interface DeskCommand extends Command {
    /** Shown at the foot of the desk. */
    hint?: string
}
