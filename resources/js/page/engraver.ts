import type { Delivery, Order } from './engraver.worker'
import address from './engraver.worker.ts?worker&url'
import { hasKept, keep, kept } from './kept-engravings'

/** A page takes a tenth of a second; a worker that is silent for so long has failed. */
const PATIENCE_MS = 60_000

/** After so long a page has loaded what it shows. */
const QUIET_MS = 3_000

let worker: Worker | null = null
let orders = 0
const waiting = new Map<number, (delivery: Delivery) => void>()

function start(): Worker {
    const started = new Worker(address, { type: 'module' })
    started.onmessage = (message: MessageEvent<Delivery>) => {
        if (message.data.broken) {
            fail(started, message.data.fault ?? '')
            return
        }
        waiting.get(message.data.id)?.(message.data)
        waiting.delete(message.data.id)
    }
    started.onerror = () => fail(started, 'The engraver could not be started.')
    started.onmessageerror = () => fail(started, 'The engraver could not be understood.')
    return started
}

/** Whoever waits is told, and the next order starts another. */
function fail(failed: Worker, fault: string): void {
    failed.terminate()
    if (worker === failed) {
        worker = null
        waiting.forEach((deliver, id) => deliver({ id, pages: [], fault }))
        waiting.clear()
    }
}

/**
 * Loads the engraver before there is something to engrave: at once where a browser opens music for the first time; later, in a
 * quiet moment, where what is opened is likely to be kept already and the engraver would only take the page's time.
 */
export async function warmUp(): Promise<void> {
    if (await hasKept()) {
        await new Promise((later) => setTimeout(later, QUIET_MS))
    }
    worker ??= start()
}

/**
 * Engraves music in a worker, so that the page stays awake. A worker that fails is replaced, and asked once more.
 *
 * @param name of the music, made from its contents; then what was engraved is kept in this browser
 * @returns the engraver's pages as SVG text
 * @throws Error with one sentence when the music cannot be engraved
 */
export async function engrave(music: string, width: number, name?: string): Promise<string[]> {
    // The address changes with the engraver and its settings.
    const slot = name === undefined ? undefined : `${name} ${width} ${address}`
    const known = slot === undefined ? undefined : await kept(slot)
    if (known) {
        return known
    }
    const pages = await engraved(music, width)
    if (slot !== undefined) {
        void keep(slot, pages)
    }
    return pages
}

/** One line of music as it is typed; nothing of it is kept. */
export async function engraveLine(mei: string, width: number): Promise<string> {
    return (await engraved(mei, width, true)).join('')
}

async function engraved(music: string, width: number, line = false): Promise<string[]> {
    const first = await order(music, width, line)
    const delivery = first.fault === undefined || worker !== null ? first : await order(music, width, line)
    if (delivery.fault) {
        throw new Error(delivery.fault)
    }
    return delivery.pages
}

function order(music: string, width: number, line: boolean): Promise<Delivery> {
    const asked = (worker ??= start())
    const one: Order = { id: ++orders, music, width, line }
    return new Promise<Delivery>((deliver) => {
        const tooLong = setTimeout(() => fail(asked, 'The engraver does not answer.'), PATIENCE_MS)
        waiting.set(one.id, (delivery) => {
            clearTimeout(tooLong)
            deliver(delivery)
        })
        asked.postMessage(one)
    })
}
