import type { NextStep, Occasion, Role } from '../api/types'

/** What stands on a shelf. */
export const KINDS = { piece: 'a piece in parts', line: 'a lesson line' }

/** Who comes to a sectional. */
export const SECTIONS: Record<NonNullable<Occasion['sections']>[number], string> = { violin: 'Violins', viola: 'Violas', cello: 'Cellos', bass: 'Basses' }

export const ROLES: Record<Role, string> = { director: 'Director', 'co-teacher': 'Co-teacher', coach: 'Coach' }

/** “3 fingers, 1 bow”. */
export function changeWords({ fingers, bows }: { fingers: number; bows: number }): string {
    const count = (many: number, one: string) => (many === 0 ? '' : `${many} ${one}${many === 1 ? '' : 's'}`)
    return [count(fingers, 'finger'), count(bows, 'bow')].filter(Boolean).join(', ')
}

/** “Thursday, 18 March 2027”. */
export function dateWords(on: string): string {
    return new Date(`${on}T12:00:00`).toLocaleDateString('en-GB', { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric' })
}

export function roleWords(role: Role, decides: boolean): string {
    return role === 'director' ? ROLES.director : `${ROLES[role]} who ${decides ? 'decides' : 'looks'}`
}

const count = (many: number, one: string, more = `${one}s`) => `${many} ${many === 1 ? one : more}`

/** What is to be done first in a piece. */
export function stepWords({ step, name, count: many }: NextStep): string {
    switch (step) {
        case 'notes':
            return `${name} has no notes yet`
        case 'size-up':
            return `Size ${name} up${many > 1 ? `, and ${count(many - 1, 'more part', 'more parts')}` : ''}`
        case 'findings':
            return `${count(many, 'finding')} left, first in ${name}`
        case 'settle':
            return `${count(many, 'version')} to settle, first in ${name}`
        case 'hand-out':
            return `Hand out ${name}${many > 1 ? `, and ${count(many - 1, 'more part', 'more parts')}` : ''}`
        case 'out-of-date':
            return `${name}: ${count(many, 'change')} since it was handed out`
        case 'done':
            return 'Handed out, nothing left'
    }
}

/** Where it is done. */
export function stepPlace({ step, part }: NextStep): string {
    return `/parts/${part}${step === 'hand-out' || step === 'out-of-date' ? '?show=hand-out' : step === 'findings' ? '?show=findings' : ''}`
}
