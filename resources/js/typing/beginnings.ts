import { CLEF_OF, newId, type Manuscript, type TypedMeasure } from './manuscript'

/** Parts of a school orchestra. */
export const SECTIONS = [
    { name: 'Violin 1', instrument: 'violin' },
    { name: 'Violin 2', instrument: 'violin' },
    { name: 'Violin 3', instrument: 'violin' },
    { name: 'Viola', instrument: 'viola' },
    { name: 'Cello', instrument: 'cello' },
    { name: 'Bass', instrument: 'bass' },
] as const

export interface Beginning {
    title: string
    name: string
    instrument: string
    key: number
    mode?: 'minor'
    meter: string
    rhythm: boolean
}

export function emptyTune({ title, name, instrument, key, mode, meter, rhythm }: Beginning): Manuscript {
    const first: TypedMeasure = { id: newId('x'), clef: rhythm ? 'rhythm' : (CLEF_OF[instrument] ?? 'treble'), ...(rhythm ? {} : { key, ...(mode ? { mode } : {}) }), meter }
    return { format: 'upright-pencil-manuscript', version: 1, title, name, instrument, ...(rhythm ? { rhythm: true as const } : {}), measures: [first] }
}

/** What a printed part is like without its notes. */
export interface Outline {
    measures: number
    /** The number of the first measure. */
    first: number
    /** Measure => letter. */
    letters: Map<number, string>
    /** Measure => meter. */
    meters: Map<number, string>
    byLetters: boolean
    /** Measures that are to be entered. */
    passages: [number, number][]
}

/** A part by its measure count: what is not in a passage is not entered. Measures are counted from `first`. */
export function sparsePart(beginning: Beginning, outline: Outline): Manuscript {
    const tune = emptyTune(beginning)
    const measures = Array.from({ length: outline.measures }, (_, index): TypedMeasure => {
        const number = outline.first + index
        const entered = outline.passages.some(([from, to]) => number >= from && number <= to)
        const [letter, meter] = [outline.letters.get(number), index === 0 ? undefined : outline.meters.get(number)]
        return {
            ...(index === 0 ? tune.measures[0] : {}),
            id: newId('x'),
            ...(letter === undefined ? {} : { letter }),
            ...(meter === undefined ? {} : { meter }),
            ...(entered ? {} : { blank: true as const }),
        }
    })
    return { ...tune, ...(outline.first === 1 ? {} : { first: outline.first }), ...(outline.byLetters ? { byLetters: true as const } : {}), measures }
}

/** “9–16, 25-40, 52” as spans; null where it is none. */
export function spans(text: string): [number, number][] | null {
    const found: [number, number][] = []
    for (const one of text.split(',').map((part) => part.trim()).filter(Boolean)) {
        const match = /^(\d{1,4})(?:\s*[-–]\s*(\d{1,4}))?$/.exec(one)
        const [from, to] = [Number(match?.[1]), Number(match?.[2] ?? match?.[1])]
        if (!match || to < from) {
            return null
        }
        found.push([from, to])
    }
    return found
}

/** “A 9, B 25” or “3/4 33”: what stands at a measure, by its number; null where it is none. */
export function placed(text: string, what: RegExp): Map<number, string> | null {
    const found = new Map<number, string>()
    for (const one of text.split(',').map((part) => part.trim()).filter(Boolean)) {
        const match = /^(\S{1,20})\s+(?:at\s+)?(\d{1,4})$/.exec(one)
        if (!match?.[1] || !what.test(match[1])) {
            return null
        }
        found.set(Number(match[2]), match[1])
    }
    return found
}
