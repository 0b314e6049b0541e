import { ElMessage } from 'element-plus'
import { v4 as uuid } from 'uuid'
import { computed, ref, shallowRef } from 'vue'
import { api } from '../api/client'
import type { Decision, Figure, FigurePlace, FigureTaken, LineUp, MapPart, OutOfLine, PartDecisions, Remedy } from '../api/types'
import { problemWords } from '../desk/words'

/** What is looked at before it is decided. */
export interface Tried {
    words: string
    parts: PartDecisions[]
    map: MapPart[]
    /** What more there is to know of it. */
    told: string[]
}

/**
 * The map of a piece, what is out of line in it, and what is decided on it: in all records that it is about, or in none, and
 * taken back as one. A group that did not arrive keeps its key, so that trying again makes it no second one.
 */
export function useLining(piece: number) {
    const map = shallowRef<LineUp | null>(null)
    const findings = shallowRef<OutOfLine[] | null>(null)
    const tried = shallowRef<Tried | null>(null)
    const busy = ref(false)
    const fault = ref('')
    const taken = ref<{ words: string; part: number; key: string }[]>([])
    let pending: { parts: string; key: string } | null = null

    const figures = computed(() => map.value?.figures ?? [])

    async function attempt(work: () => Promise<unknown>): Promise<boolean> {
        busy.value = true
        fault.value = ''
        try {
            await work()
            return true
        } catch (problem) {
            fault.value = problemWords(problem)
            return false
        } finally {
            busy.value = false
        }
    }

    async function load(): Promise<void> {
        map.value = await api.lineUp(piece)
        findings.value = null
        findings.value = (await api.outOfLine(piece)).findings
    }

    const look = (words: string, parts: PartDecisions[], told: string[] = []) => attempt(async () => (tried.value = { words, parts, told, map: (await api.previewLineUp(piece, parts)).parts }))
    const lookAtRemedy = (remedy: Remedy) => look(remedy.words, remedy.parts)

    async function lookAtFigure(figure: Figure, place: FigurePlace): Promise<FigureTaken | null> {
        let found: FigureTaken | null = null
        await attempt(async () => (found = await api.bowedLike(piece, place.part, place.note)))
        const like = found as FigureTaken | null
        if (like) {
            const left = like.left.length === 0 ? [] : [`Decided otherwise and left: ${like.left.join(', ')}.`]
            const fingered = like.fingered.length === 0 ? [] : [`The fingers go along to ${like.fingered.join(', ')}.`]
            await look(`Figure ${figure.letter} is bowed like ${nameOf(place.part)}, ${place.measure}: ${like.taken.length} ${like.taken.length === 1 ? 'place' : 'places'}`, like.parts, [...left, ...fingered])
        }
        return like
    }

    const nameOf = (part: number) => map.value?.parts.find((one) => one.part === part)?.name ?? ''
    const seqOf = (part: number) => map.value?.parts.find((one) => one.part === part)?.seq ?? 0

    /** Into the records of all parts that it is about, or of none. */
    async function decide(words: string, parts: PartDecisions[]): Promise<boolean> {
        const same = JSON.stringify(parts)
        pending = pending?.parts === same ? pending : { parts: same, key: uuid() }
        const { key } = pending
        const done = await attempt(async () => {
            await api.appendGroup(piece, key, parts.map(({ part, decisions }) => ({ part, seen: seqOf(part), decisions })))
            pending = null
            tried.value = null
            taken.value = [...taken.value, { words, part: parts[0]?.part ?? 0, key }]
            ElMessage.success(`${words}. Z takes it back.`)
            await load()
        })
        if (!done) {
            // Somebody else may have decided meanwhile: the map shows it, and the reason stays.
            const said = fault.value
            await attempt(load)
            fault.value = said
        }
        return done
    }

    const take = () => tried.value === null ? Promise.resolve(false) : decide(tried.value.words, tried.value.parts)

    /** The last that was decided here is taken back in all parts. */
    async function undo(): Promise<void> {
        const last = taken.value.at(-1)
        if (last) {
            await attempt(async () => {
                await api.undoGroup(piece, last.key)
                taken.value = taken.value.slice(0, -1)
                ElMessage.success(`Taken back: ${last.words}.`)
                await load()
            })
        }
    }

    return { map, figures, findings, tried, busy, fault, taken, attempt, load, look, lookAtRemedy, lookAtFigure, decide, take, undo, nameOf, leave: () => (tried.value = null) }
}

/** “measure 3, beat 1: up-bow” for each decision that a part would get. */
export function countWords(decisions: readonly Decision[]): string {
    return decisions.length === 1 ? 'one note' : `${decisions.length} notes`
}
