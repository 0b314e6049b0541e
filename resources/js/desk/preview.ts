import type { Decision, Mark } from '../api/types'

const PLACEMENT: Record<string, string> = { low: 'L', high: 'H', extended: 'x' }

const RING: Record<string, string> = { harmonic: '°' }

const EMPTY = { bow: null, action: null, from: null, finger: null, string: null, position: null, slide: false, barTo: null, stayTo: null, place: null, changes: [], stagger: [], slurTo: null, struckTo: null }

const PAINTED = ['hook', 'retake', 'lift', 'split'] as const

/** What a decision looks like before the server has answered. It paints; it works nothing out. */
export function preview(layer: readonly Mark[], decisions: readonly Decision[]): Mark[] {
    const marks = new Map(layer.map((mark) => [mark.note, mark]))
    for (const decision of decisions) {
        if (!('note' in decision)) {
            continue // what is said of measures is painted when the server has answered
        }
        const before = marks.get(decision.note) ?? { ...EMPTY, note: decision.note, decided: false }
        marks.set(decision.note, { ...changed(before, decision), decided: true })
    }
    return [...marks.values()]
}

function changed(mark: Mark, decision: Decision): Mark {
    const next = { ...mark }
    if (decision.direction !== undefined) {
        next.bow = decision.direction === 'down' || decision.direction === 'up' ? decision.direction : null
    }
    if (decision.action !== undefined) {
        next.action = PAINTED.find((action) => action === decision.action) ?? null
    }
    if (decision.finger !== undefined || decision.placement !== undefined) {
        const finger = decision.finger === undefined ? (mark.finger?.match(/\d/)?.[0] ?? '') : decision.finger
        next.finger = finger === null ? null : `${PLACEMENT[decision.placement ?? ''] ?? ''}${finger}${RING[decision.placement ?? ''] ?? ''}`
    }
    if (decision.string !== undefined) {
        next.string = decision.string
    }
    if (decision.choice === true) {
        next.finger = '0/4'
    }
    if (typeof decision.slide === 'boolean') {
        next.slide = decision.slide
    }
    if (decision.bar === false) {
        next.barTo = null
    }
    if (decision.stay === false) {
        next.stayTo = null
    }
    if (decision.place !== undefined) {
        next.place = decision.place
    }
    if (decision.bowMark === false) {
        next.bow = next.action = null
    }
    if (decision.fingerMark === false) {
        next.finger = next.string = next.position = null
    }
    return next
}
