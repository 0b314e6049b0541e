import type { Role } from '../api/types'

export const ROLES: Record<Role, string> = { director: 'Director', 'co-teacher': 'Co-teacher', coach: 'Coach' }

/** What each may do, as the server has it (`Access`). */
export const MAY: { who: string; what: string }[] = [
    { who: 'Director', what: 'everything: decides and hands out every part, names ensemble and pieces, brings music in, asks people in and lets them go' },
    { who: 'Co-teacher who decides', what: 'decides in every part and hands it out' },
    { who: 'Co-teacher who looks', what: 'sees and prints every part' },
    { who: 'Coach who decides', what: 'decides in the parts named, and prints them' },
    { who: 'Coach who looks', what: 'sees and prints the parts named' },
    { who: 'Student', what: 'opens a link to one part, without an account' },
]

export function roleWords(role: Role, decides: boolean): string {
    return role === 'director' ? ROLES.director : `${ROLES[role]} who ${decides ? 'decides' : 'looks'}`
}
