import { FIELD_OF, type Decision, type FieldName, type KindName, type Mark } from '../api/types'
import { KIND_NAMES, KINDS } from './kinds'

/** What goes from the page when the sign on a note, or its finger, is not written any more. */
const HIDDEN: Partial<Record<FieldName, readonly KindName[]>> = {
    bowMark: ['direction', 'hook', 'retake', 'lift', 'split', 'change', 'stagger', 'strike', 'slur'],
    fingerMark: ['finger', 'slide', 'string', 'position'],
}

/** A finger is decided by several fields, and drawn as one mark. */
const TOGETHER: Partial<Record<FieldName, FieldName>> = { placement: 'finger', choice: 'finger' }

/** What decisions look like before the server has answered. */
export function preview(layer: readonly Mark[], decisions: readonly Decision[]): Mark[] {
    const marks = new Map<string, Map<KindName, Mark>>()
    for (const mark of layer) {
        const own = marks.get(mark.note) ?? new Map<KindName, Mark>()
        marks.set(mark.note, own.set(mark.kind, mark))
    }
    for (const decision of decisions) {
        if ('note' in decision) {
            const own = marks.get(decision.note) ?? new Map<KindName, Mark>()
            marks.set(decision.note, own)
            paint(decision.note, own, decision)
        } // what is said of measures is painted when the server has answered
    }
    return [...marks.values()].flatMap((own) => [...own.values()])
}

function paint(note: string, own: Map<KindName, Mark>, decision: Decision): void {
    const fields = (Object.keys(decision) as FieldName[]).map((field) => TOGETHER[field] ?? field)
    for (const kind of KIND_NAMES) {
        const row = KINDS[kind]
        if (!row.paint || !fields.includes(FIELD_OF[kind])) {
            continue
        }
        const painted = row.paint(decision, own.get(kind))
        if (painted === null) {
            own.delete(kind)
        } else if (painted) {
            own.set(kind, { ...painted, note, kind, decided: true })
        }
    }
    for (const [field, kinds] of Object.entries(HIDDEN)) {
        if (decision[field as FieldName] === false) {
            kinds.forEach((kind) => own.delete(kind))
        }
    }
}
