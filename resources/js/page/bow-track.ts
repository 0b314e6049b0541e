import { say } from '../stores/say'
import type { Note } from '../api/types'
import { musicSpan, SPACE, type System } from './engraving'
import { element } from './svg'

/**
 * The bow track: under each line of music the path of the bow between frog and tip through time. The frog is above and the
 * tip below, so that a down-bow goes down.
 */
export const TRACK_HEIGHT = 3.4 * SPACE

interface Leg {
    x1: number
    x2: number
    from: number
    to: number
    up: boolean
    note: string
    troubled: boolean
}

/**
 * @param before the track before a change, drawn faintly behind
 */
export function track(system: System, notes: readonly Note[], troubled: ReadonlySet<string>, top: number, before: readonly Note[] | null): SVGGElement {
    const made = element('g', { class: 'bow-track' })
    const { left, right } = musicSpan(system)
    made.append(
        element('rect', { class: 'stick', x: left, y: top, width: Math.max(0, right - left), height: TRACK_HEIGHT }),
        element('path', { class: 'middle', d: `M${left} ${top + TRACK_HEIGHT / 2} H${right}` }),
        element('text', { x: left - 40, y: top + 120, 'text-anchor': 'end', 'font-size': 200 }, say('frog')),
        element('text', { x: left - 40, y: top + TRACK_HEIGHT, 'text-anchor': 'end', 'font-size': 200 }, say('tip')),
    )
    if (before) {
        made.append(path(legs(system, before, troubled), top, 'before'))
    }
    made.append(path(legs(system, notes, troubled), top, 'now'))
    return made
}

function path(drawn: Leg[], top: number, kind: string): SVGGElement {
    const made = element('g', { class: kind })
    let last: Leg | null = null
    for (const leg of drawn) {
        const y = (place: number) => (top + 0.12 * SPACE + place * (TRACK_HEIGHT - 0.24 * SPACE)).toFixed(0)
        if (last && last.x2 < leg.x1 - 60) {
            made.append(element('path', { class: 'air', d: `M${last.x2} ${y(last.to)} L${leg.x1} ${y(leg.from)}` }))
        }
        made.append(element('path', { class: `leg ${leg.up ? 'up' : 'down'}${leg.troubled ? ' troubled' : ''}`, 'data-note': leg.note, d: `M${leg.x1} ${y(leg.from)} L${leg.x2} ${y(leg.to)}` }))
        last = leg
    }
    return made
}

/** One leg for each stroke: from its first note to where its last one ends. */
function legs(system: System, notes: readonly Note[], troubled: ReadonlySet<string>): Leg[] {
    const here = notes.filter(({ id, from }) => system.heads.has(id) && from !== null)
    const made: Leg[] = []
    here.forEach((note, index) => {
        const head = system.heads.get(note.id)
        // A tied note goes on in the stroke before it, unless the bow changes just there.
        const goesOn = note.tied && (note.action !== 'change' || note.changes.length > 0)
        const begins = index === 0 || (here[index - 1]?.stroke !== note.stroke && !goesOn)
        if (!head || note.from === null || note.to === null) {
            return
        }
        const x = head.box.x + head.box.width / 2
        const end = endOf(system, here, index, x)
        const last = made.at(-1)
        if (begins || !last) {
            made.push({ x1: x, x2: end, from: note.from, to: note.to, up: note.to < note.from, note: note.id, troubled: troubled.has(note.id) })
        } else {
            last.x2 = Math.max(last.x2, end)
        }
        note.changes.forEach(({ share, from, to }) => {
            const cut = made.at(-1)
            if (cut && from !== null && to !== null) {
                const at = x + (end - x) * share
                cut.x2 = at
                made.push({ x1: at, x2: end, from, to, up: to < from, note: note.id, troubled: troubled.has(note.id) })
            }
        })
    })
    return made
}

/** A note sounds on the page until the next one begins, or to the end of its measure when a rest or another line follows. */
function endOf(system: System, notes: readonly Note[], index: number, x: number): number {
    const bar = system.barlines.find((line) => line > x) ?? x + 4 * SPACE
    for (let next = index + 1; next < notes.length; next++) {
        const note = notes[next]
        const head = system.heads.get(note?.id ?? '')
        if (note && head && head.box.x > x) {
            const at = head.box.x + head.box.width / 2
            return note.afterRest ? Math.min(bar, x + (at - x) * 0.6) : at
        }
    }
    return bar
}
