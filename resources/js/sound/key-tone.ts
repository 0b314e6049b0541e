/** A plain tone for what is typed, so that a wrong key is heard. */
const SECONDS = 0.28
const LOUDNESS = 0.16

let audio: AudioContext | null = null

/** @param midi 60 is middle C; 0 is a click, for a rhythm */
export function sound(midi: number): void {
    if (typeof AudioContext === 'undefined') {
        return
    }
    audio ??= new AudioContext()
    void audio.resume()
    const [tone, volume] = [audio.createOscillator(), audio.createGain()]
    const now = audio.currentTime
    tone.type = 'triangle'
    tone.frequency.value = midi === 0 ? 1200 : 440 * 2 ** ((midi - 69) / 12)
    const length = midi === 0 ? 0.05 : SECONDS
    volume.gain.setValueAtTime(0, now)
    volume.gain.linearRampToValueAtTime(LOUDNESS, now + 0.012)
    volume.gain.exponentialRampToValueAtTime(0.001, now + length)
    tone.connect(volume).connect(audio.destination)
    tone.start(now)
    tone.stop(now + length)
}
