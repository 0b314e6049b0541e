import { isCompound, meterTicks, QUARTER, signatures, ticks, type ClefName, type Head, type Manuscript, type Signature, type TypedMeasure, type TypedNote } from './manuscript'

/** One line of music, ready for the engraver. */
export interface Line {
    /** Its first measure and the one after its last. */
    from: number
    to: number
    /** The text tells lines apart: the same text is the same picture. */
    mei: string
}

/** Widths in staff spaces, near enough to break lines by. */
const WIDTHS: Record<number, number> = { 1: 7, 2: 5, 4: 3.7, 8: 2.7, 16: 2.2, 32: 2, 64: 2 }
const LINE_WIDTH = 66
const MOST_MEASURES = 8

const CLEFS: Record<ClefName, string> = { treble: 'clef.shape="G" clef.line="2"', alto: 'clef.shape="C" clef.line="3"', tenor: 'clef.shape="C" clef.line="4"', bass: 'clef.shape="F" clef.line="4"', rhythm: 'clef.shape="perc" clef.line="1"' }
const SIGNS: Record<string, string> = { '#': 's', b: 'f', n: 'n', '##': 'x', bb: 'ff' }
const ARTICULATIONS: Record<string, string> = { accent: 'acc', staccato: 'stacc', tenuto: 'ten', 'strong-accent': 'marc', staccatissimo: 'stacciss', spiccato: 'stacciss', down: 'dnbow', up: 'upbow', harmonic: 'harm' }
const BARLINES: Record<string, string> = { repeat: 'rptend', double: 'dbl', final: 'end' }
const ROMAN = ['', 'I', 'II', 'III', 'IV', 'V']

const escaped = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;')

/** A slur, tie or hairpin from one note to another, over any barline. */
interface Curve {
    kind: 'slur' | 'tie' | 'hairpin'
    form?: string
    from: { measure: number; id: string }
    to: { measure: number; id: string } | null
}

export const idOf = (note: TypedNote): string => note.heads?.[0]?.id ?? note.id ?? ''

/**
 * The lines of a part: each with its own measures, key, meter and clef at its start, and curves that cross its ends.
 *
 * @param names of the measures, as the print names them
 */
export function lines(manuscript: Manuscript, names: readonly string[]): Line[] {
    const signed = signatures(manuscript.measures)
    const curves = curvesOf(manuscript.measures)
    const made: Line[] = []
    for (const { from, to } of breaks(manuscript.measures, signed)) {
        made.push({ from, to, mei: line(manuscript, signed, curves, from, to, names[from] ?? String(from + 1)) })
    }
    return made
}

/** Runs of measures that were not entered are one block. */
export function blockAt(measures: readonly TypedMeasure[], index: number): number {
    let end = index
    while (measures[end]?.blank && (end === index || !startsBlock(measures[end]))) {
        end++
    }
    return end - index
}

/** A letter or another meter is shown, so a block ends before it. */
function startsBlock(measure: TypedMeasure | undefined): boolean {
    return Boolean(measure && (measure.letter || measure.meter || measure.key !== undefined || measure.clef || measure.repeatStarts))
}

function breaks(measures: readonly TypedMeasure[], signed: readonly Signature[]): { from: number; to: number }[] {
    const made: { from: number; to: number }[] = []
    let from = 0
    let width = 0
    let count = 0
    for (let index = 0; index < measures.length; ) {
        const size = Math.max(1, blockAt(measures, index))
        const wide = width + widthOf(measures[index], signed[index])
        if (index > from && (wide > LINE_WIDTH || count >= MOST_MEASURES)) {
            made.push({ from, to: index })
            from = index
            width = widthOf(measures[index], signed[index])
            count = 1
        } else {
            width = wide
            count++
        }
        index += size
    }
    made.push({ from, to: measures.length })
    return made
}

function widthOf(measure: TypedMeasure | undefined, signature: Signature | undefined): number {
    if (!measure || measure.blank || measure.sealed) {
        return 12
    }
    const change = (measure.meter ? 3 : 0) + (measure.clef ? 3 : 0) + Math.abs(measure.key ?? 0)
    const full = meterTicks(signature?.meter ?? '4/4')
    const notes = (measure.notes ?? []).reduce((sum, note) => sum + (note.full ? 7 : (WIDTHS[note.as ?? 4] ?? 3) + (note.heads?.some(({ sign }) => sign) ? 1 : 0)), 0)
    return 2.5 + change + Math.max(notes, Math.min(8, full / QUARTER))
}

function curvesOf(measures: readonly TypedMeasure[]): Curve[] {
    const made: Curve[] = []
    const slurs: Curve[] = []
    let hairpin: Curve | null = null
    const ties = new Map<string, Curve>()
    measures.forEach(({ notes }, measure) => {
        notes?.forEach((note) => {
            const here = { measure, id: idOf(note) }
            for (let ends = note.slurEnds ?? 0; ends > 0; ends--) {
                const slur = slurs.pop()
                if (slur) {
                    slur.to = here
                }
            }
            for (let opens = note.slurs ?? 0; opens > 0; opens--) {
                const slur: Curve = { kind: 'slur', from: here, to: null }
                slurs.push(slur)
                made.push(slur)
            }
            const heads: Head[] = note.heads ?? (note.rest ? [] : [{ id: here.id, at: '' }])
            for (const { at, id } of heads) {
                const tied = ties.get(at)
                if (tied) {
                    tied.to = { measure, id }
                }
            }
            if (!note.grace) {
                ties.clear()
            }
            for (const { at, id } of note.tie ? heads : []) {
                const tie: Curve = { kind: 'tie', from: { measure, id }, to: null }
                ties.set(at, tie)
                made.push(tie)
            }
            if (note.hairpin) {
                hairpin = { kind: 'hairpin', form: note.hairpin === 'crescendo' ? 'cres' : 'dim', from: here, to: null }
                made.push(hairpin)
            }
            if (note.hairpinEnds && hairpin) {
                hairpin.to = here
                hairpin = null
            }
        })
    })
    return made
}

function line(manuscript: Manuscript, signed: readonly Signature[], curves: readonly Curve[], from: number, to: number, name: string): string {
    const { measures } = manuscript
    const first = signed[from] ?? { key: 0, meter: '4/4', clef: 'treble' as const }
    let body = ''
    let ending = ''
    for (let index = from; index < to; ) {
        const measure = measures[index]
        if (!measure) {
            break
        }
        const size = Math.max(1, blockAt(measures, index))
        const passes = (measure.ending ?? []).join(', ')
        if (passes !== ending) {
            body += (ending === '' ? '' : '</ending>') + (passes === '' ? '' : `<ending n="${passes}" label="${passes}.">`)
            ending = passes
        }
        const change = index === from ? '' : changeOf(measure, signed[index], signed[index - 1])
        body += change + measureOf(measures, index, Math.min(size, to - index), signed[index] ?? first, curves, from, to, name)
        index += size
    }
    body += ending === '' ? '' : '</ending>'
    const meter = from === 0 || measures[from]?.meter ? meterOf(first.meter) : ''
    return `<mei xmlns="http://www.music-encoding.org/ns/mei" meiversion="5.0"><music><body><mdiv><score><scoreDef><staffGrp><staffDef n="1" lines="${first.clef === 'rhythm' ? 1 : 5}" ${CLEFS[first.clef]} keysig="${keyOf(first.key)}"${meter}/></staffGrp></scoreDef><section>${body}</section></score></mdiv></body></music></mei>`
}

const keyOf = (fifths: number): string => (fifths === 0 ? '0' : `${Math.abs(fifths)}${fifths < 0 ? 'f' : 's'}`)

function meterOf(meter: string): string {
    if (meter === 'C' || meter === 'C|') {
        return ` meter.sym="${meter === 'C' ? 'common' : 'cut'}"`
    }
    const [beats = '4', value = '4'] = meter.split('/')
    return ` meter.count="${beats}" meter.unit="${value}"`
}

function changeOf(measure: TypedMeasure, now: Signature | undefined, before: Signature | undefined): string {
    const said = [
        measure.key !== undefined && now?.key !== before?.key ? ` keysig="${keyOf(measure.key)}"` : '',
        measure.meter ? meterOf(measure.meter) : '',
        measure.clef && now?.clef !== before?.clef ? ` ${CLEFS[measure.clef]}` : '',
    ].join('')
    return said === '' ? '' : `<scoreDef><staffGrp><staffDef n="1"${said}/></staffGrp></scoreDef>`
}

function measureOf(measures: readonly TypedMeasure[], index: number, size: number, signature: Signature, curves: readonly Curve[], from: number, to: number, name: string): string {
    const measure = measures[index]
    const last = measures[index + size - 1]
    if (!measure) {
        return ''
    }
    const sides = (measure.repeatStarts ? ' left="rptstart"' : '') + (last?.barline ? ` right="${BARLINES[last.barline] ?? 'single'}"` : '')
    const over = [
        measure.letter ? `<reh tstamp="0" staff="1" place="above">${escaped(measure.letter)}</reh>` : '',
        measure.tempo ? `<tempo tstamp="1" staff="1" place="above" mm="${measure.tempo}" mm.unit="4">♩ = ${measure.tempo}</tempo>` : '',
        ...(measure.signs ?? []).map((sign) => `<repeatMark tstamp="1" staff="1" place="above" func="${sign}"/>`),
        measure.endWords ? `<dir tstamp="${lastBeat(signature)}" staff="1" place="above">${escaped(measure.endWords)}</dir>` : '',
        measure.blank && (index === from || !measures[index - 1]?.blank) ? `<dir tstamp="1" staff="1" place="below">not entered</dir>` : '',
        measure.sealed ? `<dir tstamp="1" staff="1" place="below">${escaped(measure.sealed)}, kept</dir>` : '',
    ].join('')
    const inside = measure.blank ? `<multiRest num="${size}"/>` : measure.sealed || !measure.notes?.length ? '<mSpace/>' : layer(measure.notes, signature)
    return `<measure xml:id="${measure.id}" n="${index === from ? escaped(name) : index + 1}"${sides}><staff n="1"><layer n="1">${inside}</layer></staff>${over}${(measure.notes ?? []).map(beside).join('')}${curvesIn(curves, index, from, to)}</measure>`
}

const lastBeat = ({ meter }: Signature): string => String(Number({ C: '4', 'C|': '2' }[meter] ?? meter.split('/')[0]) || 4)

function curvesIn(curves: readonly Curve[], measure: number, from: number, to: number): string {
    return curves
        .filter((curve) => (curve.from.measure === measure ? curve.to !== null || curve.kind === 'tie' : measure === from && curve.from.measure < from && (curve.to?.measure ?? -1) >= from))
        .map((curve) => {
            const begins = curve.from.measure >= from
            const ends = curve.to && curve.to.measure < to
            const start = begins ? `startid="#${curve.from.id}"` : 'tstamp="0"'
            const end = ends ? `endid="#${curve.to?.id ?? ''}"` : `tstamp2="${to - 1 - measure}m+9"`
            if (curve.kind === 'tie' && !(begins && ends)) {
                return begins ? `<lv ${start}/>` : ''
            }
            return `<${curve.kind} ${start} ${end} staff="1"${curve.form ? ` form="${curve.form}" place="below"` : ''}/>`
        })
        .join('')
}

/** What stands beside a note: dynamics, words, fingers. */
function beside(note: TypedNote): string {
    const start = `startid="#${idOf(note)}" staff="1"`
    return [
        note.dynamic ? `<dynam ${start} place="below">${note.dynamic}</dynam>` : '',
        note.words ? `<dir ${start} place="above">${escaped(note.words)}</dir>` : '',
        note.finger ? `<fing ${start} place="above">${escaped(note.finger)}</fing>` : note.marks?.includes('open') ? `<fing ${start} place="above">0</fing>` : '',
        note.string ? `<dir ${start} place="above">${ROMAN[note.string] ?? ''}</dir>` : '',
        note.marks?.includes('fermata') ? `<fermata ${start} place="above"/>` : '',
        note.marks?.includes('breath') ? `<breath ${start} place="above"/>` : '',
    ].join('')
}

function layer(notes: readonly TypedNote[], { meter, clef }: Signature): string {
    let onset = 0
    let made = ''
    let beam: string[] = []
    let group: number | null = null
    const close = () => {
        made += beam.length > 1 ? `<beam>${beam.join('')}</beam>` : beam.join('')
        beam = []
    }
    let tuplet = false
    for (const note of notes) {
        const length = ticks(note, meterTicks(meter))
        const own = note.rest || note.full || note.grace ? null : beamGroup(meter, onset, length, note)
        if (own === null || own !== group || note.tuplet === 'start') {
            close()
        }
        if (note.tuplet === 'start') {
            made += `<tuplet num="${note.in?.[0] ?? 3}" numbase="${note.in?.[1] ?? 2}" bracket.visible="${(note.as ?? 4) < 8 ? 'true' : 'false'}">`
            tuplet = true
        }
        const drawn = (note.clef ? `<clef ${CLEFS[note.clef].replace(/clef\./g, '')}/>` : '') + noteOf(note, clef)
        if (own === null) {
            made += drawn
        } else {
            beam.push(drawn)
        }
        group = own
        if (note.tuplet === 'stop' && tuplet) {
            close()
            made += '</tuplet>'
            tuplet = false
            group = null
        }
        onset += length
    }
    close()
    return made + (tuplet ? '</tuplet>' : '')
}

/** The same groups as in the core's `Beams`. */
function beamGroup(meter: string, onset: number, length: number, note: TypedNote): number | null {
    if ((note.as ?? 4) < 8 || length === 0 || length >= QUARTER) {
        return null
    }
    const eighth = length * 2 === QUARTER
    const unit = Number({ C: 4, 'C|': 2 }[meter] ?? meter.split('/')[1] ?? 4)
    const beat = isCompound(meter) ? (12 * QUARTER) / unit : eighth && (meter === '4/4' || meter === 'C') ? 2 * QUARTER : Math.max((4 * QUARTER) / unit, QUARTER)
    return Math.floor(onset / beat) * beat
}

function noteOf(note: TypedNote, clef: ClefName): string {
    if (note.full) {
        return `<mRest xml:id="${note.id ?? ''}"/>`
    }
    const value = `dur="${note.as ?? 4}"${note.dots ? ` dots="${note.dots}"` : ''}`
    if (note.rest) {
        return `<rest xml:id="${note.id ?? ''}" ${value}/>`
    }
    const artic = (note.marks ?? []).map((mark) => ARTICULATIONS[mark]).filter(Boolean).join(' ')
    const tremolo = note.marks?.find((mark) => mark.startsWith('tremolo-'))?.slice(-1)
    const shared = `${value}${note.grace ? ' grace="unacc"' : ''}${artic ? ` artic="${artic}"` : ''}${tremolo ? ` stem.mod="${tremolo}slash"` : ''}`
    if (!note.heads) {
        return `<note xml:id="${note.id ?? ''}" ${shared} ${clef === 'rhythm' ? 'loc="0"' : 'loc="4"'} stem.dir="up"/>`
    }
    const heads = note.heads.map(({ id, at, sign }) => `pname="${at.charAt(0).toLowerCase()}" oct="${at.slice(1)}" xml:id="${id}"${sign ? ` accid="${SIGNS[sign] ?? 'n'}"` : ''}`)
    return heads.length === 1 ? `<note ${heads[0] ?? ''} ${shared}/>` : `<chord ${shared}>${heads.map((head) => `<note ${head}/>`).join('')}</chord>`
}
