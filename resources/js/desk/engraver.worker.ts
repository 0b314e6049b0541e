import { VerovioToolkit } from 'verovio/esm'
import createModule from 'verovio/wasm'

export interface Order {
    id: number
    music: string
    /** Width of a line of music in tenths of a millimetre on paper; a staff is 7.2 mm high. */
    width: number
}

export interface Delivery {
    id: number
    pages: string[]
    fault?: string
}

// Lines of music are stacked by the page itself, which knows how much room the pencil needs.
const OPTIONS = {
    breaks: 'auto',
    footer: 'none',
    header: 'none',
    scale: 100,
    pageHeight: 60000,
    adjustPageHeight: true,
    pageMarginTop: 0,
    pageMarginBottom: 0,
    pageMarginLeft: 10,
    pageMarginRight: 10,
    spacingSystem: 12,
    smuflTextFont: 'none',
    svgRemoveXlink: true,
}

const toolkit = createModule().then((module) => new VerovioToolkit(module))

/** The part's name stands in the page's heading, not before every line. */
function withoutPartNames(music: string): string {
    return music.replace(/<part-(name|abbreviation)\b[^>]*>[^<]*<\/part-\1>/g, '<part-$1></part-$1>')
}

/** Our content security policy admits no styles but our own. */
function withoutStyles(page: string): string {
    return page.replace(/<style[\s>].*?<\/style>/gs, '').replace(/ style="[^"]*"/g, '')
}

async function engrave(order: Order): Promise<Delivery> {
    const engraver = await toolkit
    engraver.setOptions({ ...OPTIONS, pageWidth: order.width })
    if (!engraver.loadData(withoutPartNames(order.music))) {
        return { id: order.id, pages: [], fault: 'This music could not be engraved.' }
    }
    const pages = Array.from({ length: engraver.getPageCount() }, (_, page) => withoutStyles(engraver.renderToSVG(page + 1)))
    return { id: order.id, pages }
}

self.onmessage = async (message: MessageEvent<Order>) => {
    try {
        self.postMessage(await engrave(message.data))
    } catch (fault) {
        self.postMessage({ id: message.data.id, pages: [], fault: `The engraver stopped: ${String(fault)}` })
    }
}
