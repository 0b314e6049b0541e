import { ElMessage } from 'element-plus'
import { api } from '../../api/client'
import { say as speak } from '../../stores/say'
import { fail, NOTHING_CHOSEN, say, type Reach } from './reach'

/** The same figure again, and “as in 21–28”. */
export function carryingHands({ desk, selecting, trying, carrying, choose, ask }: Reach) {
    async function find(): Promise<void> {
        const notes = selecting.selection.value
        if (notes.length === 0) {
            say(NOTHING_CHOSEN)
            return
        }
        try {
            const found = await carrying.find(notes)
            if (found && carrying.open.value.length + carrying.otherwise.value.length === 0) {
                carrying.clear()
                say(found.places.length === 0 ? 'This figure does not come again in this part.' : 'Nothing is decided here that is not decided there too.')
            }
        } catch (problem) {
            fail(problem)
        }
    }

    function carry(): void {
        const decisions = carrying.offer.value === null ? null : carrying.all()
        if (decisions === null) {
            void find()
        } else if (decisions.length > 0) {
            carrying.clear()
            trying.leave()
            desk.decide(...decisions)
        }
    }

    /** Where there is no offer yet, all that is like this is found first: also where nothing is decided. */
    async function nextLike(): Promise<void> {
        if (carrying.offer.value === null && selecting.selection.value.length > 0) {
            await carrying.find(selecting.selection.value).catch(fail)
        }
        const place = carrying.next()?.from ?? nextOfAll()
        if (place === null) {
            say('This figure does not come again in this part.')
        } else {
            choose(place)
        }
    }

    const nextOfAll = (): string | null => {
        const all = carrying.offer.value?.places ?? []
        const now = all.findIndex(({ from }) => from === selecting.selected.value)
        return all[(now + 1) % Math.max(1, all.length)]?.from ?? null
    }

    async function asIn(): Promise<void> {
        const [id, at] = [desk.part?.part.id, selecting.span()[0]]
        if (id === undefined || at === undefined) {
            say(NOTHING_CHOSEN)
            return
        }
        const measures = await ask(`As in which ${speak('measures')}, from here on?`, '', /^\S+( ?[-–] ?\S+)?$/, 'One, as 21, or several, as 21-28.', 'Look at it')
        if (measures === null || measures.trim() === '') {
            return
        }
        try {
            const carried = await api.asIn(id, desk.players, measures.replaceAll(' ', ''), at)
            if (carried.misfits.length > 0) {
                ElMessage.warning(carried.misfits.join(' '))
            }
            if (carried.decisions.length === 0) {
                say('Nothing is decided there that could be carried here.')
            } else {
                await trying.look('carry', 0, carried.decisions)
            }
        } catch (problem) {
            fail(problem)
        }
    }

    return { carry, nextLike, asIn }
}
