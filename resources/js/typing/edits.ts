import { beatTicks, CLEF_OF, diatonic, filled, isCompound, keyAlter, meterTicks, midi, MIDDLE_OF, named, newId, signatures, spelled, ticks, type Accidental, type Head, type Manuscript, type TypedMeasure, type TypedNote, type Value } from './manuscript'

/** Where the next key goes: before a note of a measure (a bar between notes), or on it. */
export interface Caret {
    measure: number
    note: number
    on: boolean
}

/** What the next note will be like. */
export interface Coming {
    as: Value
    /** One note of another value comes before that, to fill the beat after a dot. */
    once: Value | null
    /** In six-eight a dot holds until another length is asked for. */
    dotted: boolean
    /** Notes left of the triplet under way. */
    triplet: number
    /** The next note is a grace note. */
    grace: boolean
}

/** A note of a measure. */
export interface Place {
    measure: number
    note: number
}

export interface Sheet {
    manuscript: Manuscript
    caret: Caret
    coming: Coming
}

export const BEGINNING: Coming = { as: 4, once: null, dotted: false, triplet: 0, grace: false }

const notesOf = (sheet: Sheet, measure = sheet.caret.measure): TypedNote[] => sheet.manuscript.measures[measure]?.notes ?? []

const fullAt = (sheet: Sheet, measure: number): number => meterTicks(signatures(sheet.manuscript.measures)[measure]?.meter ?? '4/4')

/** The same sheet with some of its measures replaced. */
export function withMeasures(sheet: Sheet, at: number, count: number, measures: TypedMeasure[]): Sheet {
    const all = [...sheet.manuscript.measures]
    all.splice(at, count, ...measures)
    return { ...sheet, manuscript: { ...sheet.manuscript, measures: all } }
}

/** Fields that say nothing are not written. */
function cleaned<T extends object>(thing: T): T {
    return Object.fromEntries(Object.entries(thing).filter(([, value]) => value !== undefined && value !== 0 && value !== '' && !(Array.isArray(value) && value.length === 0))) as T
}

/** A key signature of none, and a dot of none, are different: the first is said. */
function cleanedMeasure(measure: TypedMeasure, change: Partial<TypedMeasure>): TypedMeasure {
    const made = cleaned({ ...measure, ...change })
    const key = 'key' in change ? change.key : measure.key
    return key === undefined ? made : { ...made, key }
}

export const changeMeasure = (sheet: Sheet, at: number, change: Partial<TypedMeasure>): Sheet => {
    const measure = sheet.manuscript.measures[at]
    return measure ? withMeasures(sheet, at, 1, [cleanedMeasure(measure, change)]) : sheet
}

function withNotes(sheet: Sheet, measure: number, notes: TypedNote[]): Sheet {
    const old = sheet.manuscript.measures[measure]
    return old ? changeMeasure(sheet, measure, { notes, blank: undefined }) : sheet
}

/** The note that signs go to: the one under the caret, or the one typed last before it. */
export function current(sheet: Sheet): Place | null {
    const { measure, note, on } = sheet.caret
    if (on) {
        return notesOf(sheet)[note] ? { measure, note } : null
    }
    for (let at = measure, last = note - 1; at >= 0; at--, last = notesOf(sheet, at).length - 1) {
        if (last >= 0) {
            return { measure: at, note: last }
        }
        if (sheet.manuscript.measures[at]?.blank || sheet.manuscript.measures[at]?.sealed) {
            return null
        }
    }
    return null
}

export const noteAt = (sheet: Sheet, place: Place | null): TypedNote | null => (place ? (notesOf(sheet, place.measure)[place.note] ?? null) : null)

/** Changes the current note. */
export const change = (sheet: Sheet, how: (note: TypedNote) => Partial<TypedNote>): Sheet => changeAt(sheet, current(sheet), how)

function changeAt(sheet: Sheet, place: Place | null, how: (note: TypedNote) => Partial<TypedNote>): Sheet {
    const note = noteAt(sheet, place)
    if (!place || !note) {
        return sheet
    }
    return withNotes(sheet, place.measure, notesOf(sheet, place.measure).map((one, index) => (index === place.note ? cleaned({ ...note, ...how(note) }) : one)))
}

/** Ready for another note at the caret: where the measure is full, in the next one, which is made where there is none. */
function ready(sheet: Sheet): Sheet {
    const { caret, manuscript } = sheet
    const measure = manuscript.measures[caret.measure]
    const atEnd = caret.note >= (measure?.notes?.length ?? 0)
    const full = fullAt(sheet, caret.measure)
    if (measure && !measure.sealed && !(atEnd && filled(measure, full) >= full)) {
        return sheet
    }
    const made = caret.measure + 1 < manuscript.measures.length ? sheet : withMeasures(sheet, manuscript.measures.length, 0, [{ id: newId('x') }])
    return ready({ ...made, caret: { measure: nextToType(made, caret.measure), note: 0, on: false } })
}

/** The measure that is typed after another: the next or, where that was not meant to be entered, the first of the passage that follows. */
function nextToType({ manuscript: { measures } }: Sheet, after: number): number {
    const passage = measures[after + 1]?.blank ? measures.findIndex((measure, index) => index > after && isFree(measure)) : -1
    return passage === -1 ? after + 1 : passage
}

const isFree = ({ blank, sealed, notes }: TypedMeasure): boolean => !blank && sealed === undefined && !notes?.length

/** To the first measure that waits for notes; to the end where none does. */
export function toFree(sheet: Sheet): Sheet {
    const free = sheet.manuscript.measures.findIndex(isFree)
    return free === -1 ? toEnd(sheet) : { ...sheet, caret: { measure: free, note: 0, on: false } }
}

/** From now on these measures are to be entered, or (where they are) not any more. */
export function enter(sheet: Sheet, from: number, to: number, entered: boolean): Sheet {
    let made = sheet
    for (let measure = Math.max(0, from); measure <= Math.min(to, sheet.manuscript.measures.length - 1); measure++) {
        made = changeMeasure(made, measure, entered ? { blank: undefined } : { blank: true, notes: undefined })
    }
    return { ...made, caret: { measure: Math.max(0, Math.min(from, sheet.manuscript.measures.length - 1)), note: 0, on: false } }
}

/** How far from the middle line a letter may lead by itself: up to where a violin's part needs its highest ledger lines. */
const [LOWEST, HIGHEST] = [-11, 17]

/** The octave in which a letter is nearest to what came before, not off the staff by more than a part is. */
function nearest(letter: string, to: number, middle: number): string {
    const octaves = Array.from({ length: 9 }, (_, octave) => `${letter}${octave}`).filter((at) => diatonic(at) >= middle + LOWEST && diatonic(at) <= middle + HIGHEST)
    return octaves.reduce((best, at) => (Math.abs(diatonic(at) - to) < Math.abs(diatonic(best) - to) ? at : best))
}

const middleAt = (sheet: Sheet): number => MIDDLE_OF[signatures(sheet.manuscript.measures)[sheet.caret.measure]?.clef ?? 'treble']

/** Letters above C0 of the last head before the caret; the middle line where there is none. */
function reference(sheet: Sheet): number {
    for (let measure = sheet.caret.measure, last = sheet.caret.note - 1; measure >= 0; measure--, last = notesOf(sheet, measure).length - 1) {
        for (let note = last; note >= 0; note--) {
            const head = notesOf(sheet, measure)[note]?.heads?.[0]
            if (head) {
                return diatonic(head.at)
            }
        }
    }
    return middleAt(sheet)
}

/** A note by its letter, in the nearest octave. */
export const typeLetter = (sheet: Sheet, letter: string): Sheet => {
    const ahead = sheet.caret.on ? sheet : ready(sheet)
    return typeAt(ahead, nearest(letter, reference(ahead), middleAt(ahead)))
}

/** A note at a place on the staff. */
export function typeAt(sheet: Sheet, at: string): Sheet {
    return put(sheet, sheet.manuscript.rhythm ? { id: newId('n') } : { heads: [{ id: newId('n'), at }] })
}

/** A note by its sound: spelled as the key has it, else with the sign that the key leans to. */
export function typeSound(sheet: Sheet, sounding: number): Sheet {
    const ahead = sheet.caret.on ? sheet : ready(sheet)
    const key = signatures(ahead.manuscript.measures)[ahead.caret.measure]?.key ?? 0
    const { at, alter } = spelled(sounding, key)
    const made = typeAt(ahead, at)
    const place = ahead.caret.on ? ahead.caret : current(made)
    if (!place || ahead.manuscript.rhythm || midi(made.manuscript.measures, place.measure, place.note, 0, key) === sounding) {
        return made
    }
    return changeAt(made, place, ({ heads = [] }) => ({ heads: heads.map((head, index) => (index === 0 ? { ...head, sign: RAISED[String(alter)] ?? 'n' } : head)) }))
}

/** A further head of the chord before, by its sound. */
export function typeSoundInChord(sheet: Sheet, sounding: number): Sheet {
    const place = current(sheet)
    const key = signatures(sheet.manuscript.measures)[place?.measure ?? 0]?.key ?? 0
    const { at, alter } = spelled(sounding, key)
    return change(sheet, ({ heads }) => (heads?.length && !heads.some((head) => head.at === at) ? { heads: [...heads, { id: newId('n'), at, ...(alter === keyAlter(at.charAt(0), key) ? {} : { sign: RAISED[String(alter)] ?? 'n' }) }] } : {}))
}

/** A rhythm becomes a line: every note on the middle of the staff, where letters are typed over them one after the other. */
export function withPitches(sheet: Sheet): Sheet {
    const { rhythm, ...manuscript } = sheet.manuscript
    const clef = CLEF_OF[manuscript.instrument ?? 'violin'] ?? 'treble'
    const middle = named(MIDDLE_OF[clef])
    const measures = manuscript.measures.map((measure, index) => ({
        ...measure,
        ...(index === 0 || measure.clef ? { clef } : {}),
        ...(index === 0 ? { key: measure.key ?? 0 } : {}),
        ...(measure.notes ? { notes: measure.notes.map(({ id = newId('n'), ...note }) => (note.rest ? { ...note, id } : { ...note, heads: [{ id, at: middle }] })) } : {}),
    }))
    const first = measures.findIndex(({ notes }) => notes?.length)
    return rhythm ? { ...sheet, manuscript: { ...manuscript, measures }, caret: { measure: Math.max(0, first), note: 0, on: first !== -1 } } : sheet
}

/** Measures that were played, after what is there; the measure of the caret makes room where it is empty. */
export function takePlayed(sheet: Sheet, measures: readonly TypedMeasure[]): Sheet {
    const { measure } = sheet.caret
    const free = !notesOf(sheet).length
    const made = copies(measures)
    if (made.length === 0) {
        return sheet
    }
    const [first, ...others] = made
    const put = free && first ? withMeasures(withNotes(sheet, measure, first.notes ?? []), measure + 1, 0, others) : withMeasures(sheet, measure + 1, 0, made)
    const last = measure + made.length - (free ? 1 : 0)
    return { ...put, caret: { measure: last, note: notesOf(put, last).length, on: false } }
}

export const typeRest = (sheet: Sheet): Sheet => put(sheet, { id: newId('n'), rest: true })

/** A note of a rhythm. */
export const typeLength = (sheet: Sheet, as: Value): Sheet => put({ ...sheet, coming: { ...sheet.coming, as, once: null, dotted: false } }, { id: newId('n') })

/** A rest that fills the measure, and on to the next. */
export function typeFullRest(sheet: Sheet): Sheet {
    const ahead = ready({ ...sheet, caret: { ...sheet.caret, on: false } })
    const { measure } = ahead.caret
    if (notesOf(ahead, measure).length > 0) {
        return sheet
    }
    return { ...withNotes(ahead, measure, [{ id: newId('n'), rest: true, full: true }]), caret: { measure, note: 1, on: false } }
}

function put(sheet: Sheet, what: TypedNote): Sheet {
    return sheet.caret.on ? over(sheet, what) : inserted(ready(sheet), what)
}

/** In place of the note under the caret, which goes on to the next. Its length and its name stay, and with them what was decided. */
function over(sheet: Sheet, what: TypedNote): Sheet {
    const { measure, note } = sheet.caret
    const old = notesOf(sheet)[note]
    if (!old) {
        return inserted(ready({ ...sheet, caret: { ...sheet.caret, on: false } }), what)
    }
    const id = old.heads?.[0]?.id ?? old.id ?? newId('n')
    const bare: TypedNote = { ...old }
    delete bare.id
    delete bare.heads
    delete bare.rest
    delete bare.full
    const named: TypedNote = what.heads ? { heads: what.heads.map((head, index) => (index === 0 ? { ...head, id } : head)) } : { ...what, id }
    const value = old.full ? { as: sheet.coming.as } : {}
    const made = cleaned({ ...bare, ...value, ...named, ...(what.rest ? { tie: undefined, slurs: undefined } : {}) })
    return right({ ...withNotes(sheet, measure, notesOf(sheet).map((one, index) => (index === note ? made : one))), caret: { measure, note, on: true } })
}

function inserted(sheet: Sheet, what: TypedNote): Sheet {
    const { caret, coming } = sheet
    const notes = [...notesOf(sheet)]
    const triplet = coming.triplet > 0 && !coming.grace
    const end = triplet && coming.triplet === 3 ? 'start' : triplet && coming.triplet === 1 ? 'stop' : undefined
    const value: Partial<TypedNote> = { as: coming.once ?? coming.as, ...(coming.dotted && coming.once === null && !triplet ? { dots: 1 } : {}) }
    notes.splice(caret.note, 0, cleaned({ ...what, ...value, ...(triplet ? { in: [3, 2] as [number, number] } : {}), tuplet: end, ...(coming.grace ? { grace: true as const, as: 8 as Value } : {}) }))
    return {
        ...withNotes(sheet, caret.measure, notes),
        caret: { ...caret, note: caret.note + 1, on: false },
        // A dot that follows says what comes by itself.
        coming: { ...coming, once: coming.grace ? coming.once : shortAfterLong(sheet), triplet: triplet ? coming.triplet - 1 : 0, grace: false },
    }
}

/** In six-eight a quarter on the beat is followed by the eighth that fills it, until another length is asked for. */
function shortAfterLong(sheet: Sheet): Value | null {
    const { caret, coming } = sheet
    const { meter } = signatures(sheet.manuscript.measures)[caret.measure] ?? { meter: '4/4' }
    const unit = beatTicks(meter)
    const onset = notesOf(sheet).slice(0, caret.note).reduce((sum, one) => sum + ticks(one, meterTicks(meter)), 0)
    const long = coming.once === null && !coming.dotted && coming.triplet === 0 && isCompound(meter) && ticks({ as: coming.as }, 0) === 2 * unit && onset % (3 * unit) === 0
    return long ? ((coming.as * 2) as Value) : null
}

/** A further head of the same chord: the nearest place above. */
export function typeInChord(sheet: Sheet, letter: string): Sheet {
    return change(sheet, (note) => {
        const top = Math.max(...(note.heads ?? []).map(({ at }) => diatonic(at)))
        if (!note.heads?.length) {
            return {}
        }
        const at = Array.from({ length: 7 }, (_, step) => named(top + 1 + step)).find((one) => one.startsWith(letter))
        return at ? { heads: [...note.heads, { id: newId('n'), at }] } : {}
    })
}

/** A length for the notes to come or, with the caret on a note, for that one. */
export function setLength(sheet: Sheet, as: Value): Sheet {
    const coming = { ...sheet.coming, as, once: null, dotted: false }
    return sheet.caret.on ? change({ ...sheet, coming }, () => ({ as, full: undefined })) : { ...sheet, coming }
}

/** A dot; the note that comes next then fills the beat, where the dotted one leaves it open. */
export function dot(sheet: Sheet): Sheet {
    const place = current(sheet)
    const before = noteAt(sheet, place)
    if (!place || !before || before.full) {
        return sheet
    }
    const dots = ((before.dots ?? 0) + 1) % 3
    const dotted = change(sheet, () => ({ dots }))
    if (sheet.caret.on) {
        return dotted
    }
    const { meter } = signatures(sheet.manuscript.measures)[place.measure] ?? { meter: '4/4' }
    const reached = notesOf(dotted, place.measure)
        .slice(0, place.note + 1)
        .reduce((sum, one) => sum + ticks(one, meterTicks(meter)), 0)
    const open = !isCompound(meter) && dots > 0 && reached % beatTicks(meter) !== 0
    const once = open ? ((before.as ?? 4) * 2 ** dots) as Value : null
    return { ...dotted, coming: { ...dotted.coming, once, dotted: isCompound(meter) && dots === 1 } }
}

const RAISED: Record<string, Accidental> = { '-2': 'bb', '-1': 'b', '0': 'n', '1': '#', '2': '##' }
const ALTER: Record<Accidental, number> = { bb: -2, b: -1, n: 0, '#': 1, '##': 2 }

/** Half a step up or down from what the key says; back on it, the sign goes. */
export function alter(sheet: Sheet, by: 1 | -1): Sheet {
    const place = current(sheet)
    const key = signatures(sheet.manuscript.measures)[place?.measure ?? 0]?.key ?? 0
    return changeHead(sheet, (head) => {
        const usual = keyAlter(head.at.charAt(0), key)
        const now = (head.sign ? ALTER[head.sign] : usual) + by
        const sign = RAISED[String(now)]
        return sign ? { id: head.id, at: head.at, ...(now === usual ? {} : { sign }) } : head
    })
}

/** Writes the sign that a head has by its key, or takes it away: a reminder in the print, or a sign that no longer holds. */
export function remind(sheet: Sheet): Sheet {
    const place = current(sheet)
    const key = signatures(sheet.manuscript.measures)[place?.measure ?? 0]?.key ?? 0
    return changeHead(sheet, (head) => {
        const sign = RAISED[String(keyAlter(head.at.charAt(0), key))]
        return head.sign || !sign ? { id: head.id, at: head.at } : { ...head, sign }
    })
}

export const octave = (sheet: Sheet, by: 1 | -1): Sheet => step(sheet, 7 * by)

export const step = (sheet: Sheet, by: number): Sheet =>
    changeHead(sheet, (head) => {
        const moved = diatonic(head.at) + by
        return moved < 7 || moved > 62 ? head : { ...head, at: named(moved) }
    })

/** The head that was added last. */
function changeHead(sheet: Sheet, how: (head: Head) => Head): Sheet {
    return change(sheet, ({ heads }) => (heads?.length ? { heads: [...heads.slice(0, -1), how(heads[heads.length - 1] as Head)] } : {}))
}

export const tie = (sheet: Sheet): Sheet => change(sheet, (note) => (note.rest ? {} : { tie: note.tie ? undefined : true }))

/**
 * Slurs a note to the one before: ends the slur that was begun, carries on the one that ends there, or makes one. On the end of
 * a slur it takes the slur away.
 */
export function slur(sheet: Sheet): Sheet {
    const place = current(sheet)
    const note = noteAt(sheet, place)
    const before = place && previous(sheet, place)
    if (!place || !note || note.rest || !before) {
        return sheet
    }
    const counted = (at: Place, by: { slurs?: number; slurEnds?: number }) => (now: Sheet) =>
        changeAt(now, at, ({ slurs = 0, slurEnds = 0 }) => ({ slurs: slurs + (by.slurs ?? 0), slurEnds: slurEnds + (by.slurEnds ?? 0) }))
    if ((note.slurEnds ?? 0) > 0) {
        const start = openSlur(sheet, before)
        return (start ? counted(start, { slurs: -1 }) : (now: Sheet) => now)(counted(place, { slurEnds: -1 })(sheet))
    }
    if (openSlur(sheet, before)) {
        return counted(place, { slurEnds: 1 })(sheet)
    }
    const joins = noteAt(sheet, before)
    return counted(place, { slurEnds: 1 })(counted(before, joins?.slurEnds ? { slurEnds: -1 } : { slurs: 1 })(sheet))
}

/** Begins a slur that ends where the next is asked for; asked again, takes the beginning away. */
export const slurFrom = (sheet: Sheet): Sheet => {
    const place = current(sheet)
    const open = place && openSlur(sheet, place)
    const mine = open?.measure === place?.measure && open?.note === place?.note
    return change(sheet, ({ rest, slurs = 0 }) => (rest ? {} : { slurs: mine && open ? slurs - 1 : slurs + 1 }))
}

/** The note before a place, over barlines; rests end the way. */
function previous(sheet: Sheet, at: Place): Place | null {
    for (let measure = at.measure, note = at.note - 1; measure >= 0; measure--, note = notesOf(sheet, measure).length - 1) {
        if (note >= 0) {
            return notesOf(sheet, measure)[note]?.rest ? null : { measure, note }
        }
    }
    return null
}

/** Where the slur began that is open at a place; null where none is. */
export function openSlur(sheet: Sheet, at: Place): Place | null {
    const open: Place[] = []
    sheet.manuscript.measures.slice(0, at.measure + 1).forEach(({ notes }, measure) => {
        notes?.slice(0, measure === at.measure ? at.note + 1 : undefined).forEach(({ slurs = 0, slurEnds = 0 }, note) => {
            open.splice(Math.max(0, open.length - slurEnds), slurEnds)
            open.push(...Array.from({ length: slurs }, () => ({ measure, note })))
        })
    })
    return open.at(-1) ?? null
}

export const mark = (sheet: Sheet, name: string, instead: readonly string[] = []): Sheet =>
    change(sheet, ({ marks = [] }) => ({ marks: marks.includes(name) ? marks.filter((one) => one !== name) : [...marks.filter((one) => !instead.includes(one)), name] }))

export const triplet = (sheet: Sheet): Sheet => ({ ...sheet, coming: { ...sheet.coming, triplet: sheet.coming.triplet > 0 ? 0 : 3 } })

export const grace = (sheet: Sheet): Sheet => ({ ...sheet, coming: { ...sheet.coming, grace: !sheet.coming.grace } })

/** Ends a measure before it is full. A short first one is a pickup. */
export function nextMeasure(sheet: Sheet): Sheet {
    const { measure } = sheet.caret
    const short = filled(sheet.manuscript.measures[measure] ?? { id: '' }, fullAt(sheet, measure)) < fullAt(sheet, measure)
    const ended = measure === 0 && short && notesOf(sheet, 0).length > 0 ? changeMeasure(sheet, 0, { uncounted: true }) : sheet
    const made = measure + 1 < ended.manuscript.measures.length ? ended : withMeasures(ended, measure + 1, 0, [{ id: newId('x') }])
    return { ...made, caret: { measure: measure + 1, note: 0, on: false }, coming: { ...made.coming, once: null } }
}

/** Takes away the note under the caret or before it; an empty measure goes whole. */
export function erase(sheet: Sheet): Sheet {
    const { measure, note, on } = sheet.caret
    const notes = notesOf(sheet)
    if (on || note > 0) {
        const at = on ? note : note - 1
        const left = withNotes(sheet, measure, notes.filter((_, index) => index !== at))
        const stays = on && at < notes.length - 1
        return { ...left, caret: { measure, note: at, on: stays }, coming: { ...left.coming, once: null, triplet: 0 } }
    }
    if (notes.length === 0 && sheet.manuscript.measures.length > 1 && measure > 0) {
        return { ...takeMeasures(sheet, measure, 1), caret: { measure: measure - 1, note: notesOf(sheet, measure - 1).length, on: false } }
    }
    return measure > 0 ? { ...sheet, caret: { measure: measure - 1, note: notesOf(sheet, measure - 1).length, on: false } } : sheet
}

/** What a measure says of key, meter and clef goes over to the one that takes its place. */
export function takeMeasures(sheet: Sheet, from: number, count: number): Sheet {
    const before = signatures(sheet.manuscript.measures)
    const left = withMeasures(sheet, from, count, [])
    if (left.manuscript.measures.length === 0) {
        const { key, meter, clef } = before[0] ?? { key: 0, meter: '4/4', clef: 'treble' as const }
        return { ...withMeasures(left, 0, 0, [{ id: newId('x'), key, meter, clef }]), caret: { measure: 0, note: 0, on: false } }
    }
    const after = signatures(left.manuscript.measures)[from]
    const wanted = before[from + count]
    const changed: Partial<TypedMeasure> = {}
    if (after && wanted) {
        Object.assign(changed, after.key === wanted.key ? {} : { key: wanted.key }, after.meter === wanted.meter ? {} : { meter: wanted.meter }, after.clef === wanted.clef ? {} : { clef: wanted.clef })
    }
    const mended = Object.keys(changed).length > 0 ? changeMeasure(left, from, changed) : left
    return { ...mended, caret: { measure: Math.min(from, mended.manuscript.measures.length - 1), note: 0, on: false } }
}

/** Copies of measures, with names of their own. */
export function copies(measures: readonly TypedMeasure[]): TypedMeasure[] {
    return measures.filter(({ sealed }) => sealed === undefined).map(({ notes, ...measure }) => ({
        ...measure,
        id: newId('x'),
        ...(notes ? { notes: notes.map(({ heads, ...note }) => ({ ...note, ...(heads ? { heads: heads.map((head) => ({ ...head, id: newId('n') })) } : { id: newId('n') }) })) } : {}),
    }))
}

/** Puts measures in before another; an only measure that is empty makes room. */
export function pasteMeasures(sheet: Sheet, at: number, measures: readonly TypedMeasure[]): Sheet {
    const here = signatures(sheet.manuscript.measures)[Math.min(at, sheet.manuscript.measures.length - 1)]
    const [first, ...others] = copies(measures)
    if (!first || !here) {
        return sheet
    }
    const plain = cleanedMeasure(first, { letter: undefined, key: first.key === here.key ? undefined : first.key, meter: first.meter === here.meter ? undefined : first.meter, clef: first.clef === here.clef ? undefined : first.clef, uncounted: undefined })
    const made = withMeasures(sheet, at, 0, [plain, ...others])
    return { ...made, caret: { measure: at + others.length, note: (others.at(-1) ?? plain).notes?.length ?? 0, on: false } }
}

export const insertMeasure = (sheet: Sheet): Sheet => ({ ...withMeasures(sheet, sheet.caret.measure + (sheet.caret.measure === 0 ? 1 : 0), 0, [{ id: newId('x') }]), caret: { measure: sheet.caret.measure + (sheet.caret.measure === 0 ? 1 : 0), note: 0, on: false } })

export function left(sheet: Sheet): Sheet {
    const { measure, note } = sheet.caret
    if (note > 0) {
        return { ...sheet, caret: { measure, note: note - 1, on: true } }
    }
    if (measure === 0) {
        return sheet
    }
    const before = notesOf(sheet, measure - 1).length
    return { ...sheet, caret: { measure: measure - 1, note: Math.max(0, before - 1), on: before > 0 } }
}

export function right(sheet: Sheet): Sheet {
    const { measure, note, on } = sheet.caret
    const next = on ? note + 1 : note
    if (next < notesOf(sheet).length) {
        return { ...sheet, caret: { measure, note: next, on: true } }
    }
    if (measure + 1 >= sheet.manuscript.measures.length) {
        return { ...sheet, caret: { measure, note: next, on: false } }
    }
    return { ...sheet, caret: { measure: measure + 1, note: 0, on: notesOf(sheet, measure + 1).length > 0 } }
}

export function toEnd(sheet: Sheet): Sheet {
    const measure = sheet.manuscript.measures.length - 1
    return { ...sheet, caret: { measure, note: notesOf(sheet, measure).length, on: false } }
}
