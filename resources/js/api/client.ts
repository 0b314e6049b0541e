import type { Entry } from '../record/entries'
import type { Chosen } from '../staff/RoleChoice.vue'
import type { Account, Address, AskedIn, Decision, Desk, Drawn, Kept, Links, Made, Marking, NewInvitation, NewLink, People, Profile, ProfileTrial, Reading, Refusal, Session, Shared, Sheet, Shelf, ShelfPiece, SizeUp, TheirEntry, Ways, Why } from './types'

/** The server understood the request and says no; the message is for the director. */
export class Refused extends Error {
    constructor(
        readonly status: number,
        message: string,
        readonly theirs: TheirEntry[] = [],
        /** When the server wants to be asked again. */
        readonly afterSeconds = 0,
    ) {
        super(message)
    }
}

/** No usable answer came: the network is away or the server failed. The same may be asked again. */
export class Unreachable extends Error {
    constructor(
        message: string,
        readonly afterSeconds = 0,
    ) {
        super(message)
    }
}

/** Nobody waits longer for an answer; a file of 20 MB takes its time. */
const PATIENCE_MS = 20_000
const PATIENCE_FOR_FILES_MS = 120_000

function cookie(name: string): string {
    const found = document.cookie.split('; ').find((entry) => entry.startsWith(`${name}=`))
    return found ? decodeURIComponent(found.slice(name.length + 1)) : ''
}

async function send(method: string, path: string, body?: FormData | object): Promise<Response> {
    const headers: Record<string, string> = { Accept: 'application/json', 'X-XSRF-TOKEN': cookie('XSRF-TOKEN') }
    if (body && !(body instanceof FormData)) {
        headers['Content-Type'] = 'application/json'
    }
    try {
        return await fetch(`/api/${path}`, {
            method,
            headers,
            body: body instanceof FormData ? body : body ? JSON.stringify(body) : null,
            credentials: 'same-origin',
            signal: AbortSignal.timeout(body instanceof FormData ? PATIENCE_FOR_FILES_MS : PATIENCE_MS),
        })
    } catch (fault) {
        throw new Unreachable(fault instanceof DOMException && fault.name === 'TimeoutError' ? 'The server does not answer.' : 'The server cannot be reached. Check the connection.')
    }
}

const PLAIN: Record<number, string> = {
    401: 'You are signed out. Sign in again.',
    403: 'This is not yours to do; a director of the ensemble can.',
    404: 'There is nothing here any more.',
    413: 'This file is over 20 MB; a score this large is refused.',
    429: 'That was too often in a short time. Wait a minute and try again.',
}

async function refusal(response: Response): Promise<Refused> {
    const told: unknown = await response.json().catch(() => null)
    const { message = '', theirs = [] } = (told && typeof told === 'object' ? told : {}) as Partial<Refusal>
    // The framework's own messages are not written for directors; ours come with 404, 409 and 422.
    const ours = [403, 404, 409, 422].includes(response.status) && message !== '' && !/^(No query results|Not Found|This action is unauthorized)/.test(message)
    return new Refused(response.status, ours ? message : (PLAIN[response.status] ?? 'The server refused this. Reload the page and try again.'), theirs, after(response))
}

const after = (response: Response) => Math.min(300, Number(response.headers.get('Retry-After')) || 0)

/** Whoever asks for the password again, in place. */
let tellSignedOut = (): void => undefined

export function onSignedOut(tell: () => void): void {
    tellSignedOut = tell
}

async function request<T>(method: string, path: string, body?: FormData | object): Promise<T> {
    let response = await send(method, path, body)
    if (response.status === 419) {
        // The page was open longer than the session's token lived: fetch a fresh one and say it again.
        await send('GET', 'session')
        response = await send(method, path, body)
    }
    if (response.status === 503) {
        throw new Unreachable('The server is busy.', after(response))
    }
    if (response.status >= 500 || response.status === 408 || response.status === 419) {
        throw new Unreachable('The server has a fault.', after(response))
    }
    if (response.status === 401) {
        tellSignedOut()
    }
    if (!response.ok) {
        throw await refusal(response)
    }
    try {
        return response.status === 204 ? (undefined as T) : ((await response.json()) as T)
    } catch {
        throw new Unreachable('The answer of the server broke off.')
    }
}

function upload(file: File, fields: Record<string, string>): FormData {
    const form = new FormData()
    form.append('file', file)
    Object.entries(fields).forEach(([name, value]) => form.append(name, value))
    return form
}

function instrumentFields(instruments: Record<string, string>): Record<string, string> {
    return Object.fromEntries(Object.entries(instruments).map(([part, instrument]) => [`instruments[${part}]`, instrument]))
}

export const api = {
    session: () => request<Session>('GET', 'session'),
    signIn: (email: string, password: string) =>
        request<Session>('POST', 'session', { email, password }),
    signOut: () => request<undefined>('DELETE', 'session'),
    firstStart: (given: { code: string; school: string; name: string; email: string; password: string }) => request<Session>('POST', 'first-start', given),
    askedIn: (token: string) => request<AskedIn>('GET', `join/${encodeURIComponent(token)}`),
    join: (token: string, name: string, password: string) => request<Session>('POST', `join/${encodeURIComponent(token)}`, { name, password }),
    account: () => request<Account>('GET', 'account'),
    changeAccount: (given: { name: string; email: string; password: string; current_password: string }) => request<Account>('PATCH', 'account', given),
    openEnsemble: (school: number, given: { name: string; year: string; level: string }) => request<Made>('POST', `schools/${school}/ensembles`, given),
    changeEnsemble: (id: number, given: { name?: string; year?: string; level?: string; putAway?: boolean }) => request<undefined>('PATCH', `ensembles/${id}`, given),
    nextYear: (id: number, given: { name: string; year: string }) => request<Made>('POST', `ensembles/${id}/next-year`, given),
    profile: (ensemble: number) => request<Profile>('GET', `ensembles/${ensemble}/profile`),
    tryProfile: (ensemble: number, settings: Record<string, unknown>, style: Record<string, string>) => request<ProfileTrial>('POST', `ensembles/${ensemble}/profile/trial`, { settings, style }),
    keepProfile: (ensemble: number, settings: Record<string, unknown>, style: Record<string, string>) => request<undefined>('PUT', `ensembles/${ensemble}/profile`, { settings, style }),
    makePasswordLink: (membership: number) => request<Address>('POST', `memberships/${membership}/password-link`),
    passwordLink: (token: string) => request<Account>('GET', `new-password/${encodeURIComponent(token)}`),
    newPassword: (token: string, password: string) => request<Session>('POST', `new-password/${encodeURIComponent(token)}`, { password }),
    people: (ensemble: number) => request<People>('GET', `ensembles/${ensemble}/people`),
    invite: (ensemble: number, chosen: Chosen) => request<NewInvitation>('POST', `ensembles/${ensemble}/invitations`, chosen),
    renewInvitation: (id: number) => request<NewInvitation>('POST', `invitations/${id}/renew`),
    takeBackInvitation: (id: number) => request<undefined>('DELETE', `invitations/${id}`),
    changeMember: (id: number, chosen: Chosen) => request<undefined>('PATCH', `memberships/${id}`, chosen),
    letGo: (id: number) => request<undefined>('DELETE', `memberships/${id}`),
    changePiece: (id: number, given: Partial<Pick<ShelfPiece, 'title' | 'composer' | 'rights' | 'bowing' | 'putAway'>>) => request<undefined>('PATCH', `pieces/${id}`, given),
    movePiece: (id: number, before: number | null) => request<undefined>('POST', `pieces/${id}/move`, { before }),
    bringPiece: (id: number, to: number, how: 'move' | 'decided' | 'print') => request<Made>('POST', `pieces/${id}/bring`, { to, how }),
    takePieceAway: (id: number, title: string) => request<undefined>('DELETE', `pieces/${id}`, { title }),
    shelf: () => request<Shelf>('GET', 'shelf'),
    read: (file: File, instruments: Record<string, string>) =>
        request<Reading>('POST', 'readings', upload(file, instrumentFields(instruments))),
    keep: (ensemble: number, file: File, kept: { title: string; rights: string; key: string; instruments: Record<string, string> }) =>
        request<Kept>(
            'POST',
            `ensembles/${ensemble}/pieces`,
            upload(file, { title: kept.title, rights: kept.rights, key: kept.key, ...instrumentFields(kept.instruments) }),
        ),
    part: (id: number) => request<Desk>('GET', `parts/${id}`),
    marking: (id: number, have?: string) => request<Marking>('GET', `parts/${id}/log${have ? `?have=${have}` : ''}`),
    append: ({ part, key, kind, decisions, takes, seen, proposed }: Entry, by: number, browser: string, follows: string | undefined, have: string | undefined) =>
        request<Marking>('POST', `parts/${part}/log`, { key, kind, decisions, takes, seen, proposed, by, browser, follows, have }),
    sheet: (id: number) => request<Sheet>('GET', `parts/${id}/sheet`),
    preview: (id: number, decisions: Decision[]) => request<Drawn>('POST', `parts/${id}/preview`, { decisions }),
    why: (id: number, note: string) => request<Why>('GET', `parts/${id}/why/${encodeURIComponent(note)}`),
    ways: (id: number, from: string, to: string) => request<Ways>('GET', `parts/${id}/ways?${new URLSearchParams({ from, to }).toString()}`),
    sizeUp: (id: number) => request<SizeUp>('GET', `parts/${id}/size-up`),
    links: (part: number) => request<Links>('GET', `parts/${part}/links`),
    openLink: (part: number, days: number) =>
        request<NewLink>('POST', `parts/${part}/links`, { days }),
    closeLink: (id: number) => request<undefined>('DELETE', `links/${id}`),
    shared: (token: string) => request<Shared>('GET', `shared/${token}`),
}

export const partMusicXml = (id: number) => `/api/parts/${id}/musicxml`
export const sharedMusicXml = (token: string) => `/api/shared/${token}/musicxml`
