import type { Heard, HeardNote } from '../api/types'
import { clicked, sounded, type Stroke } from './tone'

/** Seconds ahead for which sounds are put into the clock of the sound card; how often that is looked after; and until the first. */
const AHEAD = 0.35
const EVERY_MS = 60
const UNTIL_FIRST = 0.06
/** A tempo that steps up grows by this much with every time round. */
const STEP_UP = 0.05

export interface Playing {
    /** Seconds of the music at which it begins, and at which it ends or goes round. */
    from: number
    to: number
    /** 1 is the tempo of the piece. */
    rate: number
    loop: boolean
    /** Each time round a step faster, up to the tempo of the piece. */
    stepsUp: boolean
    click: boolean
    countIn: boolean
}

/** What sounds, and how loud: the own section and others. */
export interface Voice {
    heard: Heard
    volume: number
}

/** Where the music is. */
export interface Cursor {
    note: HeardNote | null
    measure: string
    rate: number
    /** The count before the first beat: 1, 2 …; 0 when the music runs. */
    count: number
}

let shared: AudioContext | null = null

/** One for the whole page: a browser allows only a few. */
function audio(): AudioContext {
    shared ??= new AudioContext({ latencyHint: 'interactive' })
    return shared
}

/** Notes that are one stroke of the bow, with what is plucked between; a slur that has begun before goes on as a stroke. */
export function strokes(heard: Heard, from = 0): Stroke[] {
    const made: Stroke[] = []
    for (const note of heard.notes.filter(({ at }) => at >= from - 0.001)) {
        const last = made.at(-1)
        if (note.attack === 'slur' && last && !last.plucked && note.at - last.until < 0.05 + note.for) {
            last.notes.push({ at: note.at, pitches: note.pitches })
            last.until = note.at + note.for * note.length
        } else {
            // Under a slur nothing ends before the next note begins; the last note says how the stroke ends.
            made.push({ at: note.at, until: note.at + note.for * note.length, plucked: note.attack === 'pluck', loud: note.loud, notes: [{ at: note.at, pitches: note.pitches }] })
        }
    }
    return made
}

/**
 * Plays what the server worked out. Every sound, of the notes and of the click, is put at its time into the clock of the sound card,
 * reckoned from one origin, so that nothing drifts. It works nothing out.
 */
export class Player {
    private running: { playing: Playing; origin: number; rate: number; countIn: number; voices: { volume: GainNode; strokes: Stroke[]; next: number }[]; beat: number; round: number } | null = null

    private timer = 0

    private frame = 0

    private sources = new Set<AudioScheduledSourceNode>()

    constructor(
        private readonly follow: (cursor: Cursor | null) => void,
        private readonly ended: () => void,
    ) {}

    get isPlaying(): boolean {
        return this.running !== null
    }

    private lead: Heard | null = null

    /** @param voices the first is the one that the cursor follows */
    start(voices: readonly Voice[], playing: Playing): void {
        this.stop()
        const lead = voices[0]?.heard
        if (!lead || lead.notes.length === 0) {
            this.ended()
            return
        }
        const context = audio()
        void context.resume()
        this.lead = lead
        const origin = context.currentTime + UNTIL_FIRST
        const countIn = playing.countIn ? this.countedIn(context, lead, playing, origin) : 0
        this.running = {
            playing,
            origin: origin + countIn,
            rate: playing.rate,
            countIn,
            voices: voices.map(({ heard, volume }) => {
                const gain = context.createGain()
                gain.gain.value = volume
                gain.connect(context.destination)
                return { volume: gain, strokes: strokes(heard, playing.from), next: 0 }
            }),
            beat: 0,
            round: 0,
        }
        this.toStart()
        document.documentElement.dataset.playing = String(Math.round(performance.now()))
        this.schedule()
        this.timer = window.setInterval(() => this.schedule(), EVERY_MS)
        this.show()
    }

    stop(): void {
        clearInterval(this.timer)
        cancelAnimationFrame(this.frame)
        this.sources.forEach((source) => {
            try {
                source.stop()
            } catch {
                // It never began.
            }
        })
        this.sources.clear()
        this.running?.voices.forEach(({ volume }) => volume.disconnect())
        const was = this.running
        this.running = null
        delete document.documentElement.dataset.playing
        if (was) {
            this.follow(null)
        }
    }

    /** @returns seconds that the count takes: a measure, and where the music begins inside one what is missing of it too */
    private countedIn(context: AudioContext, heard: Heard, { from, rate }: Playing, origin: number): number {
        const beats = this.beatsOfMeasure(heard, from)
        const length = this.beatLength(heard, from) / rate
        for (let beat = 0; beat < beats; beat++) {
            this.keep(clicked(context, context.destination, origin + beat * length, beat === 0))
        }
        return beats * length
    }

    private beatsOfMeasure(heard: Heard, from: number): number {
        const strong = heard.beats.filter((beat) => beat.strong && beat.at >= from - 0.001)
        const [first, second] = [strong[0], strong[1]]
        const full = first && second ? heard.beats.filter(({ at }) => at >= first.at - 0.001 && at < second.at - 0.001).length : 4
        const until = first ? heard.beats.filter(({ at }) => at >= from - 0.001 && at < first.at - 0.001).length : 0
        return Math.max(1, full - until === 0 ? full : full - until)
    }

    private beatLength(heard: Heard, from: number): number {
        const beats = heard.beats.filter(({ at }) => at >= from - 0.001)
        return beats[0] && beats[1] ? beats[1].at - beats[0].at : 60 / heard.tempo
    }

    private toStart(): void {
        const { running } = this
        if (running && this.lead) {
            const from = running.playing.from - 0.001
            running.voices.forEach((voice) => {
                const next = voice.strokes.findIndex((stroke) => stroke.at >= from)
                voice.next = next === -1 ? voice.strokes.length : next
            })
            const beat = this.lead.beats.findIndex(({ at }) => at >= from)
            running.beat = beat === -1 ? this.lead.beats.length : beat
        }
    }

    private schedule(): void {
        const { running, lead } = this
        if (!running || !lead) {
            return
        }
        const context = audio()
        const { playing, rate } = running
        const until = context.currentTime + AHEAD
        const when = (at: number) => running.origin + (at - playing.from) / rate
        for (const voice of running.voices) {
            for (let stroke = voice.strokes[voice.next]; stroke && stroke.at < playing.to - 0.001 && when(stroke.at) < until; stroke = voice.strokes[++voice.next]) {
                const cut = Math.min(stroke.until, playing.to)
                sounded(context, voice.volume, {
                    ...stroke,
                    at: Math.max(context.currentTime, when(stroke.at)),
                    until: when(cut),
                    notes: stroke.notes.filter(({ at }) => at < playing.to).map((note) => ({ ...note, at: when(note.at) })),
                }).forEach((source) => this.keep(source))
            }
        }
        for (let beat = lead.beats[running.beat]; beat && beat.at < playing.to - 0.001 && when(beat.at) < until; beat = lead.beats[++running.beat]) {
            if (playing.click) {
                this.keep(clicked(context, context.destination, Math.max(context.currentTime, when(beat.at)), beat.strong))
            }
        }
        if (when(playing.to) < until) {
            this.goRound(when(playing.to))
        }
    }

    private goRound(end: number): void {
        const { running } = this
        if (!running) {
            return
        }
        if (running.playing.loop) {
            running.origin = end
            running.rate = running.playing.stepsUp ? Math.min(1, running.rate + STEP_UP) : running.rate
            running.round++
            this.toStart()
        } else if (audio().currentTime >= end) {
            this.stop()
            this.ended()
        }
    }

    private keep(source: AudioScheduledSourceNode): void {
        this.sources.add(source)
        source.onended = () => this.sources.delete(source)
    }

    private readonly show = (): void => {
        const { running, lead } = this
        if (!running || !lead) {
            return
        }
        const now = audio().currentTime
        const at = running.playing.from + (now - running.origin) * running.rate
        if (now < running.origin && running.round === 0) {
            const count = running.countIn > 0 ? Math.max(1, Math.floor(((now - running.origin + running.countIn) * running.rate) / this.beatLength(lead, running.playing.from)) + 1) : 0
            this.follow({ note: null, measure: '', rate: running.rate, count })
        } else {
            const note = lead.notes.filter((one) => one.at <= at + 0.01).at(-1) ?? null
            this.follow({ note, measure: lead.beats.filter((beat) => beat.at <= at + 0.01).at(-1)?.measure ?? '', rate: running.rate, count: 0 })
        }
        this.frame = requestAnimationFrame(this.show)
    }
}
