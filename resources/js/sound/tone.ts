/** Tones as a class hears them: bowed with an attack, a body and an end, or plucked; and a click. All times are the context's. */

/** Partials of the bowed tone: strong low ones, a bump where a fiddle's body rings. */
const PARTIALS = [0, 1, 0.72, 0.55, 0.46, 0.38, 0.22, 0.2, 0.14, 0.1, 0.08, 0.05, 0.04]
const LOUDEST = 0.2
const SOFTEST = 0.3
/** Seconds in which a stroke speaks and in which it ends. */
const ATTACK = 0.045
const RELEASE = 0.06
/** Seconds in which a finger comes down under a slur. */
const FINGER = 0.008

export interface Stroke {
    at: number
    until: number
    plucked: boolean
    loud: number
    /** The pitches of each note under the stroke, with when it begins. */
    notes: { at: number; pitches: readonly number[] }[]
}

const frequency = (midi: number) => 440 * 2 ** ((midi - 69) / 12)

let wave: { of: BaseAudioContext; wave: PeriodicWave } | null = null

function bowedWave(context: BaseAudioContext): PeriodicWave {
    if (wave?.of !== context) {
        wave = { of: context, wave: context.createPeriodicWave(new Float32Array(PARTIALS.length), Float32Array.from(PARTIALS)) }
    }
    return wave.wave
}

let noise: { of: BaseAudioContext; buffer: AudioBuffer } | null = null

/** The scrape with which a bow starts. */
function scrape(context: BaseAudioContext): AudioBuffer {
    if (noise?.of !== context) {
        const buffer = context.createBuffer(1, Math.ceil(context.sampleRate * 0.08), context.sampleRate)
        const samples = buffer.getChannelData(0)
        samples.forEach((_, index) => (samples[index] = (Math.random() * 2 - 1) * (1 - index / samples.length)))
        noise = { of: context, buffer }
    }
    return noise.buffer
}

/** One stroke of the bow, or one pluck. */
export function sounded(context: BaseAudioContext, into: AudioNode, stroke: Stroke): AudioScheduledSourceNode[] {
    return stroke.plucked ? plucked(context, into, stroke) : bowed(context, into, stroke)
}

function bowed(context: BaseAudioContext, into: AudioNode, { at, until, loud, notes }: Stroke): AudioScheduledSourceNode[] {
    const volume = context.createGain()
    const body = context.createBiquadFilter()
    const level = LOUDEST * (SOFTEST + (1 - SOFTEST) * loud)
    const attack = Math.min(ATTACK, (until - at) / 3)
    const end = Math.max(at + attack * 2, until)
    body.type = 'lowpass'
    body.frequency.setValueAtTime(900, at)
    body.frequency.linearRampToValueAtTime(2600 + 2200 * loud, at + attack)
    volume.gain.setValueAtTime(0, at)
    volume.gain.linearRampToValueAtTime(level, at + attack)
    volume.gain.linearRampToValueAtTime(level * 0.86, Math.max(at + attack + 0.001, Math.min(at + 3 * attack, end - 0.001)))
    volume.gain.setTargetAtTime(0, end, RELEASE / 3)
    body.connect(volume).connect(into)
    const voices = Math.max(...notes.map(({ pitches }) => pitches.length))
    const made: AudioScheduledSourceNode[] = []
    for (let voice = 0; voice < voices; voice++) {
        const tone = context.createOscillator()
        tone.setPeriodicWave(bowedWave(context))
        notes.forEach((note, index) => {
            const pitch = frequency(note.pitches[Math.min(voice, note.pitches.length - 1)] ?? 69)
            if (index === 0) {
                tone.frequency.setValueAtTime(pitch, at)
            } else {
                tone.frequency.setTargetAtTime(pitch, note.at, FINGER)
            }
        })
        tone.connect(body)
        made.push(tone)
    }
    const start = context.createBufferSource()
    const scraped = context.createGain()
    start.buffer = scrape(context)
    scraped.gain.value = 0.16 * level
    start.connect(scraped).connect(into)
    start.start(at)
    made.forEach((tone) => {
        tone.start(at)
        tone.stop(end + RELEASE * 2)
    })
    return [...made, start]
}

function plucked(context: BaseAudioContext, into: AudioNode, { at, loud, notes }: Stroke): AudioScheduledSourceNode[] {
    return (notes[0]?.pitches ?? []).map((pitch) => {
        const [tone, volume, body] = [context.createOscillator(), context.createGain(), context.createBiquadFilter()]
        tone.type = 'triangle'
        tone.frequency.setValueAtTime(frequency(pitch), at)
        body.type = 'lowpass'
        body.frequency.setValueAtTime(4200, at)
        body.frequency.exponentialRampToValueAtTime(500, at + 0.35)
        volume.gain.setValueAtTime(0, at)
        volume.gain.linearRampToValueAtTime(LOUDEST * 1.5 * (SOFTEST + (1 - SOFTEST) * loud), at + 0.004)
        volume.gain.exponentialRampToValueAtTime(0.0008, at + 0.75)
        tone.connect(body).connect(volume).connect(into)
        tone.start(at)
        tone.stop(at + 0.8)
        return tone
    })
}

export function clicked(context: BaseAudioContext, into: AudioNode, at: number, strong: boolean): AudioScheduledSourceNode {
    const [tone, volume] = [context.createOscillator(), context.createGain()]
    tone.type = 'square'
    tone.frequency.value = strong ? 1900 : 1300
    volume.gain.setValueAtTime(strong ? 0.09 : 0.05, at)
    volume.gain.exponentialRampToValueAtTime(0.0008, at + 0.035)
    tone.connect(volume).connect(into)
    tone.start(at)
    tone.stop(at + 0.04)
    return tone
}
