import type { SheetLine } from '../api/types'
import { STRUCK } from '../marks/table'
import { accentSign, bowSign, breathSign, dotSign, fermataSign, liftSign, retakeSign, rubbedOut, splitSign, strongAccentSign, struckOut, tenutoSign, writing, type Sign } from './signs'

/** What is drawn on a transfer sheet, by the kind of mark; what is not here is said in words. */
const SIGNS: Record<string, (write: string) => Sign> = {
    bow: (write) => bowSign(write === 'V' ? 'up' : 'down'),
    retake: retakeSign,
    lift: liftSign,
    split: splitSign,
    finger: (write) => writing(write, 400),
    position: (write) => writing(write, 340),
    string: (write) => writing(`sul ${write}`, 320),
    accent: accentSign,
    strongAccent: strongAccentSign,
    staccato: dotSign,
    tenuto: tenutoSign,
    fermata: fermataSign,
    breath: breathSign,
    dynamic: (write) => writing(write, 400),
}

/** The sign of a line; null where its words stand instead: a run, what has no sign. */
export const sheetSign = (line: SheetLine): Sign | null => signOf(line, line.write)

/** What is rubbed out, with a stroke through it. */
export function rubbedSign(line: SheetLine): Sign | null {
    const sign = signOf(line, line.erase)
    return sign && rubbedOut(sign)
}

function signOf(line: SheetLine, written: string | null): Sign | null {
    const sign = written === null || line.notes.length > 1 ? undefined : SIGNS[line.kind]
    if (!sign || written === null) {
        return null
    }
    return written === STRUCK ? (line.kind === 'dynamic' ? null : struckOut(sign(written))) : sign(written)
}
