import { VerovioToolkit } from 'verovio/esm'
import createModule from 'verovio/wasm'
import { countedRests } from '../page/counted-rests'
import { drawnMeasures } from '../page/drawn-measures'
import { engravedPart } from '../page/engraved-pages'
import type { Engraved } from '../page/print'
import { ASIDE_WIDTH } from '../page/widths'

/**
 * Engraves what is handed out, on the server: `node engrave.mjs`, orders on standard input, what is engraved on standard output.
 * The same code as in a browser, so that marks fall on the same places.
 */
interface Order {
    music: string
    /** Measures that are not played, counted from 0. */
    silent: number[]
    widths: number[]
    /** Measures as they are printed, where something else is typed over them. */
    beside: string[]
}

async function input(): Promise<string> {
    const pieces: Buffer[] = []
    for await (const piece of process.stdin) {
        pieces.push(piece as Buffer)
    }
    return Buffer.concat(pieces).toString('utf8')
}

const orders = JSON.parse(await input()) as Order[]
const engraver = new VerovioToolkit(await createModule())
process.stdout.write(
    JSON.stringify(
        orders.map(({ music, silent, widths, beside }) => {
            const counted = countedRests(music, silent)
            const asides = beside.map((one) => engravedPart(engraver, one, ASIDE_WIDTH))
            return Object.fromEntries(widths.map((width): [number, Engraved] => [width, { pages: engravedPart(engraver, counted, width), asides, drawn: drawnMeasures(counted) }]))
        }),
    ),
)
