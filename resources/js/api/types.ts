/** What the server says. Written by `php artisan client:types`; a test fails when it is stale. */

/** Every kind of pencil mark, in the server's order. */
export type KindName = 'strike' | 'slur' | 'hook' | 'retake' | 'lift' | 'set' | 'split' | 'as-it-comes' | 'hooked-pairs' | 'pair' | 'direction' | 'change' | 'times' | 'stagger' | 'desks' | 'place' | 'amount' | 'lane' | 'stroke' | 'finger' | 'placement' | 'choice' | 'slide' | 'bar' | 'stay' | 'string' | 'position' | 'shift' | 'noteName' | 'reminder' | 'accidental' | 'pluck' | 'mute' | 'dynamic' | 'accent' | 'strongAccent' | 'staccato' | 'tenuto' | 'fermata' | 'breath' | 'cue' | 'count' | 'release' | 'misprint' | 'divide' | 'reduce' | 'rewrite' | 'playing' | 'text' | 'staffText' | 'apart' | 'know' | 'bowMark' | 'fingerMark'

/** The fields of a decision. */
export type FieldName = 'action' | 'set' | 'direction' | 'times' | 'desks' | 'place' | 'amount' | 'lane' | 'stroke' | 'finger' | 'placement' | 'choice' | 'slide' | 'bar' | 'stay' | 'string' | 'position' | 'shift' | 'noteName' | 'reminder' | 'accidental' | 'pluck' | 'mute' | 'dynamic' | 'accent' | 'strongAccent' | 'staccato' | 'tenuto' | 'fermata' | 'breath' | 'cue' | 'count' | 'release' | 'pitch' | 'divide' | 'reduce' | 'rewrite' | 'playing' | 'text' | 'staffText' | 'apart' | 'know' | 'bowMark' | 'fingerMark'

/** The field under which a kind is decided. */
export const FIELD_OF: Record<KindName, FieldName> = {
    'strike': 'action',
    'slur': 'action',
    'hook': 'action',
    'retake': 'action',
    'lift': 'action',
    'set': 'set',
    'split': 'action',
    'as-it-comes': 'action',
    'hooked-pairs': 'action',
    'pair': 'action',
    'direction': 'direction',
    'change': 'action',
    'times': 'times',
    'stagger': 'action',
    'desks': 'desks',
    'place': 'place',
    'amount': 'amount',
    'lane': 'lane',
    'stroke': 'stroke',
    'finger': 'finger',
    'placement': 'placement',
    'choice': 'choice',
    'slide': 'slide',
    'bar': 'bar',
    'stay': 'stay',
    'string': 'string',
    'position': 'position',
    'shift': 'shift',
    'noteName': 'noteName',
    'reminder': 'reminder',
    'accidental': 'accidental',
    'pluck': 'pluck',
    'mute': 'mute',
    'dynamic': 'dynamic',
    'accent': 'accent',
    'strongAccent': 'strongAccent',
    'staccato': 'staccato',
    'tenuto': 'tenuto',
    'fermata': 'fermata',
    'breath': 'breath',
    'cue': 'cue',
    'count': 'count',
    'release': 'release',
    'misprint': 'pitch',
    'divide': 'divide',
    'reduce': 'reduce',
    'rewrite': 'rewrite',
    'playing': 'playing',
    'text': 'text',
    'staffText': 'staffText',
    'apart': 'apart',
    'know': 'know',
    'bowMark': 'bowMark',
    'fingerMark': 'fingerMark',
}

/** null takes back. */
export type DecisionFields = Partial<Record<Exclude<FieldName, 'know' | 'rewrite'>, string | number | boolean | null>> & { know?: { text: string; of: string } | null; rewrite?: readonly object[] | null }

export type Decision = ({ note: string; to?: string } | { measures: string }) & DecisionFields & Remarks

/** What is said of a decision: its state, whether for this once, why, and of what is open its question. */
export interface Remarks {
    state?: 'decided' | 'suggested' | 'to-settle' | 'your-choice'
    once?: boolean
    reason?: string
    question?: string
    version?: string
    listen?: string
}

/** A person’s own account. */
export interface Account {
    name: string
    email: string
    /** a code is asked for beside the password */
    givesCode: boolean
}

/** A piece that was just kept. */
export interface AddedPiece {
    id: number
    /** id of its first part */
    part: number
}

/** An address that is shown this once. */
export interface Address {
    address: string
}

/** A figure, and where it comes again in its part. */
export interface Alike {
    /** id of its first note */
    from: string
    /** id of its last */
    to: string
    places: AlikePlace[]
}

/** A place that is like another, and what would be decided there. */
export interface AlikePlace {
    /** id of its first note */
    from: string
    /** id of its last */
    to: string
    measure: string
    beat: number
    likeness: Likeness
    decisions: Decision[]
    /** what would stay behind, as sentences */
    misfits: string[]
}

/** What somebody is asked into. */
export interface AskedIn {
    ensemble: string
    school: string
    by: string
    email: string
    role: Role
    decides: boolean
    /** an account has this e-mail address */
    hasAccount: boolean
}

/** A new question, or another version of one, as it goes into the record. */
export interface AskedVersions {
    decisions: Decision[]
}

/** Players whom a part is handed out to. */
export interface Audience {
    /** nothing: everybody */
    key: string
    name: string
    /** number of their newest handout */
    newest: number | null
    /** marks that are different since then */
    since: number
}

/** The list of what was done in a school, the newest first. */
export interface Audit {
    events: Audited[]
}

/** Something that was done in a school. */
export interface Audited {
    id: number
    /** name */
    by: string
    /** in words */
    what: string
    /** whom or what it was about; may be empty */
    about: string
    /** ISO 8601 */
    at: string
}

/** A passage in the order to teach them. */
export interface Beginning {
    name: string
    from: string
    to: string
    because: string
}

/** What a fingerboard is drawn from. Offsets are semitones above the open string. */
export interface Board {
    /** lowest first */
    strings: string[]
    tapes: number[]
    frame: Frame[]
    /** every position of the instrument, lowest first */
    positions: number[]
}

export type BowAction = 'hook' | 'retake' | 'lift' | 'change' | 'split' | 'join' | 'strike' | 'stagger'

export type BowSign = 'down' | 'up'

export type BowingSchool = 'strong-beat' | 'as-it-comes' | 'paired'

/** What every section changes, in the order of the piece. */
export interface CallOut {
    title: string
    composer: string
    ensemble: string
    sections: CallOutSection[]
    lines: Called[]
}

/** A section on the sheet for the podium. */
export interface CallOutSection {
    part: string
    from: SlipEnd
    changes: number
}

/** One change that is called out. */
export interface Called {
    part: string
    line: SheetLine
}

/** What is decided in some measures, carried to others. */
export interface Carried {
    decisions: Decision[]
    /** what does not fit, as sentences */
    misfits: string[]
}

/** The way of the bow after a change on a held note. */
export interface Change {
    /** of the length of the note */
    share: number
    /** 0 is the frog, 1 the tip */
    from: number | null
    to: number | null
}

/** Codes for paper, shown this once. */
export interface Codes {
    codes: string[]
}

/** What a corrected edition would change in a part. */
export interface CorrectedPart {
    part: number
    name: string
    /** part of the file; null: none fits */
    from: string | null
    /** notes that are known again */
    same: number
    /** notes that come new */
    fresh: number
    /** in which notes go or come */
    measures: string[]
    /** decided notes that stay */
    kept: number
    /** decisions that lose their note */
    gone: Gone[]
    /** names its notes as they are */
    base: string
}

/** What a corrected edition would change in a piece; nothing is kept yet. */
export interface Correction {
    parts: CorrectedPart[]
    /** the parts of the file */
    theirs: ReadPart[]
    warnings: Warning[]
    tunes: string[]
}

/** One thing that a line asks of its players, where it first comes. */
export interface Demand {
    kind: string
    what: string
    measure: string
    times: number
}

export type Density = 'first-year' | 'usual' | 'sparse'

/** A part that could be made from another one; nothing is kept yet. */
export interface Derived {
    name: string
    notes: number
    shifts: Shift[]
    /** the lines that the source holds */
    voices: Voice[]
    /** as MusicXML */
    music: string
}

/** A part opened on the desk. */
export interface Desk {
    part: DeskPart
    piece: DeskPiece
    ensemble: DeskEnsemble
    /** parts of the same piece */
    siblings: PartName[]
    /** what is played, as MusicXML */
    music: string
    /** made from its contents */
    musicName: string
    marking: Marking
    performance: Performance
    /** players of the section who have fingers of their own */
    groups: PlayersName[]
    /** what was decided about notes that a newer edition does not have */
    gone: Gone[]
    /** those whose fingers it shows; null: the section's */
    players: string | null
    words: Words
    /** the print, where something else is typed over it */
    printed: PrintedMeasure[]
}

/** Who plays the part on the desk. */
export interface DeskEnsemble {
    name: string
    level: Level
}

/** The part on the desk. */
export interface DeskPart {
    id: number
    name: string
    instrument: Instrument
    /** whoever has it on the desk may put something into its record */
    decides: boolean
    /** or may say what they would decide */
    suggests: boolean
    /** nothing is decided any more */
    final: boolean
    /** and may hand it out */
    shares: boolean
}

/** The piece of the part on the desk. */
export interface DeskPiece {
    id: number
    title: string
    composer: string
    rights: Rights
}

/** A browser in which somebody is signed in. */
export interface Device {
    id: number
    name: string
    since: string
    seen: string
    /** it is the one that asks */
    here: boolean
}

export interface Devices {
    /** the one seen last first */
    devices: Device[]
}

/** Who is signed in. */
export interface Director {
    id: number
    name: string
}

/** A passage in which a section is divided. */
export interface Divided {
    part: number
    from: string
    to: string
    how: string
    /** false: the print says so */
    decided: boolean
    lines: DividedLine[]
}

/** One line of divided notes, and who has it. */
export interface DividedLine {
    /** top, middle, bottom */
    name: string
    players: string
    /** who takes it over when its only player is missing */
    fallback: string | null
}

/** Something that is being typed, on the shelf. */
export interface Draft {
    key: string
    title: string
    measures: number
    of: string | null
    at: string
}

/** What a part would look like. */
export interface Drawn {
    notes: Note[]
    findings: Finding[]
}

/** The notes of a part as they were once, or are now. */
export interface Edition {
    id: number
    /** imported, typed, corrected or brought back */
    how: 'imported' | 'typed' | 'corrected' | 'brought back'
    /** who changed them; null: as they first came */
    by: string | null
    at: string
    /** the file that they came from */
    source: string
    current: boolean
    /** in which it differs from the one before */
    measures: string[]
}

/** An edition of a part to be looked at: its print, and the pencil on it that holds for its notes. */
export interface EditionPage {
    music: string
    notes: Note[]
}

/** All editions of a part, the newest first; and what was decided about notes that none of them has now. */
export interface Editions {
    part: number
    name: string
    piece: number
    title: string
    editions: Edition[]
    gone: Gone[]
    /** may bring one back */
    directs: boolean
    /** may place what is left over, or let it go */
    decides: boolean
    words: Words
}

/** The lowest or highest note of a part. */
export interface Extreme {
    pitch: string
    string: string
    finger: string
    /** id */
    note: string
    measure: string
    beat: number
}

/** A run of notes that comes in several places. */
export interface Figure {
    letter: string
    notes: number
    near: boolean
    passedRound: boolean
    places: FigurePlace[]
}

/** A place where a figure comes. */
export interface FigurePlace {
    part: number
    /** its first */
    note: string
    /** its last note */
    last: string
    /** tick */
    from: number
    /** tick */
    until: number
    measure: string
    beat: number
    /** half steps from the first place */
    transposed: number
    directions: string
    /** one note is other */
    near: boolean
    /** it is meant to differ */
    exception: boolean
    /** what makes it an exception, or none any more */
    apart: PartDecisions[]
}

/** One decision for all places of a figure. */
export interface FigureTaken {
    parts: PartDecisions[]
    /** places, as “Viola 12” */
    taken: string[]
    /** those decided otherwise */
    left: string[]
    /** those to which the fingers go along */
    fingered: string[]
}

/** Something the director should look at. */
export interface Finding {
    /** what it is and where: the same finding has the same, whatever comes before it */
    id: string
    code: string
    measure: string
    beat: number
    /** id */
    note: string
    message: string
    /** cheapest first */
    fixes: Fix[]
    /** the proposed marks already take care of it */
    mended: boolean
}

/** Something that comes for the first time. */
export interface First {
    kind: string
    what: string
    /** not-taught, recent or known */
    newness: 'not-taught' | 'recent' | 'known'
    times: number
    /** id */
    note: string
    measure: string
    beat: number
}

/** One small change that mends a finding. */
export interface Fix {
    action: string
    /** ids */
    notes: string[]
    /** points */
    cost: number
    decisions: Decision[]
}

/** One regular finger of the hand. */
export interface Frame {
    finger: number
    /** semitones from where the first finger rests */
    reach: number
}

/** What was decided about a note that is not there any more. */
export interface Gone {
    /** null where nothing is kept yet */
    id: number | null
    measure: string
    /** where it stood */
    beat: number
    pitch: string
    /** as it was, without its note */
    decision: DecisionFields & { players?: string }
}

/** One thing that was understood about how somebody marks. */
export interface Habit {
    /** names it */
    what: string
    sentence: string
    evidence: string
    /** decisions that it explains and that were not explained before */
    better: HabitPlace[]
    /** decisions that it no longer explains */
    worse: HabitPlace[]
    /** of the class, with it */
    settings: Record<string, unknown>
}

/** A decision that tells how somebody marks. */
export interface HabitPlace {
    part: number
    /** of its piece and part */
    title: string
    measure: string
    beat: number
    note: string
    /** in words */
    chosen: string
    /** in words */
    proposed: string
}

/** How somebody marks, as far as their decisions tell. */
export interface Habits {
    /** that told something */
    decisions: number
    /** of them the tool would have proposed so many */
    before: number
    /** and with what was understood so many, in each piece only with what the other pieces carry by themselves */
    after: number
    habits: Habit[]
    /** that were made the rule, the newest first */
    taken: TakenHabit[]
    /** further ensembles that they direct */
    others: number
}

/** How the hand goes through a part. */
export interface Hand {
    /** lowest first */
    strings: string[]
    notes: HandNote[]
}

/** What the hand track is drawn from. */
export interface HandNote {
    id: string
    /** as it is written */
    finger: string | null
    string: string | null
    /** as it is written */
    position: string | null
    stop: Stop | null
    /** held over from the note before */
    tied: boolean
    afterRest: boolean
}

/** A handout in the list of a part. */
export interface Handout {
    id: number
    number: number
    /** nothing: everybody */
    audience: string
    /** “Outside” */
    audienceName: string
    by: string
    at: string
    proposals: boolean
    /** when it was taken back */
    withdrawn: string | null
}

/** Which handout something is. */
export interface HandoutName {
    /** of the part, from 1 */
    number: number
    /** date and time */
    at: string
    /** what nobody decided is on it too */
    proposals: boolean
}

/** What of a part was handed out. */
export interface Handouts {
    /** the newest first */
    handouts: Handout[]
    /** everybody first */
    audiences: Audience[]
    /** notes with marks that nobody decided: they go out only where that is asked for */
    proposed: number
    /** what used copies have */
    oldSet: Handout | null
    /** that are open */
    links: Link[]
}

/** A part as it is heard, in the order in which it is played. */
export interface Heard {
    /** quarters a minute at the start */
    tempo: number
    /** all of it */
    seconds: number
    notes: HeardNote[]
    beats: HeardBeat[]
}

/** A beat of the click. */
export interface HeardBeat {
    at: number
    measure: string
    strong: boolean
}

/** One note as it is heard; of a note that is held over it is the whole, of one on which the bow changes there are several. */
export interface HeardNote {
    /** of the note on the page */
    id: string
    /** seconds from the start */
    at: number
    /** seconds to where the next may begin */
    for: number
    /** MIDI numbers */
    pitches: number[]
    attack: 'bow' | 'slur' | 'pluck'
    direction: 'down' | 'up' | null
    /** the share of its time that it sounds */
    length: number
    /** 0 to 1 */
    loud: number
}

/** The highest position of a part. */
export interface HighestPosition {
    position: number
    name: string
    /** id */
    note: string
    measure: string
    beat: number
}

/** What was decided in a part, the newest first. */
export interface History {
    title: string
    name: string
    piece: number
    entries: RecordLine[]
    /** the number below which there are earlier ones; null: there are none */
    more: number | null
    decides: boolean
}

export type Instrument = 'violin' | 'viola' | 'cello' | 'bass'

/** Somebody was asked in and has not come yet. */
export interface Invitation {
    id: number
    email: string
    role: Role
    decides: boolean
    /** ids of those that a coach is named for */
    parts: number[]
    expires: string
}

/** A sheet that goes out with the next handout. */
export interface KeptPractice {
    id: number
    key: string
    from: string
    to: string
    kinds: string[]
    minutes: number | null
}

/** A note whose proposals are not taken along with others. */
export interface LeftOut {
    note: string
    measure: string
    beat: number
    pitch: string | null
    why: string
}

/** A line or piece as a lesson: what it asks of whom, which lines prepare it, and for a line in unison where instruments differ. */
export interface Lesson {
    piece: number
    title: string
    kind: 'piece' | 'line'
    ensembleId: number
    ensemble: string
    /** the day on which it was taught */
    taught: string | null
    /** titles of the lesson lines that the class has played */
    after: string[]
    sections: LessonSection[]
    /** sentences about lesson lines that come before what they need */
    tooEarly: string[]
    /** the line, and each harmony beside it */
    sources: LessonSource[]
    differs: LessonDifference[]
    /** who shares every instruction */
    shared: string[]
    /** what this line asks of the hand that the class profile does not list */
    gains: string[]
    /** all parts, or one, with their marks, MusicXML; null for a printed set */
    music: string | null
    words: Words
}

/** Where instruments on one line do different things. */
export interface LessonDifference {
    measures: string[]
    words: string
}

/** What a piece or line asks of one section. */
export interface LessonSection {
    part: number
    name: string
    instrument: string
    /** “You know everything except …” */
    sentence: string
    ready: Demand[]
    reviews: Demand[]
    new: Demand[]
    /** lesson lines that prepare it, in their order */
    prepared: Prepared[]
    /** how pickup and repeat are counted */
    counting: string[]
}

/** A line, or a harmony beside it, from which parts for other instruments can be made. */
export interface LessonSource {
    part: number
    name: string
    /** instruments that have no part of it yet */
    missing: ('violin' | 'viola' | 'cello' | 'bass')[]
}

export type Level = 'first-year' | 'second-year' | 'third-year' | 'advanced'

/** What a level brings with it. */
export interface LevelDefaults {
    level: Level
    open: OpenStrings
    vibrato: boolean
    marks: Density
    /** the most that the class knows */
    flats: number
    sharps: number
    taught: Taught[]
}

export type Likeness = 'free' | 'same' | 'otherwise' | 'apart'

/** All sections of a piece under each other in time. */
export interface LineUp {
    title: string
    ensemble: string
    /** ticks in a quarter */
    resolution: number
    measures: MapMeasure[]
    parts: MapPart[]
    /** ticks at which all leave the string together */
    cutOffs: number[]
    figures: Figure[]
    words: Words | null
}

/** A link that students can open. */
export interface Link {
    id: number
    /** date and time */
    made: string
    /** date and time */
    expires: string
    openings: number
    /** whom it is for; nothing: everybody's */
    audience: string
    /** id of the one handout that it shows; null: always the newest */
    handout: number | null
    /** null where it was made before addresses were kept */
    address: string | null
}

/** What was made. */
export interface Made {
    id: number
}

/** A measure of the map of all sections. */
export interface MapMeasure {
    number: string
    /** tick */
    start: number
    /** ticks */
    length: number
    /** the rehearsal letter over it */
    letter: string | null
}

/** A section of the map, stroke by stroke. */
export interface MapPart {
    part: number
    name: string
    instrument: Instrument
    /** the newest entry of its record */
    seq: number
    /** from and until (ticks), d, u or -, what is done with the bow, first note, where further notes of it begin, where each desk changes */
    strokes: [number, number, string, string, string, number[], number[][]][]
}

/** One mark of the pencil layer: only what is to be drawn. */
export interface Mark {
    /** id of the note that it stands at */
    note: string
    kind: KindName
    /** what is written, where the kind alone does not say it */
    text?: string
    /** id of the note that it comes from */
    from?: string
    /** id of the note that it leads to */
    to?: string
    /** places inside the note, as shares of its length: one list for each player or desk */
    shares?: number[][]
    /** somebody decided it */
    decided?: boolean
}

/** What a part looks like and where its record stands: the whole of it, or what is different from what a page shows. */
export interface Marking {
    /** number of the newest entry of the record */
    seq: number
    /** names what the page shows with this answer on it */
    state: string
    /** the state that this answer changes; null: it is the whole */
    since?: string
    /** all, or those that are different */
    notes?: Note[]
    /** all, or those that are new */
    findings?: Finding[]
    /** ids of all findings, in the order of the page */
    order?: string[]
    /** keys of one's own entries that count, the newest last; only with the whole */
    undoable?: string[]
    /** keys of the entries that one took back, the next one last; only with the whole */
    redoable?: string[]
    /** entries that are not understood */
    skipped?: Skipped[]
    board?: Board
    /** places that are kept in several versions, open or settled */
    questions?: Question[]
    /** names the music where measures of it are typed over the print */
    over?: string
}

/** What one role may do, in words. */
export interface May {
    role: Role
    decides: boolean
    what: string[]
}

/** Where a measure is on the page, so that it can be gone to. */
export interface MeasureStart {
    measure: string
    /** id of its first note */
    note: string
    /** that stands over it */
    letter?: string
}

/** Somebody in an ensemble. */
export interface Member {
    id: number
    name: string
    email: string
    role: Role
    decides: boolean
    /** ids of those that a coach is named for */
    parts: number[]
}

/** An invitation with its address, which is shown this once. */
export interface NewInvitation {
    invitation: Invitation
    address: string
}

/** What is to be done first in a piece, and where. */
export interface NextStep {
    step: 'notes' | 'size-up' | 'findings' | 'settle' | 'hand-out' | 'out-of-date' | 'done'
    /** where it is done; null: nothing is left */
    part: number | null
    name: string
    /** findings, versions, marks since the handout; parts that wait */
    count: number
}

/** One note head with everything that the desk shows of it. */
export interface Note {
    id: string
    /** as printed */
    measure: string
    beat: number
    pitch: string | null
    direction: BowSign | null
    /** numbered through the part */
    stroke: number | null
    action: BowAction | null
    /** the way of its stroke along the bow: 0 is the frog, 1 the tip */
    from: number | null
    to: number | null
    /** of the bow while it is held */
    changes: Change[]
    /** held over from the note before */
    tied: boolean
    afterRest: boolean
    /** as it is written */
    finger: string | null
    string: string | null
    /** as it is written */
    position: string | null
    stop: Stop | null
    /** the position as a number; half is 0.5 */
    handIn: number | null
    /** those that have this note, highest first */
    strings: string[]
    /** hand signs that are on the note, decided or worked out */
    proposed: KindName[]
    /** signs in the print that the pencil can strike */
    printed: KindName[]
    /** what somebody decided, field by field */
    decided: Partial<Record<FieldName, string | number | boolean>>
    reasons: string[]
    /** its marks in words */
    spoken: string
    /** what is drawn at it */
    marks: Mark[]
}

/** What was noted in rehearsal. */
export interface NoteOfRehearsal {
    key: string
    from: string
    to: string
    /** none: all of them */
    parts: number[]
    /** nothing: a flag that is completed afterwards */
    what: string
    howMany: 'all' | 'most' | 'some' | 'one stand' | 'wanted' | null
    at: string
    by: string
    /** null: it is open */
    became: 'reminder' | 'step' | 'change' | 'let-go' | null
}

/** A place that was noted three times or more. */
export interface NotedAgain {
    measure: string
    /** none: all of them */
    parts: number[]
    times: number
}

/** A concert or a rehearsal. */
export interface Occasion {
    id: number
    kind: 'concert' | 'rehearsal'
    name: string
    /** the day, as 2027-03-18 */
    on: string
    /** titles of what is played */
    pieces: string[]
    /** the hour, as 19:30 */
    starts: string | null
    /** how long it is */
    minutes: number | null
    /** what is left before it, in words */
    left: string[]
    /** instruments that come; null: everybody */
    sections: ('violin' | 'viola' | 'cello' | 'bass')[] | null
}

export interface Occasions {
    ensemble: string
    /** in order */
    occasions: Occasion[]
}

/** A kind of practice, and why it helps here. */
export interface OfferedPractice {
    kind: string
    title: string
    because: string | null
}

/** What is worth deciding in a part. */
export interface OpenPart {
    part: number
    name: string
    /** the hardest first */
    places: OpenPlace[]
}

/** A place that is worth a decision. */
export interface OpenPlace {
    note: string
    measure: string
    beat: number
    kind: 'finding' | 'settle' | 'either' | 'hard'
    why: string
    weight: number
}

/** What is worth deciding in a piece, part by part. */
export interface OpenPlaces {
    title: string
    parts: OpenPart[]
}

export type OpenStrings = 'up-open-down-four' | 'open' | 'four'

/** What of a piece is played. */
export interface Order {
    cuts: Span[]
    /** measures whose closing repeat is not taken */
    straight: string[]
    tacets: Tacet[]
}

/** An order of performance as somebody decided it. */
export interface OrderVersion {
    id: number
    by: string
    at: string
    order: Order
}

/** A passage in which sections are out of line. */
export interface OutOfLine {
    id: string
    code: string
    /** it is only told */
    folded: boolean
    /** tick */
    from: number
    /** tick */
    until: number
    measure: string
    beat: number
    /** the measure in which it ends */
    to: string
    parts: number[]
    /** ids of those that differ */
    notes: string[]
    message: string
    remedies: Remedy[]
    /** what says that it is meant so */
    apart: PartDecisions[]
}

/** What is out of line in a piece. */
export interface OutOfLines {
    findings: OutOfLine[]
}

/** All that was handed out for a concert. */
export interface Packet {
    name: string
    /** the day */
    on: string
    ensemble: string
    /** in order */
    pieces: PacketPiece[]
}

/** A part of a packet. */
export interface PacketPart {
    id: number
    name: string
    /** of the ensemble; the part's own name where it is in none */
    section: string
    /** the newest for everybody, and for its players where they have their own */
    handouts: Handout[]
}

/** A piece of a packet. */
export interface PacketPiece {
    id: number
    title: string
    composer: string
    rights: Rights
    parts: PacketPart[]
}

/** A file with pictures of the printed page. */
export interface PageFile {
    key: string
    name: string
    pdf: boolean
    look: Record<string, unknown>
}

/** The printed pages beside a part. */
export interface PageFiles {
    /** in the order in which they were brought */
    files: PageFile[]
}

/** What would be decided in one part. */
export interface PartDecisions {
    part: number
    decisions: Decision[]
}

/** A part by its name. */
export interface PartName {
    id: number
    name: string
}

/** What is proposed in one part of a piece. */
export interface PartProposals {
    part: number
    name: string
    seq: number
    proposals: Proposals
}

/** A stretch of a piece that has a name. */
export interface Passage {
    name: string
    from: string
    to: string
}

/** One section in one passage. */
export interface PassageCell {
    /** the first of the passage, as this part names it; null: the part does not have it */
    measure: string | null
    /** of the passage */
    measures: number
    /** how many of them are entered */
    entered: number
    /** note heads in it */
    notes: number
    /** how many of them something was decided about */
    decided: number
    /** findings and versions that are left in it */
    open: number
    /** changes to what was handed out last; null: nothing is handed out of the part */
    changed: number | null
}

/** A section against the passages of its piece. */
export interface PassageRow {
    /** its id */
    part: number
    name: string
    /** somebody has looked it over */
    sizedUp: boolean
    /** left in all of it */
    findings: number
    /** one for each passage */
    cells: PassageCell[]
}

/** All sections of a piece against its passages. */
export interface PassageTable {
    /** names */
    passages: string[]
    rows: PassageRow[]
}

/** A passage that is practised in a tempo of its own. */
export interface PassageTempo {
    passage: string
    from: string
    tempo: number
}

/** A part as it was after one of the entries of its record. */
export interface Past {
    seq: number
    at: string
    /** the print of that day, as MusicXML */
    music: string
    layer: Mark[]
    /** false: its notes are others now; nothing is compared, and its edition is brought back instead */
    sameNotes: boolean
    /** what has changed on the page since */
    since: SheetLine[]
    /** what brings it back */
    back: Decision[]
}

/** A finger pattern on a string. */
export interface Pattern {
    string: string
    pattern: string
    position: number
    /** measure */
    from: string
    to: string
    /** id */
    note: string
    measure: string
    beat: number
}

/** Who is in an ensemble, and who was asked in. */
export interface People {
    ensemble: string
    members: Member[]
    /** that are open */
    invitations: Invitation[]
    /** of which a coach may be named for parts */
    pieces: PieceParts[]
    /** who may do what */
    may: May[]
}

/** What of a part is not played. */
export interface Performance {
    /** measures, counted from 0, that are crossed out */
    silent: number[]
    /** the same in words, with repeats that are not taken */
    sentences: string[]
}

/** A piece on its own page. */
export interface Piece {
    id: number
    title: string
    composer: string
    kind: 'piece' | 'line'
    rights: Rights
    bowing: BowingSchool | null
    /** quarters a minute that somebody chose */
    tempo: number | null
    /** quarters a minute that its file begins with */
    written: number
    /** for this piece only */
    level: Level | null
    /** the concert it is for */
    occasion: number | null
    ensemble: string
    ensembleId: number
    /** concerts of the ensemble */
    occasions: Occasion[]
    /** of the ensemble, without groups */
    sections: Section[]
    /** those put away among them */
    parts: PiecePart[]
    /** as they are printed */
    measures: string[]
    /** measures with which a repeat ends */
    repeats: string[]
    order: Order
    /** of performance, the one that holds first */
    orders: OrderVersion[]
    passages: Passage[]
    /** false: they are its rehearsal letters */
    ownPassages: boolean
    /** tempo for practice, in quarters a minute */
    practice: number | null
    /** the same for passages that have one of their own, by name */
    practiceOf: Record<string, number>
    /** whether the marks that are printed are theirs, as they said; null where none are printed */
    printIsMine: boolean | null
    /** since when nothing is decided any more */
    final: string | null
    /** who says how it is bowed */
    prescribedBy: string | null
    /** what is left, in words */
    left: string[]
    words: Words
}

/** A part on the page of its piece. */
export interface PiecePart {
    id: number
    name: string
    instrument: Instrument
    section: number | null
    putAway: boolean
    /** the part that it was made from */
    derivedFrom: number | null
    /** how many its notes have had; 0 where they never changed */
    editions: number
    /** of its section; 0 where nobody said */
    stands: number
    /** how many sit there, where it is not two at every stand */
    players: number | null
    /** measures that it bows otherwise than the part that it was made from */
    otherwise: string[]
    /** measures with bows of that part for notes that it does not have */
    gone: string[]
}

/** A piece and its parts, by name. */
export interface PieceParts {
    title: string
    parts: PartName[]
}

/** What is proposed in all parts of a piece. */
export interface PieceProposals {
    parts: PartProposals[]
}

export type Placement = 'open' | 'low' | 'regular' | 'high' | 'extended' | 'harmonic'

/** The plan of a rehearsal. */
export interface Plan {
    id: number
    name: string
    /** the day */
    on: string
    minutes: number
    /** of what is taken: never more than there are minutes */
    seconds: number
    /** somebody put it in order; false: it is proposed */
    chosen: boolean
    items: PlanItem[]
    /** what did not fit */
    leftOut: PlanItem[]
    /** what could be taken besides */
    pool: PlanItem[]
}

/** One thing to be rehearsed. */
export interface PlanItem {
    key: string
    kind: 'tune' | 'reach' | 'again' | 'settle' | 'note' | 'line-up' | 'own'
    /** null: something that somebody typed */
    piece: number | null
    title: string
    words: string
    /** first measure */
    from: string
    to: string
    passes: number
    /** seconds */
    talk: number
    /** seconds of playing it once, at the tempo of practice */
    once: number
    /** all of it */
    seconds: number
}

/** What was played to a click, written down. */
export interface Played {
    /** the measures of a manuscript, JSON; their notes have no names yet */
    typed: string
}

/** A part for some of its players. */
export interface PlayersName {
    key: string
    name: string
}

/** What may be practised in a passage of a part. */
export interface Practice {
    part: number
    name: string
    piece: number
    title: string
    ensemble: string
    /** whether sheets may be chosen for students */
    decides: boolean
    notation: boolean
    from: string
    to: string
    /** in which something is written */
    measures: MeasureStart[]
    /** all kinds, in the order in which they are done */
    offered: OfferedPractice[]
    kept: KeptPractice[]
    words: Words
}

/** One thing to practise, in words. */
export interface PracticeDone {
    /** of exercise */
    kind: string
    title: string
    /** what is done */
    say: string
    /** when to go on */
    goOn: string
    /** “at 58, 72” */
    pace: string
    times: number
    rest: number
    /** with the rest after it */
    seconds: number
    caution: string | null
}

/** Exercises for a passage: in words, and for those who may see notes as music and as it is heard. */
export interface PracticeSheet {
    /** that tells it apart from others of the part */
    key: string
    /** “Measures 5–8” */
    title: string
    from: string
    to: string
    /** of all of it */
    seconds: number
    steps: PracticeDone[]
    /** what did not fit the minutes */
    leftOut: PracticeDone[]
    /** MusicXML; null: words only */
    music: string | null
    heard: Heard | null
    /** how the hand goes, to be shown large */
    hand: Hand | null
    /** titles of what not all sections have alike, where it is for all of them */
    apart: string[]
}

/** A place that players work at by themselves, noted in rehearsal. */
export interface PracticeStep {
    /** the first */
    measure: string
    /** the last */
    to: string
    words: string
}

/** How fast a piece is practised, and how fast it will be played: quarters a minute. */
export interface PracticeTempo {
    concert: number
    /** null: nobody said */
    practice: number | null
    /** those that have a tempo of their own */
    passages: PassageTempo[]
}

/** A lesson line that prepares what is not ready yet. */
export interface Prepared {
    piece: number
    title: string
    what: string[]
    /** in which that comes */
    measures: string[]
}

/** Sections of the map as they would be. */
export interface Previewed {
    parts: MapPart[]
}

/** A measure as it is printed, where something else is typed over it. */
export interface PrintedMeasure {
    /** id of the first note that is typed over it */
    note: string
    measure: string
    /** MusicXML of this measure alone */
    music: string
}

/** A class profile and what it can hold. */
export interface Profile {
    ensemble: string
    /** what holds where a section or group says nothing of its own */
    base: Record<string, unknown>
    /** all that holds */
    settings: Record<string, unknown>
    /** of the ensemble itself */
    style: Record<string, string>
    /** how its director writes where the ensemble says nothing */
    directors: Record<string, string>
    /** whose way that is; null: of the one who asks, who may change it */
    writer: string | null
    /** whose profile it is; null: the whole class's */
    section: number | null
    /** each with its groups after it */
    sections: Section[]
    levels: LevelDefaults[]
    /** all that can be taught */
    instruments: Taught[]
    /** position => as it is written */
    numerals: Record<number, string>
    terms: Term[]
    /** newest first */
    versions: ProfileVersion[]
    sample: ProfileSample | null
}

/** What a class profile would change in a part. */
export interface ProfileChange {
    title: string
    part: string
    /** notes with another finger, string or place of the hand */
    fingers: number
    /** notes with another direction or action */
    bows: number
}

/** A part that is shown beside the settings. */
export interface ProfileSample {
    title: string
    part: string
    /** the print, as MusicXML */
    music: string
    musicName: string
}

/** What a class profile would change. */
export interface ProfileTrial {
    /** the marks of the part that is shown */
    layer: Mark[]
    changes: ProfileChange[]
    /** parts that were looked through */
    looked: number
    /** that there are */
    parts: number
}

/** A class profile as somebody left it. */
export interface ProfileVersion {
    id: number
    by: string
    /** date and time */
    at: string
    settings: Record<string, unknown>
    style: Record<string, string>
    /** what it was taken from */
    note: string | null
}

/** What is proposed, as the decisions that take it. */
export interface Proposals {
    decisions: Decision[]
    /** what is doubtful */
    leftOut: LeftOut[]
}

/** What is new in a part. */
export interface Pulse {
    /** number of the newest entry of its record */
    seq: number
    /** the newest first */
    suggestions: Suggestion[]
}

/** Versions of a span, side by side until one is taken. */
export interface Question {
    id: string
    /** ids of those that its versions name, in the order of the page */
    notes: string[]
    measure: string
    to: string
    listen: string
    /** null: it is open */
    taken: string | null
    versions: Version[]
}

/** A part as it was read. */
export interface ReadPart {
    id: string
    name: string
    instrument: Instrument
    /** name, clef or range */
    guessedFrom: 'name' | 'clef' | 'range'
    /** false: it is a part for something else */
    strings: boolean
    measures: number
    playedMeasures: number
    notes: number
    /** small notes for orientation, which are not counted among its notes */
    cues: number
    /** notes without a pitch */
    unpitched: number
    /** how many players' lines it holds */
    voices: number
    /** lowest and highest pitch */
    range: [string, string] | null
    keys: string[]
    meters: string[]
}

/** What was understood of a file, before anything is kept. */
export interface Reading {
    title: string
    composer: string
    parts: ReadPart[]
    /** what bears on the notes first */
    warnings: Warning[]
    /** titles of all tunes of the file, where it holds several */
    tunes: string[]
}

/** One entry of a part’s record, in words. */
export interface RecordLine {
    seq: number
    by: string
    at: string
    /** what was done */
    what: 'decide' | 'undo' | 'redo'
    /** what was decided, at most a few */
    words: string[]
    /** how many */
    decisions: number
    reason: string | null
    /** whether it counts now */
    counts: boolean
    /** decided for this place only */
    once: boolean
}

/** Why an entry is not in the record. */
export interface Refusal {
    message: string
    /** what others decided about the same notes */
    theirs: TheirEntry[]
    /** it names an entry that is not there */
    outOfOrder: boolean
}

/** A piece in rehearsal. */
export interface Rehearsal {
    piece: number
    title: string
    ensemble: string
    measures: RehearsedMeasure[]
    parts: RehearsedPart[]
    /** the newest first */
    notes: NoteOfRehearsal[]
    again: NotedAgain[]
    toSettle: ToSettle[]
    /** passages, as far as notes show it */
    neverReached: string[]
    words: Words
}

/** A measure of the piece, for whoever stands before the class. */
export interface RehearsedMeasure {
    measure: string
    /** at the tempo of practice */
    seconds: number
    letter?: string
}

/** A part in rehearsal: what stands in its measures, so that a note completes itself. */
export interface RehearsedPart {
    id: number
    name: string
    decides: boolean
    /** measure => what is marked in it, in words */
    marks: Record<string, string[]>
}

/** What would bring sections into line; it has been tried. */
export interface Remedy {
    words: string
    parts: PartDecisions[]
}

export type Rights = 'own' | 'public-domain' | 'licensed' | 'printed-only'

export type Role = 'director' | 'co-teacher' | 'coach'

/** A key of a piece of the next concert. */
export interface ScaleKey {
    key: string
    name: string
    title: string
}

/** Scales of one instrument that start on one finger and have one pattern. */
export interface ScalePattern {
    instrument: string
    /** the finger */
    starts: string
    /** where the half steps lie, string by string */
    patterns: string
    /** “G: A, B♭; D: E, F” */
    where: string
}

/** One-octave major scales of a class by the finger that they start on. */
export interface ScalePatterns {
    patterns: ScalePattern[]
}

/** A scale as one instrument plays it. */
export interface ScaleSection {
    instrument: string
    /** “open D”, “1 on G” */
    starts: string
    /** on the way up */
    fingers: string
    /** “D 2-3, A 2-3” */
    patterns: string
}

/** Scales for a class: as music, as it is heard, and in a table by their patterns. */
export interface Scales {
    ensemble: string
    title: string
    /** as many as all of them have */
    octaves: number
    music: string
    heard: Heard
    /** of the first key */
    sections: ScaleSection[]
    /** keys of the next concert */
    concert: ScaleKey[]
    words: Words
}

/** A school that somebody belongs to. */
export interface School {
    id: number
    name: string
    administers: boolean
}

/** Somebody on a school's staff. */
export interface SchoolPerson {
    id: number
    name: string
    email: string
    administrator: boolean
}

/** A school, for those who administer it. */
export interface SchoolSettings {
    id: number
    name: string
    /** after which whoever does nothing is signed out; null: as long as the session lasts */
    idleMinutes: number | null
    /** that the audit list is kept; null: as long as the installation keeps it */
    auditDays: number | null
    /** days that the installation keeps it */
    longestAudit: number
    /** where its days are reckoned; null: as on the server */
    timeZone: string | null
    serverZone: string
    people: SchoolPerson[]
}

/** A secret on its way to somebody's telephone. */
export interface Secret {
    secret: string
    /** what the QR code holds */
    address: string
}

/** A section, or a group of its players. */
export interface Section {
    id: number
    /** that a group belongs to; null: it is a section */
    section: number | null
    name: string
    instrument: Instrument
    /** how many there are; 0 where nobody said */
    stands: number
    /** it was taught something else than its class or section */
    own: boolean
}

/** What a section has to know of a passage. */
export interface SectionLine {
    passage: string
    from: string
    to: string
    part: number
    kind: 'rests' | 'as before' | 'new' | 'exception'
    text: string
    /** the line that it takes the place of */
    workedOut: string
    edited: boolean
    /** what it was written about has changed */
    stale: boolean
    /** its first; null: it rests */
    note: string | null
}

/** Who is signed in. */
export interface Session {
    director: Director | null
    /** nobody has an account yet */
    empty: boolean
    /** the password was right, and the code beside it is wanted */
    owesCode: boolean
    /** after which whoever does nothing is signed out */
    idleMinutes: number | null
    /** this installation sends mail */
    mails: boolean
    words: Words
    /** where the days of their school are reckoned */
    timeZone: string | null
}

/** What a student sees: one marked part, and nothing of the rest. */
export interface Shared {
    title: string
    composer: string
    part: string
    ensemble: string
    handout: HandoutName
    /** whether the print may be shown */
    notation: boolean
    layer?: Mark[]
    /** only where what nobody decided is shown too */
    hand?: Hand
    sheet?: SheetLine[]
    performance?: Performance
    words?: Words
    /** what its players have to know of each passage */
    lines?: SectionLine[]
    /** the print, where something else is typed over it */
    printed?: PrintedMeasure[]
    /** where each is */
    measures?: MeasureStart[]
    tempo?: PracticeTempo
    /** the concert */
    occasion?: Occasion
    /** places to work at */
    practice?: PracticeStep[]
    /** to practise from; their notes are a file of their own */
    sheets?: PracticeSheet[]
    /** where the days of its school are reckoned */
    zone?: string
}

/** A transfer sheet. */
export interface Sheet {
    sheet: SheetLine[]
    /** measures with which the lines of the printed page begin */
    lines: string[]
}

/** One thing to pencil into a printed part. */
export interface SheetLine {
    /** empty where the whole part is meant */
    measure: string
    /** the last measure, where it is another */
    to: string | null
    beat: string
    /** ids */
    notes: string[]
    pitch: string
    /** what is rubbed out */
    erase: string | null
    /** the sign */
    write: string | null
    /** “bow”, or as the kind of mark is called */
    kind: string
    words: string
    /** of the printed page, where its line starts are known */
    line: number | null
    /** why it was decided, where somebody said so */
    reason: string | null
    /** it may be there already: it is looked for first */
    check: boolean
}

/** Everything somebody has a part in. */
export interface Shelf {
    ensembles: ShelfEnsemble[]
    /** in which an ensemble can be opened */
    schools: School[]
    /** what they are typing, the newest first */
    drafts: Draft[]
    last: Worked | null
    habit: ShelfHabit | null
}

/** An ensemble on the shelf. */
export interface ShelfEnsemble {
    id: number
    name: string
    school: string
    year: string
    putAway: boolean
    /** what the person who asks is in it */
    role: Role
    /** names it, brings music in, asks people in */
    directs: boolean
    level: Level | null
    /** what is wrong with its class profile; then its level is not known */
    fault: string | null
    /** that are still to come */
    occasions: Occasion[]
    pieces: ShelfPiece[]
}

/** The one proposal of the day about how somebody marks. */
export interface ShelfHabit {
    ensemble: number
    name: string
    what: string
    sentence: string
    evidence: string
}

/** A part on the shelf. */
export interface ShelfPart {
    id: number
    name: string
    instrument: Instrument
    measures: number
    decisions: number
    /** that are open */
    links: number
    /** number of the newest; null: nothing is handed out */
    handout: number | null
    /** entries since then */
    since: number
    /** that are left; null: it was never worked out */
    findings: number | null
    /** places kept in several versions */
    toSettle: number
    /** notes with marks that nobody has taken */
    proposed: number
}

/** A piece or lesson line on the shelf. */
export interface ShelfPiece {
    id: number
    title: string
    composer: string
    /** piece or line */
    kind: 'piece' | 'line'
    rights: Rights
    bowing: BowingSchool | null
    putAway: boolean
    /** that it is for */
    concert: string | null
    next: NextStep
    parts: ShelfPart[]
}

/** Notes that were moved by octaves so that the instrument has them; by none where it does not. */
export interface Shift {
    measure: string
    last: string
    notes: number
    octaves: number
    because: string
}

/** What to know of a part before marking it. */
export interface SizeUp {
    keys: string[]
    meters: string[]
    measures: number
    entered: number
    summary: Summary
    firsts: First[]
    patterns: Pattern[]
    troubleSpots: Spot[]
    tuning: TuningSpot[]
}

/** An entry of a record that today's code does not understand, or that names nothing in the part: it is kept and counts for nothing. */
export interface Skipped {
    why: string
}

/** What a player changes on one page so that it reads as another. */
export interface Slip {
    from: SlipEnd
    to: SlipEnd
    lines: SheetLine[]
    /** measures whose notes are others by now */
    otherNotes: string[]
}

/** One of the two pages that a slip is between. */
export interface SlipEnd {
    /** a handout, what old copies have, nothing, or what is decided now */
    what: 'handout' | 'old' | 'bare' | 'now'
    handout?: number
    /** of the handout */
    number?: number
    /** when it was handed out */
    at?: string
}

/** From one measure to another, both included, as they are printed. */
export interface Span {
    from: string
    to: string
}

/** A trouble spot. */
export interface Spot {
    code: string
    seriousness: number
    message: string
    drill: string | null
    times: number
    measures: string[]
    /** id */
    note: string
    measure: string
    beat: number
}

/** A note on one string: open, or stopped by a finger. */
export interface Stop {
    /** 0 is the lowest string */
    string: number
    /** semitones above the open string */
    offset: number
    finger: number
    /** offset of the regular first finger */
    hand: number
}

/** What somebody would decide. */
export interface Suggestion {
    /** of its entry */
    key: string
    by: string
    at: string
    /** whoever looks suggested it */
    mine: boolean
    /** what it is, a sentence a decision */
    words: string[]
    /** the first that it is about */
    note: string | null
    /** as they would be decided */
    decisions: Decision[]
    /** null: it is open */
    answer: 'taken' | 'left' | null
    /** the reason that was given */
    why: string
}

/** A part in figures. */
export interface Summary {
    lowest: Extreme | null
    highest: Extreme | null
    highestPosition: HighestPosition | null
    shifts: number
    crossingsUnderSlurs: number
    extensions: number
    /** what the class has not been taught */
    new: string[]
}

/** A part is silent. */
export interface Tacet {
    part: string
    from: string
    to: string
}

/** A habit that was made the rule, and still is. */
export interface TakenHabit {
    /** names it */
    what: string
    sentence: string
    /** date and time */
    at: string
}

/** What an instrument is taught, or can be. */
export interface Taught {
    instrument: Instrument
    /** half is 0.5 */
    positions: number[]
    /** “low 2”, “extended 4”, “harmonic” */
    placements: string[]
}

/** Where to tune, where to begin, and what each section has to know. */
export interface Teaching {
    tuning: TuningPlace[]
    begin: Beginning[]
    lines: SectionLine[]
    divided: Divided[]
}

/** One thing that fingerings or bowings are chosen by, and that a class may weigh otherwise. */
export interface Term {
    of: 'hand' | 'bow'
    name: string
    sentence: string
}

/** What somebody else decided. */
export interface TheirEntry {
    /** its place in the record */
    seq: number
    by: string
    at: string
    decisions: Decision[]
}

/** A place that is kept in versions until the class has played them. */
export interface ToSettle {
    part: number
    name: string
    /** with what each version decides */
    question: Question
    /** the same in words, a sentence a version */
    said: string[]
    /** newest entry of the part's record */
    seq: number
    decides: boolean
}

/** What a section has against the note to tune to. */
export interface TuningAgainst {
    part: string
    pitch: string
    interval: string
}

/** How a section has the note to tune to. */
export interface TuningHolder {
    /** its name */
    part: string
    pitch: string
    string: string | null
    finger: string | null
    open: boolean
    /** with the lowest */
    compare: string
    risk: string | null
}

/** Where to stop and tune. */
export interface TuningPlace {
    measure: string
    beat: number
    pitch: string
    seconds: number
    everybody: boolean
    parts: TuningHolder[]
    against: TuningAgainst[]
    /** the measure to come from */
    start: string | null
    drill: string | null
}

/** A place where the sections can tune. */
export interface TuningSpot {
    pitch: string
    measure: string
    to: string
    seconds: number
    sections: string[]
}

/** What somebody typed, as it is kept now. */
export interface Typed {
    key: string
    revision: number
    ensemble: number
    /** that it corrects */
    part: number | null
    /** that it becomes a part of */
    piece: number | null
    /** the manuscript, JSON; empty where only what was understood is asked */
    typed: string
    /** of its measures, as the print names them */
    names: string[]
    warnings: Warning[]
    /** why it is not music yet */
    fault: string | null
}

/** One version of a span. */
export interface Version {
    name: string
    /** what takes it */
    decisions: Decision[]
}

/** One player's line of a part for more. */
export interface Voice {
    staff: number
    voice: string
}

/** Something in a file that was not understood, with all the places where it is so. */
export interface Warning {
    /** of the first place */
    message: string
    /** how many there are */
    count: number
    /** it bears on the notes */
    matters: boolean
    places: WarningPlace[]
}

/** Where something in a file was not understood. */
export interface WarningPlace {
    part: string | null
    measure: string | null
    line: number | null
}

/** Another way to finger a stretch, and how it compares with the chosen one. */
export interface Way {
    /** points more */
    extra: number
    notes: WayNote[]
    /** what would be decided to take it */
    decisions: Decision[]
    gains: string[]
    costs: string[]
}

/** One note of another way to finger a stretch. */
export interface WayNote {
    id: string
    pitch: string | null
    string: string
    finger: number
    placement: Placement
    position: number
}

/** Other ways to finger a span. */
export interface Ways {
    /** in order of cost */
    ways: Way[]
}

/** Why a note is fingered as it is; null where there is no other way. */
export interface Why {
    instead: Way | null
    withoutShift: Way | null
}

/** The words of a house style, for what the page says itself. */
export interface Words {
    /** our term => the word for it, where it is another */
    terms: Record<string, string>
}

/** Where somebody worked last. */
export interface Worked {
    part: number
    title: string
    name: string
    note: string | null
    at: string
}
