import { countedRests } from './counted-rests'
import { engrave } from './engraver'
import { drawnMeasures } from './drawn-measures'
import type { Beside } from './engraving'
import { ASIDE_WIDTH } from './widths'

/** A part as it is engraved: its lines of music, and small measures that stand beside others. */
export interface Engraved {
    pages: string[]
    asides: string[][]
    /** Which drawn measure each measure is. */
    drawn: number[]
}

/** Music that is to be engraved, or is engraved already. */
export interface Print {
    /** MusicXML or, where it is engraved already, whatever names it. */
    music: string
    /** Made from its contents; where it is given, what is engraved is kept in this browser. */
    name?: string | undefined
    /** Measures that are not played, counted from 0: no counted rest goes over where they begin or end. */
    silent: readonly number[]
    /** The print, where something else is typed over it. */
    beside?: readonly Beside[]
    /** Where it is engraved elsewhere. */
    ready?: (width: number) => Promise<Engraved>
}

/** @throws Error when the music cannot be engraved */
export async function engravedHere({ music, name, silent, beside = [] }: Print, width: number): Promise<Engraved> {
    const counted = countedRests(music, silent)
    const [pages, asides] = await Promise.all([engrave(counted, width, name && `${name} ${silent.join()}`), Promise.all(beside.map((one) => engrave(one.music, ASIDE_WIDTH)))])
    return { pages, asides, drawn: drawnMeasures(counted) }
}
