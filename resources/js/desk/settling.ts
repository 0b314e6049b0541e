import { ElMessage } from 'element-plus'
import { computed, shallowRef, watch, type Ref } from 'vue'
import { api } from '../api/client'
import type { Decision, Note, Question } from '../api/types'
import type { Pointed } from '../page/score-page'
import type { useTrying } from './trying'
import { problemWords } from './words'

/** Versions of a span: looked at one after the other, their bows under each other, one of them taken. */
export function useSettling(part: () => number | null, players: () => string | null, questions: Ref<readonly Question[]>, trying: ReturnType<typeof useTrying>) {
    const current = shallowRef<string | null>(null)
    /** What the notes are in each version of the question that is looked at. */
    const drawn = shallowRef<{ name: string; notes: Note[] }[]>([])

    const open = computed(() => questions.value.filter(({ taken }) => taken === null))
    const settled = computed(() => questions.value.filter(({ taken }) => taken !== null))
    const question = computed(() => questions.value.find(({ id }) => id === current.value) ?? null)
    const pointed = computed<Pointed[]>(() => open.value.flatMap(({ notes, versions }) => (notes[0] === undefined ? [] : [{ from: notes[0], to: notes.at(-1) ?? notes[0], label: versions.map(({ name }) => name).join(' / '), kind: 'settle' as const }])))
    /** The version that is on the page just now. */
    const version = computed(() => (trying.trial.value?.kind === 'version' ? (question.value?.versions[trying.trial.value.place] ?? null) : null))

    const at = (note: string | null): Question | null => open.value.find(({ notes }) => note !== null && notes.includes(note)) ?? null

    function look(id: string, place: number): void {
        const found = questions.value.find((one) => one.id === id)
        const wanted = found?.versions[place % Math.max(1, found.versions.length)]
        if (found && wanted) {
            if (current.value !== id) {
                current.value = id
                void drawAll(found)
            }
            void trying.look('version', place % found.versions.length, wanted.decisions)
        }
    }

    function next(id: string): void {
        look(id, current.value === id && trying.trial.value?.kind === 'version' ? trying.trial.value.place + 1 : 0)
    }

    async function drawAll(found: Question): Promise<void> {
        drawn.value = []
        const id = part()
        if (id === null) {
            return
        }
        try {
            const all = await Promise.all(found.versions.map(async ({ name, decisions }) => ({ name, notes: (await api.preview(id, players(), decisions)).notes })))
            if (current.value === found.id) {
                drawn.value = all
            }
        } catch (problem) {
            ElMessage.error(problemWords(problem))
        }
    }

    /** What is looked at is kept beside what is there. @returns what goes into the record */
    async function keep(decisions: Decision[], listen: string): Promise<Decision[]> {
        const id = part()
        return id === null ? [] : (await api.versions(id, players(), decisions, listen)).decisions
    }

    function leave(): void {
        current.value = null
        drawn.value = []
    }

    // Whatever else is looked at, the versions go from under the page.
    watch(
        () => trying.trial.value,
        (trial) => trial?.kind !== 'version' && leave(),
    )

    return { current, drawn, open, settled, question, version, pointed, at, look, next, keep, leave }
}
