import { ElMessage } from 'element-plus'
import { v4 as uuid } from 'uuid'
import { api } from '../../api/client'
import { sectionAround } from '../places'
import { fail, NOTHING_CHOSEN, say, type Reach } from './reach'

const marksTaken = (count: number) => (count === 1 ? 'One note is taken' : `${count} notes are taken`)
const leftOut = (count: number) => (count === 0 ? '' : count === 1 ? '; one is doubtful and left: 9 goes there' : `; ${count} are doubtful and left: 9 goes there`)

/** Takes what is proposed: on a note or span, in a section, a part, a piece; as one entry. */
export function takingHands({ desk, selecting, trying, places, choose, confirm }: Reach) {
    async function take(what: 'here' | 'section' | 'part' | 'piece'): Promise<void> {
        const id = desk.part?.part.id
        if (id === undefined) {
            return
        }
        try {
            if (what === 'piece') {
                await takePiece()
                return
            }
            const section = what === 'section' ? sectionAround(desk.notes, selecting.chosen.value ?? desk.notes[0] ?? null, places()) : null
            const [from, to] = what === 'here' ? selecting.span() : section ? [section.from, section.to] : []
            if (what === 'here' && from === undefined) {
                say(NOTHING_CHOSEN)
                return
            }
            const single = what === 'here' && to === undefined
            const proposals = await api.proposals(id, desk.players, from, to ?? from, single)
            if (proposals.decisions.length > 0) {
                trying.leave()
                desk.decide(...proposals.decisions)
            }
            told(proposals.decisions.length, proposals.leftOut.length, single)
            if (single) {
                choose(nextProposed())
            }
        } catch (problem) {
            fail(problem)
        }
    }

    function told(taken: number, left: number, single: boolean): void {
        if (taken === 0) {
            say(left === 0 ? 'Nothing is proposed here that is not decided.' : `Nothing is taken${leftOut(left)}.`)
        } else if (!single) {
            ElMessage.success(`${marksTaken(taken)}${leftOut(left)}. Z takes all of it back.`)
        }
    }

    /** The next note on which something is proposed that nobody decided. */
    function nextProposed(): string | null {
        const now = desk.notes.findIndex(({ id }) => id === selecting.selected.value)
        const waiting = new Set(desk.layer.filter(({ decided }) => decided !== true).map(({ note }) => note))
        return desk.notes.slice(now + 1).find(({ id }) => waiting.has(id))?.id ?? selecting.away(1)
    }

    /** All parts at once: into all of their records or into none, and undone as one. */
    async function takePiece(): Promise<void> {
        const piece = desk.part?.piece.id
        if (piece === undefined) {
            return
        }
        const { parts } = await api.pieceProposals(piece)
        const some = parts.filter(({ proposals }) => proposals.decisions.length > 0)
        const taken = some.reduce((sum, { proposals }) => sum + proposals.decisions.length, 0)
        const left = parts.reduce((sum, { proposals }) => sum + proposals.leftOut.length, 0)
        if (taken === 0) {
            told(0, left, false)
            return
        }
        const each = some.map(({ name, proposals }) => `${name} ${proposals.decisions.length}`).join(', ')
        if (await confirm(`Notes with proposals: ${each}.${left === 0 ? '' : ` ${left} doubtful ones are left out.`} It is one entry in all parts; one undo takes it back.`, 'Take all that is proposed in this piece?')) {
            await api.appendGroup(piece, uuid(), some.map(({ part, seq, proposals }) => ({ part, seen: seq, decisions: proposals.decisions })))
            await desk.refresh()
            ElMessage.success(`${marksTaken(taken)} in ${some.length} parts${leftOut(left)}.`)
        }
    }

    return { take }
}
