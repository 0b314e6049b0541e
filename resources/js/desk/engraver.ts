import type { Delivery, Order } from './engraver.worker'

let worker: Worker | null = null
let orders = 0
const waiting = new Map<number, (delivery: Delivery) => void>()

function start(): Worker {
    const started = new Worker(new URL('./engraver.worker.ts', import.meta.url), { type: 'module' })
    started.onmessage = (message: MessageEvent<Delivery>) => {
        waiting.get(message.data.id)?.(message.data)
        waiting.delete(message.data.id)
    }
    started.onerror = () => {
        waiting.forEach((deliver, id) => deliver({ id, pages: [], fault: 'The engraver could not be started.' }))
        waiting.clear()
        worker = null
    }
    return started
}

/** Loads the engraver before there is something to engrave. */
export function warmUp(): void {
    worker ??= start()
}

/**
 * Engraves music in a worker, so that the page stays awake.
 *
 * @returns the engraver's pages as SVG text
 * @throws Error with one sentence when the music cannot be engraved
 */
export async function engrave(music: string, width: number): Promise<string[]> {
    worker ??= start()
    const order: Order = { id: ++orders, music, width }
    const delivery = await new Promise<Delivery>((deliver) => {
        waiting.set(order.id, deliver)
        worker?.postMessage(order)
    })
    if (delivery.fault) {
        throw new Error(delivery.fault)
    }
    return delivery.pages
}
