/** What the server says. Nothing here is worked out in the browser. */

export type Bow = 'down' | 'up'
export type Action = 'hook' | 'retake' | 'lift' | 'split' | 'join' | 'strike' | 'change' | 'stagger'
export type Instrument = 'violin' | 'viola' | 'cello' | 'bass'
export type Rights = 'own' | 'public-domain' | 'licensed' | 'printed-only'

export interface ShelfPart {
    id: number
    name: string
    instrument: Instrument
    measures: number
    decisions: number
    links: number
}

export interface ShelfPiece {
    id: number
    title: string
    composer: string
    kind: 'piece' | 'line'
    rights: Rights
    parts: ShelfPart[]
}

export interface ShelfEnsemble {
    id: number
    name: string
    school: string
    level: string
    pieces: ShelfPiece[]
}

export interface Warning {
    part: string | null
    measure: string | null
    line: number | null
    message: string
}

export interface ReadPart {
    id: string
    name: string
    instrument: Instrument
    guessedFrom: 'name' | 'clef' | 'range'
    measures: number
    playedMeasures: number
    notes: number
    range: [string, string] | null
    keys: string[]
    meters: string[]
}

export interface Reading {
    title: string
    composer: string
    parts: ReadPart[]
    warnings: Warning[]
}

/** One mark of the pencil layer: only what is to be drawn. */
export interface Mark {
    note: string
    bow: Bow | null
    action: Action | null
    from: string | null
    finger: string | null
    string: string | null
    position: string | null
    /** The finger slides here from the note before. */
    slide: boolean
    /** The last note under a finger that bars two strings, and the last for which a finger stays down. */
    barTo: string | null
    stayTo: string | null
    place: string | null
    /** Changes of bow on a held note, each at a share of its length. */
    changes: { share: number; bow: Bow }[]
    /** For each player or desk the shares of the note's length at which it changes. */
    stagger: number[][]
    /** A pencilled slur from this note, and a printed one that is struck out. */
    slurTo: string | null
    struckTo: string | null
    decided: boolean
}

export interface NoteInfo {
    id: string
    measure: string
    beat: number
    pitch: string | null
    direction: Bow | null
    stroke: number | null
    action: Action | null
    /** The way of its stroke along the bow: 0 is the frog, 1 the tip. */
    from: number | null
    to: number | null
    changes: { share: number; from: number | null; to: number | null }[]
    tied: boolean
    afterRest: boolean
    place: string | null
    finger: string | null
    string: string | null
    position: string | null
    stop: Stop | null
    /** The position as a number; half is 0.5. */
    handIn: number | null
    /** The strings that have this note, highest first. */
    strings: string[]
    decided: string[]
    reasons: string[]
    /** The finger comes here by a slide, bars two strings from here, stays down from here. */
    slide: boolean
    bar: boolean
    stay: boolean
    choice: boolean
}

/** What the hand track is drawn from. */
export type HandNote = Pick<NoteInfo, 'id' | 'finger' | 'string' | 'position' | 'stop' | 'tied' | 'afterRest'>

export type DecisionFields = Partial<Record<'direction' | 'action' | 'placement' | 'string' | 'place', string | null>> & {
    finger?: number | null
    position?: number | null
    bowMark?: boolean | null
    fingerMark?: boolean | null
    slide?: boolean | null
    bar?: boolean | null
    stay?: boolean | null
    choice?: boolean | null
}

export type Decision = ({ note: string } | { measures: string }) & DecisionFields

export interface Fix {
    action: string
    notes: string[]
    cost: number
    decisions: Decision[]
}

export interface Finding {
    code: string
    measure: string
    beat: number
    note: string
    message: string
    fixes: Fix[]
    mended: boolean
}

/** What a part looks like, worked out. */
export interface Drawn {
    layer: Mark[]
    findings: Finding[]
    notes: NoteInfo[]
    board: Board
}

/** What a fingerboard is drawn from. Offsets are semitones above the open string. */
export interface Board {
    /** Lowest first. */
    strings: string[]
    tapes: number[]
    /** The regular fingers, from where the first one rests. */
    frame: { finger: number; reach: number }[]
    /** Every position of the instrument, lowest first. */
    positions: number[]
}

export interface Stop {
    /** 0 is the lowest string. */
    string: number
    offset: number
    finger: number
    hand: number
}

/** Another way to finger a stretch, and how it compares with the chosen one. */
export interface Way {
    extra: number
    notes: { id: string; pitch: string; string: string; finger: number; placement: string; position: number }[]
    /** What would be decided to take it. */
    decisions: Decision[]
    gains: string[]
    costs: string[]
}

/** Why a note is fingered as it is; null where there is no other way. */
export interface Why {
    instead: Way | null
    withoutShift: Way | null
}

interface Where {
    note: string
    measure: string
    beat: number
}

type Extreme = Where & { pitch: string; string: string; finger: string }

/** What to know of a part before marking it. */
export interface SizeUp {
    keys: string[]
    meters: string[]
    measures: number
    summary: {
        lowest: Extreme | null
        highest: Extreme | null
        highestPosition: (Where & { position: number; name: string }) | null
        shifts: number
        crossingsUnderSlurs: number
        extensions: number
        new: string[]
    }
    firsts: (Where & { kind: string; what: string; newness: 'not-taught' | 'recent' | 'known'; times: number })[]
    patterns: (Where & { string: string; pattern: string; position: number; from: string; to: string })[]
    troubleSpots: (Where & { code: string; seriousness: number; message: string; drill: string | null; times: number; measures: string[] })[]
    tuning: { pitch: string; measure: string; to: string; seconds: number; sections: string[] }[]
}

export interface Marking extends Drawn {
    seq: number
    canUndo: boolean
    canRedo: boolean
}

export interface DeskPart {
    part: { id: number; name: string; instrument: Instrument }
    piece: { id: number; title: string; composer: string; rights: Rights }
    ensemble: { name: string; level: string }
    siblings: { id: number; name: string }[]
    music: string
    marking: Marking
}

export interface Link {
    id: number
    made: string
    expires: string
    openings: number
}

export interface SheetLine {
    measure: string
    beat: string
    note: string
    sign: string
}

export interface SharedPart {
    title: string
    composer: string
    part: string
    ensemble: string
    notation: boolean
    music?: string
    layer?: Mark[]
    /** How the hand goes: names of the strings, lowest first, and the notes. */
    hand?: { strings: string[]; notes: HandNote[] }
    sheet?: SheetLine[]
}

export interface LogEntry {
    base: number
    key: string
    kind: 'decide' | 'undo' | 'redo'
    decisions?: Decision[]
}
