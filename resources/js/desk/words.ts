import type { NoteInfo } from '../api/types'

const FRACTIONS: Record<string, string> = { '0.5': '½', '0.25': '¼', '0.75': '¾' }

/** “3”, “2½”; other fractions as a decimal. */
export function beatWords(beat: number): string {
    const whole = Math.floor(beat)
    const rest = Math.round((beat - whole) * 1000) / 1000
    return rest === 0 ? String(whole) : FRACTIONS[String(rest)] ? `${whole}${FRACTIONS[String(rest)]}` : String(Math.round(beat * 100) / 100)
}

export function placeWords(note: Pick<NoteInfo, 'measure' | 'beat'>): string {
    return `measure ${note.measure}, beat ${beatWords(note.beat)}`
}

export function bowWords(note: NoteInfo): string {
    if (note.direction === null) {
        return 'no bow (pizzicato)'
    }
    const action = note.action === 'hook' ? ', hooked' : note.action === 'retake' ? ', after a retake' : ''
    return `${note.direction}-bow${action}`
}

export const LEVELS: Record<string, string> = {
    'first-year': 'first year',
    'second-year': 'second year',
    'third-year': 'third year',
    advanced: 'advanced',
}

export const RIGHTS: Record<string, string> = {
    own: 'Own work',
    'public-domain': 'Public domain',
    licensed: 'Licensed to share',
    'printed-only': 'Printed set only',
}

export function dayWords(date: string): string {
    return new Date(date).toLocaleDateString('en', { day: 'numeric', month: 'long', year: 'numeric' })
}

export function problemWords(problem: unknown): string {
    return problem instanceof Error ? problem.message : String(problem)
}
