import type { HandNote, Mark, Note } from '../api/types'
import { track, TRACK_HEIGHT } from './bow-track'
import { handTrack, handTrackHeight } from './hand-track'
import { musicSpan, SPACE, unpack, type Engraving, type Head, type System } from './engraving'
import { draw, ROOM, STAFF_ONLY } from './pencil'
import { engravedHere, type Engraved, type Print } from './print'
import { element } from './svg'

/** The pencil. */
const GRAPHITE = '#26282c'

const BETWEEN_LINES = 1.6 * SPACE
/** Room for the tabs of the findings, which hang between the staff and the tracks. */
const TABS = 2.9 * SPACE
const BETWEEN_TRACKS = 0.9 * SPACE
const FONTS = ['400 16px "Source Serif 4"', 'bold 16px "Source Serif 4"', 'italic 16px "Source Serif 4"', '16px "Patrick Hand"']

export interface Flag {
    note: string
    number: number
}

/** What runs with the music under every line. */
export interface Tracks {
    /** The path of the bow, with the notes at which it has trouble, and as it was before a previewed change; null: not shown. */
    bow: { notes: readonly Note[]; before: readonly Note[] | null; troubled: ReadonlySet<string> } | null
    /** The strings (their names, lowest first) and the hand; null: not shown. */
    hand: { notes: readonly HandNote[]; before: readonly HandNote[] | null; strings: readonly string[] } | null
    /** The path of the bow in each version of a span, and the hand where it is shown, one under the other, by the name of the version. */
    versions?: readonly { name: string; notes: readonly Note[] }[]
    /** The notes that the versions are about. */
    tried?: readonly string[]
}

/** A run of notes that is pointed out: a place that is like another, or one that is kept in several versions. */
export interface Pointed {
    from: string
    to: string
    label: string
    kind: 'like' | 'here' | 'left' | 'settle'
}

/** A line of music for paper. */
export interface Copy {
    drawing: SVGGElement
    rests: System['rests']
    top: number
    height: number
}

interface Line {
    system: System
    /** Where the line's own coordinates start on the page, in the engraver's units. */
    y: number
    height: number
    /** Above its printed things, for the pencil. */
    room: number
    pencil: SVGGElement
    overlay: SVGGElement
    track: SVGGElement
    /** What its tracks show now. */
    painted: string
}

/** An engraved part with the pencil layer over it. The music is engraved once; marks are painted anew. */
export class ScorePage {
    readonly drawing = element('svg', { class: 'score', role: 'img', color: '#1d1e20' })

    private engraving: Engraving = { defs: [], systems: [], width: 1 }

    private lines: Line[] = []

    private marks = new Map<string, Mark[]>()

    private lineOf = new Map<string, Line>()

    /** What is engraved now; empty while it is being done. */
    music = ''

    private tracks: Tracks | null = null

    private heard: string | null = null

    private crossed: readonly number[] = []

    /** Which drawn measure each measure is. */
    private drawn: readonly number[] = []

    private looking = 0

    constructor(private readonly host: HTMLElement) {
        host.append(this.drawing)
        // Scrolling does not bubble; whatever scrolls, the lines in sight are others.
        document.addEventListener('scroll', this.lookAgain, { capture: true, passive: true })
        window.addEventListener('resize', this.lookAgain)
    }

    dispose(): void {
        document.removeEventListener('scroll', this.lookAgain, { capture: true })
        window.removeEventListener('resize', this.lookAgain)
    }

    private readonly lookAgain = (): void => {
        cancelAnimationFrame(this.looking)
        this.looking = requestAnimationFrame(() => this.hideOutOfSight())
    }

    /** The browser lays out and paints a long part in tens of milliseconds; lines that nobody sees are left out of that. */
    private hideOutOfSight(): void {
        const matrix = this.drawing.getScreenCTM()
        if (!matrix || this.host.offsetParent === null) {
            return
        }
        const [from, to] = [-0.3 * window.innerHeight, 1.3 * window.innerHeight]
        for (const { system, y, height, room } of this.lines) {
            const top = (y + system.top - room) * matrix.d + matrix.f
            const seen = top + height * matrix.d > from && top < to
            if (!seen) {
                system.element.setAttribute('display', 'none')
            } else {
                system.element.removeAttribute('display')
            }
        }
    }

    /**
     * @param width of a line of music in tenths of a millimetre on paper
     * @throws Error when the music cannot be engraved
     */
    async engrave(print: Print, width: number): Promise<void> {
        this.music = ''
        this.crossed = []
        this.heard = null
        const fonts = Promise.all(FONTS.map((font) => document.fonts.load(font)))
        const made = await (print.ready ?? ((wide) => engravedHere(print, wide)))(width)
        const late = print.ready !== undefined && !FONTS.every((font) => document.fonts.check(font))
        if (late) {
            // Whoever waits on an old phone sees the music first, and its letters as they come.
            void fonts.then(() => this.music === print.music && this.lay(print, made))
        } else {
            await fonts
        }
        this.lay(print, made)
        this.music = print.music
    }

    private lay(print: Print, made: Engraved): void {
        this.drawing.replaceChildren()
        this.engraving = unpack(made.pages, this.drawing)
        this.drawn = made.drawn
        print.beside?.forEach(({ note }, index) => this.layBeside(note, made.asides[index] ?? []))
        this.stack()
    }

    /** The print of a measure, beside what is typed over it. */
    private layBeside(note: string, pages: string[]): void {
        const { defs, systems } = unpack(pages, this.drawing)
        this.engraving.defs.push(...defs)
        const print = systems[0]?.element
        if (print) {
            const box = print.getBBox()
            print.remove()
            this.engraving.systems.find(({ heads }) => heads.has(note))?.asides.set(note, { print, box })
        }
    }

    paint(layer: readonly Mark[]): void {
        const before = this.marks
        this.marks = byNote(layer)
        let grown = false
        for (const line of this.lines) {
            if ([...line.system.heads.keys()].some((id) => !same(before.get(id), this.marks.get(id)))) {
                grown = this.paintLine(line) || grown
            }
        }
        if (grown) {
            this.layOut()
        }
    }

    /** One note, or a span of them; the last is where the next key goes. */
    select(notes: readonly string[]): void {
        this.drawing.querySelectorAll('.selection').forEach((old) => old.remove())
        for (const note of notes) {
            const line = this.lineOf.get(note)
            const head = line?.system.heads.get(note)
            if (line && head) {
                const { staffTop, staffBottom } = line.system
                const top = Math.min(head.box.y, staffTop) - 0.5 * SPACE
                const bottom = Math.max(head.box.y + head.box.height, staffBottom) + 0.5 * SPACE
                line.overlay.prepend(
                    element('rect', { class: note === notes.at(-1) ? 'selection' : 'selection span', x: head.box.x - 70, y: top, width: head.box.width + 140, height: bottom - top, rx: 60 }),
                )
            }
        }
    }

    /** Points out runs of notes, over as many lines of music as they go. */
    point(places: readonly Pointed[]): void {
        this.lines.forEach((line) => line.overlay.querySelectorAll('.pointed').forEach((old) => old.remove()))
        for (const place of places) {
            const [first, last] = [this.lineOf.get(place.from), this.lineOf.get(place.to)]
            const [from, to] = [first ? this.lines.indexOf(first) : -1, last ? this.lines.indexOf(last) : -1]
            for (let index = from; from !== -1 && index <= to; index++) {
                const line = this.lines[index]
                if (line) {
                    line.overlay.prepend(pointing(line.system, index === from ? place.from : null, index === to ? place.to : null, place))
                }
            }
        }
    }

    /** A line through the note that is heard, on the page and in the tracks. */
    follows(note: string | null): void {
        if (note === this.heard) {
            return
        }
        this.heard = note
        this.drawing.querySelectorAll('.heard').forEach((old) => old.remove())
        const line = note === null ? undefined : this.lineOf.get(note)
        const head = line?.system.heads.get(note ?? '')
        if (line && head) {
            const x = middle(head.box.x, head.box.width)
            const bottom = line.system.bottom + this.trackRoom(line.system)
            line.overlay.append(element('path', { class: 'heard', 'data-note': head.id, d: `M${x} ${line.system.staffTop - 2 * SPACE} V${bottom}` }))
        }
    }

    /** Draws the tracks under every line of music; null takes them away. */
    follow(tracks: Tracks | null): void {
        const rooms = () => this.engraving.systems.map((system) => this.trackRoom(system)).join()
        const before = rooms()
        this.tracks = tracks
        if (before !== rooms()) {
            this.layOut()
        }
        this.paintTracks()
    }

    /** The room that the tracks take under a line of music; versions lie only under the lines that they are about. */
    private trackRoom(system: System): number {
        const bow = this.tracks?.bow ? TRACK_HEIGHT + BETWEEN_TRACKS : 0
        const hand = this.tracks?.hand ? handTrackHeight(this.tracks.hand.strings.length) + BETWEEN_TRACKS : 0
        const versions = this.isTried(system) ? (this.tracks?.versions?.length ?? 0) : 0
        const room = versions > 0 ? versions * (TRACK_HEIGHT + BETWEEN_TRACKS + hand) : bow + hand
        return room === 0 ? 0 : TABS + room
    }

    private isTried(system: System): boolean {
        return this.tracks?.tried?.some((note) => system.heads.has(note)) ?? false
    }

    /** Numbered tabs under the notes that the findings are about. */
    flag(flags: readonly Flag[]): void {
        this.lines.forEach((line) => line.overlay.querySelectorAll('.flag').forEach((flag) => flag.remove()))
        for (const flag of flags) {
            const line = this.lineOf.get(flag.note)
            const head = line?.system.heads.get(flag.note)
            if (line && head) {
                line.overlay.append(flagDrawing(flag, head, line.system))
            }
        }
    }

    /** Crosses measures out that are not played, counted from 0 through the part: on the screen and on paper. */
    cross(measures: readonly number[]): void {
        this.crossed = measures
        const drawn = [...new Set(measures.map((measure) => this.drawn[measure] ?? measure))]
        let first = 0
        for (const { system } of this.lines) {
            system.element.querySelectorAll(':scope > .crossed').forEach((old) => old.remove())
            const here = drawn.filter((measure) => measure >= first && measure < first + system.barlines.length).map((measure) => measure - first)
            if (here.length > 0) {
                system.element.append(crossing(system, here))
            }
            first += system.barlines.length
        }
    }

    /** The note nearest to a place on the screen. */
    noteAt(clientX: number, clientY: number): string | null {
        const matrix = this.drawing.getScreenCTM()?.inverse()
        if (!matrix) {
            return null
        }
        const at = new DOMPoint(clientX, clientY).matrixTransform(matrix)
        const line = this.lines.find(({ y, system, height, room }) => at.y >= y + system.top - room && at.y < y + system.top - room + height)
        return line ? nearest(line, at.x, at.y - line.y) : null
    }

    /** The note above or below another, a line of music away. */
    lineAway(note: string, lines: number): string | null {
        const line = this.lineOf.get(note)
        const other = line ? this.lines[this.lines.indexOf(line) + lines] : undefined
        const head = line?.system.heads.get(note)
        return other && head ? nearest(other, head.box.x, other.system.staffTop) : null
    }

    /** Where a note and its marks are, in pixels of the viewport. */
    place(note: string): DOMRect | null {
        const line = this.lineOf.get(note)
        const matrix = this.drawing.getScreenCTM()
        if (!line || !matrix) {
            return null
        }
        const top = (line.y + line.system.top - line.room) * matrix.d + matrix.f
        return new DOMRect(matrix.e, top, this.width * matrix.a, line.height * matrix.d)
    }

    /**
     * Copies of the lines of music with these marks on them, for paper.
     *
     * @param only ids of notes: then the lines that have one of them
     */
    copies(layer: readonly Mark[], only?: readonly string[]): Copy[] {
        const marks = byNote(layer)
        return this.lines.filter(({ system }) => only === undefined || only.some((id) => system.heads.has(id))).map((line) => {
            const drawing = line.system.element.cloneNode(true) as SVGGElement
            drawing.removeAttribute('display')
            const { layer: pencil, room } = draw(line.system, marks)
            drawing.querySelector(':scope > .pencil')?.replaceWith(pencil)
            drawing.querySelectorAll(`.overlay, .decided-line, .tracks, .${STAFF_ONLY}`).forEach((thing) => thing.remove())
            return { drawing, rests: line.system.rests, top: line.system.top - room, height: line.system.bottom - line.system.top + room + BETWEEN_LINES }
        })
    }

    get defs(): SVGDefsElement[] {
        return this.engraving.defs
    }

    get width(): number {
        return this.engraving.width
    }

    private stack(): void {
        this.lines = []
        this.lineOf.clear()
        for (const system of this.engraving.systems) {
            const line = { system, y: 0, height: 0, room: ROOM, pencil: element('g'), overlay: element('g', { class: 'overlay' }), track: element('g', { class: 'tracks' }), painted: '' }
            system.element.querySelectorAll(':scope > .overlay, :scope > .pencil, :scope > .tracks').forEach((old) => old.remove())
            system.element.prepend(line.overlay)
            system.element.append(line.pencil, line.track)
            this.lines.push(line)
            system.heads.forEach((_, id) => this.lineOf.set(id, line))
            this.paintLine(line)
        }
        this.layOut()
        this.paintTracks()
        this.cross(this.crossed)
    }

    /** Puts the lines of music under each other. */
    private layOut(): void {
        let y = 0
        for (const line of this.lines) {
            const { system, room } = line
            line.height = system.bottom - system.top + room + BETWEEN_LINES + this.trackRoom(system)
            line.y = y - system.top + room
            system.element.setAttribute('transform', `translate(0, ${line.y.toFixed(0)})`)
            y += line.height
        }
        this.drawing.setAttribute('viewBox', `0 0 ${this.engraving.width} ${Math.max(1, y).toFixed(0)}`)
        this.lookAgain()
    }

    /** Draws the tracks of the lines whose notes have changed. */
    private paintTracks(): void {
        const { bow, hand, versions = [] } = this.tracks ?? { bow: null, hand: null }
        const byLine = <N extends { id: string }>(notes: readonly N[] | null | undefined) => {
            const lines = new Map<Line, N[]>()
            for (const note of notes ?? []) {
                const line = this.lineOf.get(note.id)
                if (line) {
                    const here = lines.get(line) ?? []
                    here.push(note)
                    lines.set(line, here)
                }
            }
            return notes ? lines : null
        }
        const [bowNow, bowBefore, handNow, handBefore] = [byLine(bow?.notes), byLine(bow?.before), byLine(hand?.notes), byLine(hand?.before)]
        const perVersion = versions.map(({ name, notes }) => ({ name, lines: byLine(notes) }))
        for (const line of this.lines) {
            const shown: Tracks = {
                bow: bow && { notes: bowNow?.get(line) ?? [], before: bowBefore && (bowBefore.get(line) ?? []), troubled: bow.troubled },
                hand: hand && { notes: handNow?.get(line) ?? [], before: handBefore && (handBefore.get(line) ?? []), strings: hand.strings },
                versions: (this.isTried(line.system) ? perVersion : []).map(({ name, lines }) => ({ name, notes: lines?.get(line) ?? [] })),
            }
            const trouble = shown.bow?.notes.filter(({ id }) => shown.bow?.troubled.has(id)).map(({ id }) => id)
            const painted = JSON.stringify([shown, trouble])
            if (painted !== line.painted) {
                line.painted = painted
                this.paintTrack(line, shown)
            }
        }
    }

    private paintTrack(line: Line, { bow, hand, versions = [] }: Tracks): void {
        const made = element('g', { class: 'tracks' })
        let top = line.system.bottom + TABS
        if (bow && versions.length === 0) {
            made.append(track(line.system, bow.notes, bow.troubled, top, bow.before))
            top += TRACK_HEIGHT + BETWEEN_TRACKS
        }
        if (hand && versions.length === 0) {
            made.append(handTrack(line.system, hand.notes, hand.strings, top, hand.before))
            top += handTrackHeight(hand.strings.length) + BETWEEN_TRACKS
        }
        for (const { name, notes } of versions) {
            const version = track(line.system, notes, new Set(), top, null)
            version.append(element('text', { class: 'version-name', x: musicSpan(line.system).left + 60, y: top + 330, 'font-size': 300 }, name))
            made.append(version)
            top += TRACK_HEIGHT + BETWEEN_TRACKS
            if (hand) {
                made.append(handTrack(line.system, notes, hand.strings, top, null))
                top += handTrackHeight(hand.strings.length) + BETWEEN_TRACKS
            }
        }
        line.track.replaceWith(made)
        line.track = made
    }

    /** @returns whether it takes another room than before */
    private paintLine(line: Line): boolean {
        const { layer, room } = draw(line.system, this.marks)
        line.pencil.replaceWith(layer)
        line.pencil = layer
        const grown = room !== line.room
        line.room = room
        return grown
    }
}

function byNote(layer: readonly Mark[]): Map<string, Mark[]> {
    const marks = new Map<string, Mark[]>()
    for (const mark of layer) {
        const own = marks.get(mark.note)
        if (own) {
            own.push(mark)
        } else {
            marks.set(mark.note, [mark])
        }
    }
    return marks
}

function same(a: Mark[] | undefined, b: Mark[] | undefined): boolean {
    return a === b || JSON.stringify(a) === JSON.stringify(b)
}

function nearest(line: Line, x: number, y: number): string | null {
    let best: { id: string; distance: number } | null = null
    for (const head of line.system.heads.values()) {
        const distance = Math.hypot(middle(head.box.x, head.box.width) - x, (middle(head.box.y, head.box.height) - y) / 4)
        if (!best || distance < best.distance) {
            best = { id: head.id, distance }
        }
    }
    return best?.id ?? null
}

function middle(start: number, size: number): number {
    return start + size / 2
}

/** A soft field behind the notes of a line that are meant, with a label at its beginning. */
function pointing(system: System, from: string | null, to: string | null, { label, kind }: Pointed): SVGGElement {
    const { left, right } = musicSpan(system)
    const [first, last] = [from === null ? undefined : system.heads.get(from), to === null ? undefined : system.heads.get(to)]
    const x = first ? first.box.x - 0.5 * SPACE : left
    const end = last ? last.box.x + last.box.width + 0.5 * SPACE : right
    const [top, bottom] = [system.staffTop - 1.1 * SPACE, system.staffBottom + 1.1 * SPACE]
    return element(
        'g',
        { class: `pointed ${kind}` },
        element('rect', { x, y: top, width: Math.max(SPACE, end - x), height: bottom - top, rx: 50 }),
        ...(first ? [element('text', { x: x + 40, y: bottom + 330, 'font-size': 300 }, label)] : []),
    )
}

/** One stroke of the pencil from corner to corner and one back, over each run of measures. */
function crossing(system: System, measures: readonly number[]): SVGGElement {
    const made = element('g', { class: 'crossed' })
    const { left } = musicSpan(system)
    const edge = (measure: number) => (measure < 0 ? left : (system.barlines[measure] ?? left))
    const [top, bottom] = [system.staffTop - 0.6 * SPACE, system.staffBottom + 0.6 * SPACE]
    for (const measure of measures) {
        if (measures.includes(measure - 1)) {
            continue
        }
        let last = measure
        while (measures.includes(last + 1)) {
            last++
        }
        const [from, to] = [edge(measure - 1), edge(last)]
        made.append(
            element('rect', { x: from, y: top, width: to - from, height: bottom - top, fill: '#fff', 'fill-opacity': 0.62, stroke: 'none' }),
            element('path', { d: `M${from} ${top} L${to} ${bottom} M${from} ${bottom} L${to} ${top} M${from} ${top} V${bottom} M${to} ${top} V${bottom}`, fill: 'none', stroke: GRAPHITE, 'stroke-width': 34, 'stroke-linecap': 'round' }),
        )
    }
    return made
}

function flagDrawing(flag: Flag, head: Head, system: System): SVGGElement {
    const x = middle(head.box.x, head.box.width)
    const y = -system.below.top(x - 150, 300) + 0.5 * SPACE
    const tab = element('path', { d: 'M0 0 L150 130 V400 H-150 V130 Z' })
    const number = element('text', { y: 330, 'text-anchor': 'middle', 'font-size': 250 }, String(flag.number))
    return element(
        'g',
        { class: 'flag', transform: `translate(${x}, ${y})`, 'data-note': flag.note },
        tab,
        number,
    )
}
