import { VerovioToolkit } from 'verovio/esm'
import createModule from 'verovio/wasm'
import { engravedPart, pagesOf } from './engraved-pages'

export interface Order {
    id: number
    music: string
    /** Width of a line of music in tenths of a millimetre on paper; a staff is 7.2 mm high. */
    width: number
    /** A single line of music, stretched to the width when it nearly fills it. */
    line?: boolean
}

export interface Delivery {
    id: number
    pages: string[]
    fault?: string
    /** The engraver is of no use any more. */
    broken?: boolean
}

/** A first engraving takes three times as long as later ones, so it is done on this before there is any music. */
const WARM_UP = `<score-partwise version="4.0"><part-list><score-part id="P1"><part-name/></score-part></part-list><part id="P1"><measure number="1">
<attributes><divisions>2</divisions><key><fifths>2</fifths></key><time><beats>2</beats><beat-type>4</beat-type></time><clef><sign>G</sign><line>2</line></clef></attributes>
<direction placement="below"><direction-type><dynamics><mf/></dynamics></direction-type></direction>
<note><pitch><step>A</step><octave>4</octave></pitch><duration>1</duration><type>eighth</type><beam number="1">begin</beam><notations><slur type="start"/></notations></note>
<note><pitch><step>B</step><octave>4</octave></pitch><duration>1</duration><type>eighth</type><beam number="1">end</beam><notations><slur type="stop"/></notations></note>
<note><rest/><duration>2</duration><type>quarter</type></note></measure></part></score-partwise>`

const toolkit = createModule().then((module) => {
    const engraver = new VerovioToolkit(module)
    pagesOf(engraver, WARM_UP, 1000)
    return engraver
})

async function engrave(order: Order): Promise<Delivery> {
    const pages = engravedPart(await toolkit, order.music, order.width, order.line)
    return pages.length > 0 ? { id: order.id, pages } : { id: order.id, pages, fault: 'This music could not be engraved.' }
}

self.onmessage = async (message: MessageEvent<Order>) => {
    try {
        self.postMessage(await engrave(message.data))
    } catch (fault) {
        self.postMessage({ id: message.data.id, pages: [], fault: `The engraver stopped: ${String(fault)}`, broken: true })
    }
}
