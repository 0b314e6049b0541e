import type { HandNote } from '../api/types'
import { musicSpan, SPACE, type System } from './engraving'
import { element } from './svg'

/**
 * The hand track: under each line of music the strings, each finger on its string as it comes, and below them how high the
 * hand is, with a step where it moves.
 */
const STRING_GAP = 1.5 * SPACE
const LANE = 2 * SPACE
const DOT = 0.72 * SPACE

export function handTrackHeight(strings: number): number {
    return strings * STRING_GAP + LANE
}

interface Place {
    note: HandNote
    x: number
}

/**
 * @param strings names of the strings, lowest first
 * @param before the notes before a previewed change: what differs from them stands out
 */
export function handTrack(system: System, notes: readonly HandNote[], strings: readonly string[], top: number, before: readonly HandNote[] | null): SVGGElement {
    const made = element('g', { class: 'hand-track' })
    const { left, right } = musicSpan(system)
    const places = placesOf(system, notes)
    made.append(element('rect', { class: 'wood', x: left, y: top, width: Math.max(0, right - left), height: handTrackHeight(strings.length) }))
    strings.forEach((name, string) => {
        const y = stringY(top, strings.length, string)
        made.append(
            element('path', { class: 'string', d: `M${left} ${y} H${right}`, 'stroke-width': 26 - string * 5 }),
            element('text', { class: 'name', x: left - 40, y: y + 70, 'text-anchor': 'end' }, name),
        )
    })
    made.append(hand(places, top + strings.length * STRING_GAP, right))
    made.append(...fingers(places, strings.length, top, new Map((before ?? []).map((note) => [note.id, note]))))
    return made
}

function stringY(top: number, strings: number, string: number): number {
    return top + (strings - string - 0.5) * STRING_GAP
}

function placesOf(system: System, notes: readonly HandNote[]): Place[] {
    return notes.flatMap((note) => {
        const head = system.heads.get(note.id)
        return head && note.stop && !note.tied ? [{ note, x: head.box.x + head.box.width / 2 }] : []
    })
}

function fingers(places: Place[], strings: number, top: number, before: Map<string, HandNote>): SVGElement[] {
    return places.flatMap(({ note, x }, index) => {
        const stop = note.stop
        if (!stop) {
            return []
        }
        const y = stringY(top, strings, stop.string)
        const old = before.get(note.id)
        const changed = old && (old.finger !== note.finger || old.string !== note.string) ? ' changed' : ''
        const last = places[index - 1]
        const way = last?.note.stop && !note.afterRest && last.x < x ? [element('path', { class: 'way', d: `M${last.x} ${stringY(top, strings, last.note.stop.string)} L${x} ${y}` })] : []
        const dot = element(
            'g',
            { class: `finger${stop.finger === 0 ? ' open' : ''}${changed}`, 'data-note': note.id },
            element('circle', { cx: x, cy: y, r: DOT }),
            element('text', { x, y: y + 80, 'text-anchor': 'middle' }, String(stop.finger)),
            element('text', { class: 'moved', x: x - DOT - 15, y: y - 50, 'text-anchor': 'end' }, (note.finger ?? '').replace(/[0-9/]/g, '')),
        )
        return [...way, dot]
    }).sort((one, other) => Number(other.classList.contains('way')) - Number(one.classList.contains('way')))
}

/** A step for each place of the hand; the higher the hand, the higher the step. */
function hand(places: Place[], top: number, right: number): SVGGElement {
    const made = element('g', { class: 'hand-height' })
    const runs: { from: number; to: number; hand: number; name: string }[] = []
    for (const { note, x } of places) {
        const last = runs.at(-1)
        if (!note.stop || (note.stop.finger === 0 && last)) {
            continue
        }
        if (last && last.hand === note.stop.hand) {
            last.to = x
        } else if (note.stop.finger !== 0) {
            runs.push({ from: x, to: x, hand: note.stop.hand, name: note.position ?? '' })
        }
    }
    const lowest = Math.min(...runs.map((run) => run.hand))
    const span = Math.max(1, Math.max(...runs.map((run) => run.hand)) - lowest)
    const y = (height: number) => top + LANE - 0.3 * SPACE - ((height - lowest) / span) * (LANE - 1.05 * SPACE)
    runs.forEach((run, index) => {
        const next = runs[index + 1]
        const until = next ? Math.max(run.to, next.from - 0.9 * SPACE) : right - 0.3 * SPACE
        made.append(element('path', { class: 'stays', d: `M${run.from - 0.4 * SPACE} ${y(run.hand)} H${until}` }))
        if (next) {
            made.append(element('path', { class: 'moves', d: `M${until} ${y(run.hand)} L${next.from - 0.4 * SPACE} ${y(next.hand)}` }))
        }
        made.append(element('text', { x: run.from - 0.4 * SPACE, y: y(run.hand) - 50 }, run.name))
    })
    return made
}
