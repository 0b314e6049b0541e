/** Where played notes come from. Each tells when a note begins and ends, in milliseconds since the page began. */
export interface Heard {
    on(midi: number, at: number): void
    off(midi: number, at: number): void
}

/** Ends the listening. */
export type Stop = () => void

export class CannotListen extends Error {}

const SECURE = 'only works at a secure address (https). Ask whoever runs the server for one; until then type, or play on the keyboard on the screen.'

/** A keyboard at the computer. */
export async function fromMidi(heard: Heard): Promise<Stop> {
    if (!window.isSecureContext) {
        throw new CannotListen(`A MIDI keyboard ${SECURE}`)
    }
    if (!('requestMIDIAccess' in navigator)) {
        throw new CannotListen('This browser knows no MIDI keyboards; Chrome, Edge and Firefox do. Type, or play on the keyboard on the screen.')
    }
    const access = await navigator.requestMIDIAccess().catch(() => {
        throw new CannotListen('The browser was not allowed to use the MIDI keyboard. Allow it beside the address, and try again.')
    })
    const inputs = [...access.inputs.values()]
    if (inputs.length === 0) {
        throw new CannotListen('No MIDI keyboard is connected. Plug it in, and try again.')
    }
    const listen = ({ data, timeStamp }: MIDIMessageEvent): void => {
        const [status = 0, note = 0, strength = 0] = data ?? []
        if ((status & 0xf0) === 0x90 && strength > 0) {
            heard.on(note, timeStamp)
        } else if ((status & 0xf0) === 0x80 || (status & 0xf0) === 0x90) {
            heard.off(note, timeStamp)
        }
    }
    inputs.forEach((input) => input.addEventListener('midimessage', listen))
    return () => inputs.forEach((input) => input.removeEventListener('midimessage', listen))
}

const SAMPLES = 2048
/** Between two looks at the sound. */
const LOOK_MS = 15
/** A tone is one when it is heard so clearly (of 1), so loudly, and so many looks in a row. */
const CLEAR = 0.93
const LOUD = 0.012
const LOOKS = 3
const SILENT_LOOKS = 5

/** The director's own instrument, through the microphone. Nothing is recorded, and nothing is sent. */
export async function fromEar(heard: Heard): Promise<Stop> {
    if (!window.isSecureContext) {
        throw new CannotListen(`The microphone ${SECURE}`)
    }
    const [{ PitchDetector }, stream] = await Promise.all([import('pitchy'), microphone()])
    const audio = new AudioContext()
    await audio.resume()
    const analyser = new AnalyserNode(audio, { fftSize: SAMPLES })
    audio.createMediaStreamSource(stream).connect(analyser)
    const detector = PitchDetector.forFloat32Array(SAMPLES)
    const samples = new Float32Array(SAMPLES)
    const ear = new Ear(heard)
    const timer = window.setInterval(() => {
        analyser.getFloatTimeDomainData(samples)
        const loudness = Math.sqrt(samples.reduce((sum, one) => sum + one * one, 0) / SAMPLES)
        const [hertz, clarity] = detector.findPitch(samples, audio.sampleRate)
        ear.hear(clarity >= CLEAR && loudness >= LOUD && hertz > 30 && hertz < 4000 ? Math.round(69 + 12 * Math.log2(hertz / 440)) : null, performance.now())
    }, LOOK_MS)
    return () => {
        clearInterval(timer)
        ear.hear(null, performance.now(), SILENT_LOOKS)
        stream.getTracks().forEach((track) => track.stop())
        void audio.close()
    }
}

async function microphone(): Promise<MediaStream> {
    try {
        return await navigator.mediaDevices.getUserMedia({ audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false } })
    } catch (fault) {
        throw new CannotListen(fault instanceof DOMException && fault.name === 'NotFoundError' ? 'There is no microphone at this computer.' : 'The browser was not allowed to listen. Allow the microphone beside the address, and try again.')
    }
}

/** Makes notes of what is heard look by look: a tone has to stay before it is one, and silence before it has ended. */
class Ear {
    private sounding: number | null = null
    private coming: number | null = null
    private looks = 0
    private silent = 0
    private since = 0

    constructor(private readonly heard: Heard) {}

    /** @param tone null: nothing clear */
    hear(tone: number | null, at: number, weight = 1): void {
        if (tone === null) {
            this.silent += weight
            this.looks = 0
            if (this.silent >= SILENT_LOOKS && this.sounding !== null) {
                this.heard.off(this.sounding, at - SILENT_LOOKS * LOOK_MS)
                this.sounding = null
            }
            return
        }
        this.silent = 0
        if (tone === this.sounding) {
            this.looks = 0
            return
        }
        if (tone !== this.coming || this.looks === 0) {
            this.coming = tone
            this.looks = 0
            this.since = at
        }
        if (++this.looks >= LOOKS) {
            if (this.sounding !== null) {
                this.heard.off(this.sounding, this.since)
            }
            this.sounding = tone
            this.looks = 0
            this.heard.on(tone, this.since)
        }
    }
}
