import type { Entry } from '../record/entries'
import type { Chosen } from '../staff/RoleChoice.vue'
import type { Account, Address, Alike, AskedIn, AskedVersions, Audit, CallOut, Carried, Codes, Correction, Decision, Derived, Desk, Devices, Drawn, EditionPage, Editions, Habits, Heard, History, Handouts, Lesson, AddedPiece, Link, Made, Marking, NewInvitation, NoteOfRehearsal, Occasion, Occasions, OpenPlaces, Order, Packet, PageFile, PageFiles, Passage, PassageTable, Past, People, Piece, PieceProposals, Plan, Practice, PracticeSheet, KeptPractice, Played, Profile, ProfileTrial, Proposals, Pulse, Reading, Refusal, Rehearsal, ScalePatterns, Scales, SchoolSettings, Secret, Session, Sheet, Shelf, ShelfPiece, SizeUp, Slip, TheirEntry, Typed, Ways, Why, FigureTaken, LineUp, OutOfLines, PartDecisions, Previewed, Teaching } from './types'

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

/** Music files, one or one a part, with what is said of them. */
function music(files: readonly File[], fields: Record<string, string | number | null | undefined>): FormData {
    const form = new FormData()
    files.forEach((file) => form.append('files[]', file))
    form.append('count', String(files.length))
    Object.entries(fields).forEach(([name, value]) => value !== null && value !== undefined && form.append(name, String(value)))
    return form
}

const byPart = (name: string, values: Record<number, string>) => Object.fromEntries(Object.entries(values).map(([part, value]) => [`${name}[${part}]`, value]))

function instrumentFields(instruments: Record<string, string>): Record<string, string> {
    return Object.fromEntries(Object.entries(instruments).map(([part, instrument]) => [`instruments[${part}]`, instrument]))
}

/** “?from=n1&to=n8”, of what is there. */
function query(fields: Record<string, string | number | null | undefined>): string {
    const asked = new URLSearchParams(Object.entries(fields).flatMap(([name, value]) => (value === null || value === undefined ? [] : [[name, String(value)]]))).toString()
    return asked === '' ? '' : `?${asked}`
}

/** “?players=3”; nothing where it is nobody in particular. */
function of(name: string, id: string | number | null): string {
    return id === null ? '' : `?${name}=${encodeURIComponent(id)}`
}

/** What is noted in rehearsal. */
/** A sheet to practise from. */
export interface WantedPractice {
    from: string
    to: string
    kinds: readonly string[]
    minutes: number | null
}

export interface GivenNote {
    /** Given where it is made: sent twice it is one note. */
    key: string
    at: string
    from: string
    to: string
    parts: number[]
    what: string
    howMany: NoteOfRehearsal['howMany']
}

/** What a class, a section or a group is to be; how it writes; and how its director writes elsewhere. */
export interface GivenProfile {
    settings: Record<string, unknown>
    style: Record<string, string>
    directors: Record<string, string>
}

/** How a part is made from another one. */
export interface Derivation {
    as: string
    interval: string | null
    voice: string | null
    staff: number | null
}

export const api = {
    session: () => request<Session>('GET', 'session'),
    signIn: (email: string, password: string) =>
        request<Session>('POST', 'session', { email, password }),
    giveCode: (code: string) => request<Session>('POST', 'session/code', { code }),
    signOut: () => request<undefined>('DELETE', 'session'),
    forgotten: (email: string) => request<undefined>('POST', 'forgotten', { email }),
    firstStart: (given: { code: string; school: string; name: string; email: string; password: string; timeZone: string }) => request<Session>('POST', 'first-start', given),
    askedIn: (token: string) => request<AskedIn>('GET', `join/${encodeURIComponent(token)}`),
    join: (token: string, name: string, password: string) => request<Session>('POST', `join/${encodeURIComponent(token)}`, { name, password }),
    account: () => request<Account>('GET', 'account'),
    changeAccount: (given: { name: string; email: string; password: string; current_password: string }) => request<Account>('PATCH', 'account', given),
    beginCode: (current_password: string) => request<Secret>('POST', 'account/second-factor', { current_password }),
    confirmCode: (code: string) => request<Codes>('PUT', 'account/second-factor', { code }),
    endCode: (current_password: string) => request<undefined>('DELETE', 'account/second-factor', { current_password }),
    devices: () => request<Devices>('GET', 'account/devices'),
    endDevice: (id: number) => request<undefined>('DELETE', `account/devices/${id}`),
    leave: (current_password: string) => request<undefined>('DELETE', 'account', { current_password }),
    school: (id: number) => request<SchoolSettings>('GET', `schools/${id}`),
    audit: (id: number, before?: number) => request<Audit>('GET', `schools/${id}/audit${before === undefined ? '' : `?before=${before}`}`),
    changeSchool: (id: number, given: { name: string; idleMinutes: number | null; auditDays: number | null; timeZone: string | null }) => request<undefined>('PATCH', `schools/${id}`, given),
    putAdministrator: (id: number, person: number, administrator: boolean) => request<undefined>('PATCH', `schools/${id}/people/${person}`, { administrator }),
    openEnsemble: (school: number, given: { name: string; year: string; level: string }) => request<Made>('POST', `schools/${school}/ensembles`, given),
    changeEnsemble: (id: number, given: { name?: string; year?: string; level?: string; putAway?: boolean }) => request<undefined>('PATCH', `ensembles/${id}`, given),
    nextYear: (id: number, given: { name: string; year: string }) => request<Made>('POST', `ensembles/${id}/next-year`, given),
    leaveEnsemble: (id: number) => request<undefined>('POST', `ensembles/${id}/leave`),
    profile: (ensemble: number, section: number | null) => request<Profile>('GET', `ensembles/${ensemble}/profile${of('section', section)}`),
    tryProfile: (ensemble: number, section: number | null, given: GivenProfile) => request<ProfileTrial>('POST', `ensembles/${ensemble}/profile/trial${of('section', section)}`, given),
    habits: (ensemble: number) => request<Habits>('GET', `ensembles/${ensemble}/habits`),
    answerHabit: (ensemble: number, what: string, answer: 'taken' | 'later' | 'never' | 'back', everywhere = false) => request<undefined>('POST', `ensembles/${ensemble}/habits`, { what, answer, everywhere }),
    keepProfile: (ensemble: number, section: number | null, given: GivenProfile) => request<undefined>('PUT', `ensembles/${ensemble}/profile${of('section', section)}`, given),
    makeGroup: (ensemble: number, section: number, name: string) => request<Made>('POST', `ensembles/${ensemble}/sections`, { section, name }),
    changeSection: (id: number, given: { name?: string; stands?: number; players?: number | null }) => request<undefined>('PATCH', `sections/${id}`, given),
    takeSectionAway: (id: number) => request<undefined>('DELETE', `sections/${id}`),
    occasions: (ensemble: number) => request<Occasions>('GET', `ensembles/${ensemble}/occasions`),
    makeOccasion: (ensemble: number, given: { kind: string; name: string; on: string; starts: string | null; minutes: number | null; sections: Occasion['sections'] }) => request<Made>('POST', `ensembles/${ensemble}/occasions`, given),
    changeOccasion: (id: number, given: { name: string; on: string; starts: string | null; minutes: number | null; sections: Occasion['sections'] }) => request<undefined>('PATCH', `occasions/${id}`, given),
    takeOccasionAway: (id: number) => request<undefined>('DELETE', `occasions/${id}`),
    piece: (id: number) => request<Piece>('GET', `pieces/${id}`),
    tryOrder: (id: number, order: Order) => request<ProfileTrial>('POST', `pieces/${id}/order/trial`, { order }),
    keepOrder: (id: number, order: Order) => request<undefined>('PUT', `pieces/${id}/order`, { order }),
    passageTable: (id: number) => request<PassageTable>('GET', `pieces/${id}/passages`),
    keepPassages: (id: number, passages: Passage[] | null) => request<undefined>('PUT', `pieces/${id}/passages`, { passages }),
    changePart: (id: number, given: { name?: string; section?: number | null; instrument?: string; putAway?: boolean }) => request<undefined>('PATCH', `parts/${id}`, given),
    movePart: (id: number, before: number | null) => request<undefined>('POST', `parts/${id}/move`, { before }),
    takePartAway: (id: number, name: string) => request<undefined>('DELETE', `parts/${id}`, { name }),
    makePasswordLink: (membership: number) => request<Address>('POST', `memberships/${membership}/password-link`),
    passwordLink: (token: string, email: string) => request<Account>('GET', `new-password/${encodeURIComponent(token)}?email=${encodeURIComponent(email)}`),
    newPassword: (token: string, email: string, password: string) => request<Session>('POST', `new-password/${encodeURIComponent(token)}`, { email, password }),
    people: (ensemble: number) => request<People>('GET', `ensembles/${ensemble}/people`),
    invite: (ensemble: number, chosen: Chosen) => request<NewInvitation>('POST', `ensembles/${ensemble}/invitations`, chosen),
    renewInvitation: (id: number) => request<NewInvitation>('POST', `invitations/${id}/renew`),
    takeBackInvitation: (id: number) => request<undefined>('DELETE', `invitations/${id}`),
    changeMember: (id: number, chosen: Chosen) => request<undefined>('PATCH', `memberships/${id}`, chosen),
    letGo: (id: number) => request<undefined>('DELETE', `memberships/${id}`),
    changePiece: (id: number, given: Partial<Pick<ShelfPiece, 'title' | 'composer' | 'rights' | 'bowing' | 'putAway'>> & Partial<Pick<Piece, 'kind' | 'tempo' | 'level' | 'occasion' | 'printIsMine'>> & { final?: boolean; taught?: boolean; practice?: { tempo: number | null; passages: Record<string, number> } | null }) => request<undefined>('PATCH', `pieces/${id}`, given),
    movePiece: (id: number, before: number | null) => request<undefined>('POST', `pieces/${id}/move`, { before }),
    bringPiece: (id: number, to: number, how: 'move' | 'decided' | 'print') => request<Made>('POST', `pieces/${id}/bring`, { to, how }),
    takePieceAway: (id: number, title: string) => request<undefined>('DELETE', `pieces/${id}`, { title }),
    shelf: () => request<Shelf>('GET', 'shelf'),
    read: (files: File[], tune: number | null, instruments: Record<string, string>) => request<Reading>('POST', 'readings', music(files, { tune, ...instrumentFields(instruments) })),
    keep: (ensemble: number, files: File[], { parts, instruments, ...kept }: { title: string; rights: string; kind: string; key: string; tune: number | null; parts: string[]; instruments: Record<string, string> }) =>
        request<AddedPiece>('POST', `ensembles/${ensemble}/pieces`, music(files, { ...kept, ...Object.fromEntries(parts.map((part, index) => [`parts[${index}]`, part])), ...instrumentFields(instruments) })),
    /** @param only the part that is meant; null: all of the piece */
    tryCorrection: (piece: number, files: File[], tune: number | null, only: number | null, parts: Record<number, string>) => request<Correction>('POST', `pieces/${piece}/correction/trial`, music(files, { tune, only, ...byPart('parts', parts) })),
    correct: (piece: number, files: File[], tune: number | null, parts: Record<number, string>, bases: Record<number, string>) => request<undefined>('POST', `pieces/${piece}/correction`, music(files, { tune, ...byPart('parts', parts), ...byPart('bases', bases) })),
    editions: (part: number) => request<Editions>('GET', `parts/${part}/editions`),
    edition: (id: number) => request<EditionPage>('GET', `editions/${id}`),
    bringEditionBack: (id: number) => request<undefined>('POST', `editions/${id}/back`),
    placeGone: (id: number, note: string, key: string) => request<undefined>('POST', `gone/${id}/place`, { note, key }),
    letGoneGo: (id: number) => request<undefined>('DELETE', `gone/${id}`),
    tryDerived: (part: number, how: Derivation) => request<Derived>('POST', `parts/${part}/derived/trial`, how),
    derive: (part: number, how: Derivation & { name: string; key: string }) => request<AddedPiece>('POST', `parts/${part}/derived`, how),
    /** @param beside “parts/3” or “manuscripts/…” */
    pageFiles: (beside: string) => request<PageFiles>('GET', `${beside}/pages`),
    bringPage: (beside: string, file: File) => request<PageFile>('POST', `${beside}/pages`, upload(file, {})),
    lookAtPage: (key: string, look: Record<string, unknown>) => request<undefined>('PUT', `pages/${key}/look`, { look }),
    dropPage: (key: string) => request<undefined>('DELETE', `pages/${key}`),
    writtenDown: (meter: string, notes: { at: string; sign?: string; on: number; off: number }[]) => request<Played>('POST', 'readings/played', { meter, notes }),
    manuscript: (key: string) => request<Typed>('GET', `manuscripts/${key}`),
    manuscriptOf: (part: number) => request<Typed>('GET', `parts/${part}/manuscript`),
    keepManuscript: (ensemble: number, key: string, given: { revision: number; typed: string; part: number | null; piece: number | null }) => request<Typed>('PUT', `ensembles/${ensemble}/manuscripts/${key}`, given),
    dropManuscript: (key: string) => request<undefined>('DELETE', `manuscripts/${key}`),
    putInAsPiece: (key: string, given: { title: string; rights: string; kind: string; sections: { name: string; instrument: string }[] }) => request<AddedPiece>('POST', `manuscripts/${key}/piece`, given),
    putInAsPart: (key: string, given: { name: string; instrument: string }) => request<AddedPiece>('POST', `manuscripts/${key}/part`, given),
    putOverPrint: (key: string) => request<AddedPiece>('POST', `manuscripts/${key}/over-print`),
    putInOver: (key: string, over: boolean) => request<AddedPiece>('POST', `manuscripts/${key}/correction`, { over }),
    part: (id: number, players: string | null) => request<Desk>('GET', `parts/${id}${of('players', players)}`),
    marking: (id: number, players: string | null) => request<Marking>('GET', `parts/${id}/log${of('players', players)}`),
    append: ({ part, players, key, kind, decisions, takes, seen, proposed }: Entry, by: number, browser: string, follows: string | undefined, have: string | undefined) =>
        request<Marking>('POST', `parts/${part}/log${of('players', players ?? null)}`, { key, kind, decisions, takes, seen, proposed, by, browser, follows, have }),
    sheet: (id: number, players: string | null, proposals: boolean) => request<Sheet>('GET', `parts/${id}/sheet${query({ players, proposals: proposals ? 1 : null })}`),
    keepLines: (id: number, lines: string[]) => request<undefined>('PUT', `parts/${id}/lines`, { lines }),
    proposals: (id: number, players: string | null, from?: string, to?: string, doubtful = false) => request<Proposals>('GET', `parts/${id}/proposals${query({ players, from, to, doubtful: doubtful ? 1 : null })}`),
    pieceProposals: (piece: number) => request<PieceProposals>('GET', `pieces/${piece}/proposals`),
    /** One entry in several parts of a piece: into all of their records, or into none. */
    appendGroup: (piece: number, key: string, parts: { part: number; seen: number; decisions: Decision[] }[]) => request<undefined>('POST', `pieces/${piece}/log`, { key, parts }),
    lineUp: (piece: number) => request<LineUp>('GET', `pieces/${piece}/line-up`),
    outOfLine: (piece: number) => request<OutOfLines>('GET', `pieces/${piece}/out-of-line`),
    bowedLike: (piece: number, part: number, note: string) => request<FigureTaken>('GET', `pieces/${piece}/bowed-like${query({ part, note })}`),
    previewLineUp: (piece: number, parts: PartDecisions[]) => request<Previewed>('POST', `pieces/${piece}/line-up/preview`, { parts }),
    teaching: (piece: number) => request<Teaching>('GET', `pieces/${piece}/teaching`),
    /** Takes back one such entry, in all parts that it went into. */
    undoGroup: (piece: number, key: string) => request<undefined>('POST', `pieces/${piece}/log/undo`, { takes: key }),
    alike: (id: number, players: string | null, notes: string[]) => request<Alike>('POST', `parts/${id}/alike${of('players', players)}`, { notes }),
    asIn: (id: number, players: string | null, measures: string, at: string) => request<Carried>('GET', `parts/${id}/as-in${query({ players, measures, at })}`),
    versions: (id: number, players: string | null, decisions: Decision[], listen: string) => request<AskedVersions>('POST', `parts/${id}/versions${of('players', players)}`, { decisions, listen }),
    heard: (id: number, players: string | null, decisions: Decision[] = []) => request<Heard>('POST', `parts/${id}/heard${of('players', players)}`, { decisions }),
    openPlaces: (id: number) => request<OpenPlaces>('GET', `parts/${id}/open`),
    history: (id: number, asked: { before?: number | null; note?: string }) => request<History>('GET', `parts/${id}/history${query(asked)}`),
    past: (id: number, seq: number) => request<Past>('GET', `parts/${id}/history/${seq}`),
    preview: (id: number, players: string | null, decisions: Decision[]) => request<Drawn>('POST', `parts/${id}/preview${of('players', players)}`, { decisions }),
    why: (id: number, players: string | null, note: string) => request<Why>('GET', `parts/${id}/why/${encodeURIComponent(note)}${of('players', players)}`),
    ways: (id: number, players: string | null, from: string, to: string) => request<Ways>('GET', `parts/${id}/ways?${new URLSearchParams({ from, to, ...(players === null ? {} : { players: String(players) }) }).toString()}`),
    sizeUp: (id: number, players: string | null) => request<SizeUp>('GET', `parts/${id}/size-up${of('players', players)}`),
    handouts: (part: number) => request<Handouts>('GET', `parts/${part}/handouts`),
    handOut: (part: number, key: string, proposals: boolean, audiences: string[] | null) => request<{ handouts: Handouts['handouts'] }>('POST', `parts/${part}/handouts`, { key, proposals, audiences }),
    handOutAll: (piece: number, key: string, proposals: boolean) => request<{ handouts: Handouts['handouts'] }>('POST', `pieces/${piece}/handouts`, { key, proposals }),
    takeHandoutBack: (handout: number) => request<undefined>('POST', `handouts/${handout}/withdraw`),
    slip: (part: number, players: string | null, from: string | null, to: string | null) => request<Slip>('GET', `parts/${part}/slip${query({ players, from, to })}`),
    callOut: (piece: number, from: string | null) => request<CallOut>('GET', `pieces/${piece}/call-out${query({ from })}`),
    sayOldSet: (part: number, key: string, what: { typed: string } | { handout: number }) => request<undefined>('PUT', `parts/${part}/old-set`, { key, ...what }),
    openLink: (part: number, players: string | null, days: number, handout: number | null, proposals: boolean) => request<Link>('POST', `parts/${part}/links${of('players', players)}`, { days, handout, proposals }),
    rehearsal: (piece: number) => request<Rehearsal>('GET', `pieces/${piece}/rehearsal`),
    keepNote: (piece: number, note: GivenNote) => request<NoteOfRehearsal>('POST', `pieces/${piece}/notes`, note),
    changeNote: (key: string, note: Omit<GivenNote, 'key' | 'at'>) => request<NoteOfRehearsal>('PATCH', `notes/${key}`, note),
    makeOfNote: (key: string, became: NonNullable<NoteOfRehearsal['became']>) => request<NoteOfRehearsal>('POST', `notes/${key}/become`, { became }),
    plan: (occasion: number) => request<Plan>('GET', `occasions/${occasion}/plan`),
    keepPlan: (occasion: number, items: { key: string; passes: number; talk: number; words?: string }[] | null) => request<Plan>('PUT', `occasions/${occasion}/plan`, { items }),
    pulse: (part: number) => request<Pulse>('GET', `parts/${part}/pulse`),
    answerSuggestions: (part: number, keys: string[], take: boolean, reason: string) => request<Pulse>('POST', `parts/${part}/suggestions`, { keys, take, reason }),
    prescribe: (piece: number, by: string) => request<undefined>('POST', `pieces/${piece}/prescription`, { by }),
    liftPrescription: (piece: number) => request<undefined>('DELETE', `pieces/${piece}/prescription`),
    scalePatterns: (ensemble: number) => request<ScalePatterns>('GET', `ensembles/${ensemble}/scales/patterns`),
    scales: (ensemble: number, wanted: { keys: string; octaves: number; figure: string; bow: string; open: string | null; for: string }) => request<Scales>('GET', `ensembles/${ensemble}/scales${query(wanted)}`),
    lesson: (piece: number, under: 'names' | 'fingers' | 'counts' | 'nothing', part: number | null) => request<Lesson>('GET', `pieces/${piece}/lesson${query({ under, part })}`),
    growProfile: (piece: number) => request<Lesson>('POST', `pieces/${piece}/profile`),
    spreadLine: (piece: number, given: { key: string; for: readonly string[]; part: number | null }) => request<Lesson>('POST', `pieces/${piece}/unison`, given),
    practice: (part: number, from: string | null, to: string | null) => request<Practice>('GET', `parts/${part}/practice${query({ from, to })}`),
    makePractice: (part: number, wanted: WantedPractice & { all: boolean }) => request<PracticeSheet>('POST', `parts/${part}/practice`, wanted),
    keepPractice: (part: number, wanted: WantedPractice & { key: string }) => request<KeptPractice>('POST', `parts/${part}/practice-sheets`, wanted),
    takePracticeAway: (id: number) => request<undefined>('DELETE', `practice-sheets/${id}`),
    packet: (occasion: number) => request<Packet>('GET', `occasions/${occasion}/packet`),
    closeLink: (id: number) => request<undefined>('DELETE', `links/${id}`),
}

export const partSheetCsv = (id: number, players: string | null, proposals: boolean) => `/api/parts/${id}/sheet.csv${query({ players, proposals: proposals ? 1 : null })}`
export const calendarOf = (ensemble: number) => `/api/ensembles/${ensemble}/calendar.ics`
export const scoreXml = (piece: number) => `/api/pieces/${piece}/score.musicxml`
export const slipCsv = (part: number, players: string | null, from: string | null, to: string | null) => `/api/parts/${part}/slip.csv${query({ players, from, to })}`
export const callOutCsv = (piece: number, from: string | null) => `/api/pieces/${piece}/call-out.csv${query({ from })}`
export const partMusicXml = (id: number, players: string | null) => `/api/parts/${id}/musicxml${of('players', players)}`
export const schoolExport = (id: number) => `/api/schools/${id}/export`
