import { useLocalStorage } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, shallowRef, watch, type Ref } from 'vue'
import type { Decision, Heard } from '../api/types'
import { problemWords } from '../desk/words'
import { remembered } from '../stores/remembered'
import { Player, type Cursor } from './player'

/** What is heard beside the own section. */
export type Company = 'alone' | 'all' | 'others'

/** How loud the others are beside the own section. */
const BESIDE = 0.45

/** What can be heard: it is asked for once, and again when it has another name. */
export interface Hearable {
    name: string
    heard: (decisions: Decision[]) => Promise<Heard>
}

/**
 * Hears a part from a note on: as it is decided and proposed, or as what is looked at would make it.
 *
 * @param others what the other sections play
 * @param told why nothing is heard
 */
export function useHearing(part: Ref<Hearable | null>, others: () => Promise<Heard[]>, told: (fault: string) => void) {
    const rate = useLocalStorage('upright-pencil.hear-rate', 1)
    const [click, countIn, loop, stepsUp, large] = [remembered('hear-click', false), remembered('hear-count', true), remembered('hear-loop', false), remembered('hear-steps', false), remembered('hear-large', false)]
    const company = useLocalStorage<Company>('upright-pencil.hear-company', 'alone')
    const shown = ref(false)
    const playing = ref(false)
    const cursor = shallowRef<Cursor | null>(null)
    /** Of the part that was heard last, in quarters a minute. */
    const tempo = ref<number | null>(null)
    const player = new Player(
        (at) => (cursor.value = at),
        () => (playing.value = false),
    )
    let kept: { name: string; heard: Heard } | null = null
    let order = 0

    async function heardNow(decisions: Decision[]): Promise<Heard | null> {
        const now = part.value
        if (!now) {
            return null
        }
        const name = `${now.name} ${JSON.stringify(decisions)}`
        if (kept?.name !== name) {
            kept = { name, heard: await now.heard(decisions) }
            tempo.value = kept.heard.tempo
        }
        return kept.heard
    }

    /**
     * @param span ids of the notes that are meant, in the order of the page: one is where it begins, several are all that is heard
     * @param decisions what is looked at
     */
    async function play(span: readonly string[], decisions: Decision[] = []): Promise<void> {
        const mine = ++order
        shown.value = true
        try {
            const [heard, beside] = await Promise.all([heardNow(decisions), company.value === 'alone' ? [] : others()])
            if (mine !== order || !heard) {
                return
            }
            const from = heard.notes.find(({ id }) => id === span[0])?.at ?? 0
            const last = span.length > 1 ? heard.notes.find((note) => note.id === span.at(-1) && note.at >= from) : undefined
            const volumes = company.value === 'others' ? [0, 1] : [1, BESIDE]
            playing.value = true
            player.start(
                [{ heard, volume: volumes[0] ?? 1 }, ...beside.map((one) => ({ heard: one, volume: volumes[1] ?? 1 }))],
                { from, to: last ? last.at + last.for : heard.seconds, rate: rate.value, loop: loop.value, stepsUp: stepsUp.value, click: click.value, countIn: countIn.value },
            )
        } catch (problem) {
            playing.value = false
            told(problemWords(problem))
        }
    }

    function stop(): void {
        order++
        playing.value = false
        player.stop()
    }

    watch(() => part.value?.name.split(' ')[0], stop)
    onBeforeUnmount(stop)

    return { tempo, rate, click, countIn, loop, stepsUp, large, company, shown, playing, cursor: computed(() => cursor.value), play, stop }
}
