import type { LineUp, MapPart, OutOfLine } from '../api/types'
import { element } from '../page/svg'

/** How the map lies on its paper, in pixels: it is drawn for the width that it has. */
export const STRIP = 30
const HEAD = 30
const GAP = 16
const GUTTER = 92
const BAR = 11

/** How each thing is drawn, as attributes, so that screen, print and PDF agree. */
const LOOKS: Record<string, Record<string, string | number>> = {
    'map-number': { 'font-size': 10, fill: '#5c5f63' },
    'map-letter-box': { fill: '#fffdf7', stroke: '#1d1e20', 'stroke-width': 1.2 },
    'map-letter': { 'font-size': 11, 'font-weight': 700, 'text-anchor': 'middle', fill: '#1d1e20' },
    'map-bars': { fill: 'none', stroke: '#cfc8b8', 'stroke-width': 1 },
    'map-cutoff': { fill: 'none', stroke: '#1d1e20', 'stroke-width': 1.4, 'stroke-dasharray': '3 3' },
    'map-part': { 'font-size': 11.5, 'font-weight': 600, fill: '#1d1e20' },
    'map-rest': { fill: 'none', stroke: '#d5cfc2', 'stroke-width': 1 },
    'map-down': { fill: '#33363a' },
    'map-up': { fill: '#c6beae', stroke: '#33363a', 'stroke-width': 1 },
    'map-plucked': { fill: 'none', stroke: '#33363a', 'stroke-width': 1.4 },
    'map-inner': { fill: 'none', stroke: '#fffdf7', 'stroke-width': 1.6 },
    'map-hook': { fill: 'none', stroke: '#1d1e20', 'stroke-width': 1.3 },
    'map-lift': { fill: 'none', stroke: '#8f3a1e', 'stroke-width': 1.6 },
    'map-divided': { fill: 'none', stroke: '#fffdf7', 'stroke-width': 2 },
    'map-decided': { fill: 'none', stroke: '#1d1e20', 'stroke-width': 1.8 },
    'map-change': { fill: 'none', stroke: '#f3c9a8', 'stroke-width': 2.6 },
    'map-solo': { fill: 'none', stroke: '#8f3a1e', 'stroke-width': 1.4 },
}

function drawn<K extends 'path' | 'rect' | 'text'>(name: K, look: string, attributes: Record<string, string | number>, ...words: string[]): SVGElementTagNameMap[K] {
    return element(name, { class: look, ...LOOKS[look], ...attributes }, ...words)
}

export interface Stroke {
    from: number
    until: number
    direction: string
    action: string
    note: string
    inner: number[]
    /** Where each desk changes on a held note. */
    desks: number[][]
}

export interface System {
    /** Index of its first measure, and of the one after its last. */
    first: number
    end: number
    from: number
    until: number
    top: number
}

/** What is pointed out: places of a figure, or a passage that is out of line. */
export interface Pointed {
    part: number
    from: number
    until: number
    look: 'figure' | 'exception' | 'finding' | 'previewed'
    words?: string
}

export function strokesOf(part: MapPart): Stroke[] {
    return part.strokes.map(([from, until, direction, action, note, inner, desks]) => ({ from, until, direction, action, note, inner, desks }))
}

/** The lines of the map: so many measures in each. */
export function systemsOf(map: LineUp, measures: number): System[] {
    const height = HEAD + map.parts.length * STRIP + GAP
    const systems: System[] = []
    for (let first = 0; first < map.measures.length; first += measures) {
        const end = Math.min(map.measures.length, first + measures)
        const [start, last] = [map.measures[first], map.measures[end - 1]]
        if (start && last) {
            systems.push({ first, end, from: start.start, until: last.start + last.length, top: systems.length * height })
        }
    }
    return systems
}

/** The map of all sections: bars as long as the strokes sound, told apart by shape and by shade. */
export class LineMap {
    readonly root: SVGSVGElement
    readonly systems: System[]
    readonly height: number
    private readonly pointed = element('g', { class: 'map-pointed' })
    private readonly cursor = element('rect', { class: 'map-cursor', rx: 3, width: 0, height: 0, visibility: 'hidden' })
    private readonly longest: number
    private readonly strips = new Map<string, SVGGElement>()

    constructor(
        private readonly map: LineUp,
        measures: number,
        private readonly width: number,
    ) {
        this.systems = systemsOf(map, measures)
        this.longest = Math.max(1, ...this.systems.map(({ from, until }) => until - from))
        this.height = this.systems.length * this.systemHeight() + 4
        this.root = element('svg', { class: 'line-map', viewBox: `0 0 ${width} ${this.height}`, width, height: this.height, role: 'img', 'aria-label': `All sections of ${map.title}` })
        this.root.append(...this.systems.map((system) => this.system(system)), this.pointed, this.cursor)
    }

    private systemHeight(): number {
        return HEAD + this.map.parts.length * STRIP + GAP
    }

    private x(system: System, tick: number): number {
        return GUTTER + ((tick - system.from) / this.longest) * (this.width - GUTTER - 6)
    }

    private system(system: System): SVGGElement {
        const group = element('g', { class: 'map-system', transform: `translate(0 ${system.top})` })
        const bottom = HEAD + this.map.parts.length * STRIP
        const right = this.x(system, system.until)
        let lines = `M${right} ${HEAD}V${bottom}`
        for (const measure of this.map.measures.slice(system.first, system.end)) {
            const x = this.x(system, measure.start)
            lines += `M${x} ${HEAD}V${bottom}`
            group.append(drawn('text', 'map-number', { x: x + 2, y: HEAD - 4 }, measure.number))
            if (measure.letter !== null) {
                const wide = 12 + 7 * measure.letter.length
                group.append(drawn('rect', 'map-letter-box', { x, y: 1, width: wide, height: 15 }), drawn('text', 'map-letter', { x: x + wide / 2, y: 13 }, measure.letter))
            }
        }
        group.append(drawn('path', 'map-bars', { d: lines }))
        const breaks = this.map.cutOffs.filter((tick) => tick > system.from && tick <= system.until).map((tick) => `M${this.x(system, tick)} ${HEAD + 2}V${bottom - 2}`)
        if (breaks.length > 0) {
            group.append(drawn('path', 'map-cutoff', { d: breaks.join('') }))
        }
        this.map.parts.forEach((part, index) => {
            const y = HEAD + index * STRIP
            group.append(drawn('text', 'map-part', { x: 2, y: y + STRIP / 2 + 4 }, part.name.length > 13 ? `${part.name.slice(0, 12)}…` : part.name))
            const strip = element('g', { class: 'map-strip', transform: `translate(0 ${y})` })
            strip.append(...this.strip(system, strokesOf(part)))
            this.strips.set(`${part.part} ${system.first}`, strip)
            group.append(strip)
        })
        return group
    }

    /** One section in one line: its bars in two shapes, where notes begin inside a stroke, and what is done with the bow. */
    private strip(system: System, strokes: readonly Stroke[]): SVGElement[] {
        const middle = STRIP / 2
        const [top, bottom] = [middle - BAR / 2, middle + BAR / 2]
        let [down, up, plucked, inner, hooks, lifts, divided, decided, solo, changes] = ['', '', '', '', '', '', '', '', '', '']
        let before: Stroke | null = null
        for (const stroke of strokes) {
            if (stroke.until > system.from && stroke.from < system.until) {
                const [x, end] = [this.x(system, Math.max(stroke.from, system.from)), this.x(system, Math.min(stroke.until, system.until))]
                const right = Math.max(x + 2.5, end - 1.5)
                if (stroke.direction === 'd') {
                    // Square, as the sign of the down-bow is.
                    down += `M${x + 0.5} ${top}H${right}V${bottom}H${x + 0.5}Z`
                } else if (stroke.direction === 'u') {
                    // Pointed, as the sign of the up-bow is.
                    const slant = Math.min(5, (right - x) / 2)
                    up += `M${x + 0.5} ${top}H${right}L${right - slant} ${bottom}H${x + 0.5 + slant}Z`
                } else {
                    plucked += `M${x + 1} ${middle}a2.6 2.6 0 1 0 5.2 0a2.6 2.6 0 1 0 -5.2 0`
                }
                for (const tick of stroke.inner.filter((one) => one > system.from && one < system.until)) {
                    inner += `M${this.x(system, tick)} ${top + 2}V${bottom - 2}`
                }
                // All desks on one strip: the front one on top.
                stroke.desks.forEach((ticks, desk) => {
                    for (const tick of ticks.filter((one) => one > system.from && one < system.until)) {
                        changes += `M${this.x(system, tick)} ${top + (BAR / stroke.desks.length) * desk + 0.6}v${BAR / stroke.desks.length - 1.2}`
                    }
                })
                const has = (what: string) => stroke.action.includes(what)
                hooks += has('hook') && before && stroke.from >= system.from ? `M${x - 3} ${bottom + 3.5}q3.5 4 7 0` : ''
                lifts += (has('retake') || has('lift')) && stroke.from >= system.from ? `M${x + 1} ${top - 2.5}v-4.5h5` : ''
                divided += has('divided') ? `M${x + 1} ${middle}H${right}` : ''
                decided += has('decided') && stroke.from >= system.from ? `M${x + 0.5} ${bottom + 2.5}h${Math.min(8, right - x)}` : ''
                solo += has('solo') ? `M${x} ${top - 3}H${end}` : ''
            }
            before = stroke
        }
        const lines: [string, string][] = [['map-rest', `M${GUTTER} ${middle}H${this.x(system, system.until)}`], ['map-down', down], ['map-up', up], ['map-plucked', plucked], ['map-inner', inner], ['map-hook', hooks], ['map-lift', lifts], ['map-divided', divided], ['map-decided', decided], ['map-solo', solo], ['map-change', changes]]
        return lines.filter(([, d]) => d !== '').map(([name, d]) => drawn('path', name, { d }))
    }

    /** Shows some sections as they would be. */
    show(parts: readonly MapPart[]): void {
        for (const part of parts) {
            const strokes = strokesOf(part)
            for (const system of this.systems) {
                this.strips.get(`${part.part} ${system.first}`)?.replaceChildren(...this.strip(system, strokes))
            }
        }
    }

    /** Points out places; words stand over them. */
    point(places: readonly Pointed[]): void {
        this.pointed.replaceChildren(
            ...places.flatMap(({ part, from, until, look, words }) => {
                const index = this.map.parts.findIndex((one) => one.part === part)
                return this.systems.filter((system) => until > system.from && from < system.until && index >= 0).flatMap((system) => {
                    const [x, end] = [this.x(system, Math.max(from, system.from)), this.x(system, Math.min(until, system.until))]
                    const y = system.top + HEAD + index * STRIP
                    const box = element('rect', { class: `map-box on-${look}`, x: x - 1, y: y + 2, width: Math.max(6, end - x), height: STRIP - 4, rx: 3 })
                    return words === undefined ? [box] : [box, element('text', { class: `map-word on-${look}`, x: x + 1, y: y + 9 }, words)]
                })
            }),
        )
    }

    /** Puts the cursor on a stroke. @returns where it is, to be scrolled to */
    choose(part: number, stroke: Stroke | null): SVGRectElement | null {
        const index = this.map.parts.findIndex((one) => one.part === part)
        const system = stroke && this.systems.find(({ from, until }) => stroke.from >= from && stroke.from < until)
        if (!stroke || !system || index < 0) {
            this.cursor.setAttribute('visibility', 'hidden')
            return null
        }
        const x = this.x(system, stroke.from)
        const place = { x: x - 2, y: system.top + HEAD + index * STRIP + 1, width: Math.max(7, this.x(system, Math.min(stroke.until, system.until)) - x + 2), height: STRIP - 2, visibility: 'visible' }
        Object.entries(place).forEach(([name, value]) => this.cursor.setAttribute(name, String(value)))
        return this.cursor
    }

    /** The section and tick at a point of the map. */
    at(x: number, y: number): { part: number; tick: number } | null {
        const system = this.systems.find(({ top }) => y >= top && y < top + this.systemHeight())
        const part = system && this.map.parts[Math.floor((y - system.top - HEAD) / STRIP)]
        return system && part && x >= GUTTER - 4 ? { part: part.part, tick: system.from + ((x - GUTTER) / (this.width - GUTTER - 6)) * this.longest } : null
    }
}

/** Every passage that is out of line, on the sections that differ in it. */
export function outOfLine(findings: readonly OutOfLine[]): Pointed[] {
    return findings.flatMap((finding, index) => finding.parts.slice(finding.parts.length > 1 ? 1 : 0).map((part, number): Pointed => ({ part, from: finding.from, until: finding.until, look: 'finding', ...(number === 0 ? { words: String(index + 1) } : {}) })))
}
