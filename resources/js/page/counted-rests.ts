/** A measure that says something, beside its rest, cannot vanish in a count. */
const SAYS = /<(direction|harmony|figured-bass|sound|print)[\s>]|<(key|time|clef|staves|transpose|measure-style)[\s>]|<fermata|<(repeat|ending|segno|coda)[\s/>]|<bar-style>/
/** Only words and letters are given back over a count. */
const MORE_THAN_WORDS = /<(metronome|dynamics|wedge|segno|coda|sound|octave-shift|pedal)[\s/>]|<(harmony|figured-bass)[\s>]/
const FULL_REST = /^(?:(?!<note).)*<note\b[^>]*>\s*<rest\b[^>]*measure="yes"[^>]*>(?:(?!<note).)*$/s

/**
 * Rests of several measures in a row as one counted block, as a printed part has them. What a measure in the middle says — a
 * letter, a key, a repeat — ends the block before it; what the first one says stands over it.
 *
 * @param silent measures that are not played, counted from 0
 */
export function countedRests(music: string, silent: readonly number[] = []): string {
    const [head = '', ...measures] = music.split(/(?=<measure[\s>])/)
    const quiet = new Set(silent)
    let from = 0
    while (from < measures.length) {
        let to = from
        if (begins(measures[from] ?? '')) {
            while (to + 1 < measures.length && goesOn(measures[to + 1] ?? '') && !closes(measures[to] ?? '') && quiet.has(to + 1) === quiet.has(from)) {
                to++
            }
        }
        if (to > from) {
            measures[from] = withCount(measures[from] ?? '', to - from + 1)
        }
        from = to + 1
    }
    return head + measures.join('')
}

const isRest = (measure: string): boolean => FULL_REST.test(measure) && !measure.includes('<multiple-rest') && !measure.includes('<other-direction')

const begins = (measure: string): boolean => isRest(measure) && !MORE_THAN_WORDS.test(measure) && !/<fermata|<(ending|repeat)[\s>]/.test(measure)

/** The final barline may end a block: it says nothing in the middle of it. */
const goesOn = (measure: string): boolean => isRest(measure) && !SAYS.test(measure.replace(/<barline location="right">\s*<bar-style>light-heavy<\/bar-style>\s*<\/barline>/, '').replace(/<attributes>\s*<\/attributes>/, ''))

const closes = (measure: string): boolean => /<barline location="right"/.test(measure)

/** The count stands with the other attributes of the measure, after them. */
function withCount(measure: string, count: number): string {
    const style = `<measure-style><multiple-rest>${count}</multiple-rest></measure-style>`
    return measure.includes('</attributes>') ? measure.replace('</attributes>', `${style}</attributes>`) : measure.replace(/(<measure\b[^>]*>)/, `$1<attributes>${style}</attributes>`)
}
