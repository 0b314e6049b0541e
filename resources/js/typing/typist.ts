import { computed, ref, shallowRef } from 'vue'
import { BEGINNING, copies, current, noteAt, pasteMeasures, takeMeasures, toEnd, toFree, type Sheet } from './edits'
import type { Manuscript, TypedMeasure, TypedNote } from './manuscript'

/** Measures that were copied, for every staff of this window. */
let clipboard: TypedMeasure[] = []

/** The sheet that is typed on, with all that it was before. */
export function useTypist(changed: (manuscript: Manuscript, past: () => readonly Manuscript[]) => void, heard: (measure: number, note: number) => void) {
    const sheet = shallowRef<Sheet>({ manuscript: { format: 'upright-pencil-manuscript', version: 1, name: '', measures: [] }, caret: { measure: 0, note: 0, on: false }, coming: BEGINNING })
    const past = shallowRef<Sheet[]>([])
    const future = shallowRef<Sheet[]>([])
    /** The end of the selection that does not move. */
    const anchor = ref<number | null>(null)
    /** When the last key was pressed. */
    let asked = 0

    const selected = computed<[number, number] | null>(() => (anchor.value === null ? null : [Math.min(anchor.value, sheet.value.caret.measure), Math.max(anchor.value, sheet.value.caret.measure)]))
    const now = computed<TypedNote | null>(() => noteAt(sheet.value, current(sheet.value)))

    /**
     * @param  fromStart  a part that is there is looked over from its beginning; a new one goes on where it waits for notes
     * @param  before  what can be undone from the last time
     */
    function open(manuscript: Manuscript, fromStart = false, before: readonly Manuscript[] = []): void {
        const beginning = (manuscript: Manuscript): Sheet => ({ manuscript, caret: { measure: 0, note: 0, on: fromStart && (manuscript.measures[0]?.notes?.length ?? 0) > 0 }, coming: BEGINNING })
        sheet.value = fromStart ? beginning(manuscript) : toFree(beginning(manuscript))
        past.value = before.map((one) => toEnd(beginning(one)))
        future.value = []
        anchor.value = null
    }

    /** One thing that was typed: undone as one. */
    function type(edit: (sheet: Sheet) => Sheet, sounds = false): void {
        asked = performance.now()
        const before = sheet.value
        const after = edit(before)
        if (after.manuscript !== before.manuscript) {
            past.value = [...past.value, before]
            future.value = []
            anchor.value = null
        }
        sheet.value = after
        if (after.manuscript !== before.manuscript) {
            told()
            const place = current(after.caret.on ? before : after)
            if (sounds && place) {
                heard(place.measure, place.note)
            }
        }
    }

    /** The caret goes elsewhere. */
    function walk(edit: (sheet: Sheet) => Sheet, selecting = false): void {
        anchor.value = selecting ? (anchor.value ?? sheet.value.caret.measure) : null
        sheet.value = edit(sheet.value)
    }

    function back(from: typeof past, to: typeof future): void {
        const before = from.value.at(-1)
        if (before) {
            asked = performance.now()
            from.value = from.value.slice(0, -1)
            to.value = [...to.value, sheet.value]
            anchor.value = null
            sheet.value = before
            told()
        }
    }

    const told = () => changed(sheet.value.manuscript, () => past.value.map(({ manuscript }) => manuscript))

    const span = (): [number, number] => selected.value ?? [sheet.value.caret.measure, sheet.value.caret.measure]

    function copy(): number {
        const [from, to] = span()
        clipboard = copies(sheet.value.manuscript.measures.slice(from, to + 1))
        return clipboard.length
    }

    function cut(): void {
        if (copy() > 0) {
            take()
        }
    }

    function take(): void {
        const [from, to] = span()
        type((now) => takeMeasures(now, from, to - from + 1))
    }

    /** What is selected is replaced; else it comes after the measure of the caret, in its place where it is empty. */
    function paste(measures: readonly TypedMeasure[] = clipboard): number {
        const [from, to] = span()
        const here = sheet.value.manuscript.measures[from]
        const empty = selected.value === null && !here?.notes?.length && !here?.sealed
        const replaced = selected.value !== null || empty
        const only = sheet.value.manuscript.measures.length
        type((now) => {
            const pasted = pasteMeasures(now, to + 1, measures)
            if (!replaced || measures.length === 0) {
                return pasted
            }
            const count = to - from + 1
            const first = pasted.manuscript.measures[from]
            const left = takeMeasures(pasted, from, count)
            // The beginning keeps its key, meter and clef.
            const kept = from === 0 && first ? { ...left.manuscript.measures[0], ...(first.key === undefined ? {} : { key: first.key }), ...(first.meter ? { meter: first.meter } : {}), ...(first.clef ? { clef: first.clef } : {}) } : null
            const all = kept ? [kept as TypedMeasure, ...left.manuscript.measures.slice(1)] : left.manuscript.measures
            return { ...left, manuscript: { ...left.manuscript, measures: all }, caret: { ...pasted.caret, measure: pasted.caret.measure - count } }
        })
        return sheet.value.manuscript.measures.length - only
    }

    return {
        sheet, selected, now, open, type, walk, copy, cut, take, paste,
        undo: () => back(past, future),
        redo: () => back(future, past),
        canUndo: computed(() => past.value.length > 0),
        canRedo: computed(() => future.value.length > 0),
        lastKey: () => asked,
    }
}

export type Typist = ReturnType<typeof useTypist>
