import { ElMessage } from 'element-plus'
import { say as speak } from '../../stores/say'
import { noteAway, placeCalled, sectionAround } from '../places'
import { say, type Reach } from './reach'

/** Going about: by measure, beat, letter or name, and to what is open. */
export function goingHands(reach: Reach) {
    const { desk, selecting, open, choose, ask } = reach

    async function goTo(): Promise<void> {
        const places = reach.places()
        const name = await ask(`Go to which ${speak('measure')} or letter?`, '', /^/, 'As 27, B, or B + 5.', 'Go there')
        const measure = name === null || name.trim() === '' ? undefined : placeCalled(name, places)
        if (measure === null) {
            say(`There is no “${name?.trim()}” in this part.`)
        } else if (measure !== undefined) {
            const number = places.measures[measure]
            choose(desk.notes.find((note) => places.measures.indexOf(note.measure) >= measure)?.id ?? desk.notes.find((note) => note.measure === number)?.id ?? null)
        }
    }

    function far(by: 1 | -1, what: 'measure' | 'beat' | 'letter', extend = false): void {
        const now = desk.notes.findIndex(({ id }) => id === selecting.selected.value)
        if (extend && by === 1) {
            // A span that grows by a measure ends with that measure.
            const here = desk.notes[now]?.measure
            const inside = desk.notes.slice(now + 1)
            const until = inside.findIndex(({ measure }) => measure !== here)
            const rest = until === 0 ? inside.findIndex(({ measure }) => measure !== inside[0]?.measure) : until
            choose((rest === -1 ? inside.at(-1) : inside[rest - 1])?.id ?? null, true)
        } else {
            choose(noteAway(desk.notes, now, by, what, reach.places())?.id ?? null, extend)
        }
    }

    function selectMore(): void {
        const section = sectionAround(desk.notes, selecting.chosen.value ?? desk.notes[0] ?? null, reach.places())
        const [first, last] = selecting.ends.value
        const whole = section === null || (first === section.from && last === section.to)
        const [from, to] = whole ? [desk.notes[0]?.id, desk.notes.at(-1)?.id] : [section.from, section.to]
        if (from !== undefined && to !== undefined) {
            choose(from)
            choose(to, true)
        }
    }

    async function nextOpen(): Promise<void> {
        const found = await open.next()
        if (found === null) {
            say('Nothing is open in this piece.')
            return
        }
        if (found.first) {
            say('That was all; from the beginning.')
        }
        if (found.part !== desk.part?.part.id) {
            say(`${found.name}: ${found.place.why}`)
            reach.visit(found.part, found.place.note)
            return
        }
        // What the list of findings has is gone to there, so that its fixes have their keys.
        const finding = found.place.kind === 'finding' ? desk.left.find(({ note }) => note === found.place.note) : undefined
        if (finding) {
            reach.walk.go(finding.id)
        } else {
            choose(found.place.note)
            ElMessage.info({ message: found.place.why, grouping: true })
        }
    }

    return { far, goTo, selectMore, nextOpen }
}
