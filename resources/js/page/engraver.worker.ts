import { VerovioToolkit } from 'verovio/esm'
import createModule from 'verovio/wasm'

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
    svgFormatRaw: true,
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

/** The part's name stands in the page's heading, not before every line. */
function withoutPartNames(music: string): string {
    return music.replace(/<part-(name|abbreviation)\b[^>]*>[^<]*<\/part-\1>/g, '<part-$1></part-$1>')
}

/** Our content security policy admits no styles but our own. */
function withoutStyles(page: string): string {
    return page.replace(/<style[\s>].*?<\/style>/gs, '').replace(/ style="[^"]*"/g, '')
}

/** The sign by which the server marks a measure that nobody entered. */
const NOT_ENTERED = '<other-direction print-object="no">'

/**
 * Of a counted block the engraver draws the count and nothing else: the letter and the words that stand over it are given back to
 * it, and the clef that it repeats is taken out.
 */
function withBlocks(engraver: VerovioToolkit, music: string): string {
    if (!music.includes('<multiple-rest>') || !engraver.loadData(music)) {
        return music
    }
    const measures = music.split(/<measure[\s>]/)
    const over = measures
        .map((measure, index) => ({ measure, goesOn: measures[index - 1]?.includes(NOT_ENTERED) ?? false }))
        .filter(({ measure }) => measure.includes('<multiple-rest>'))
        .map(({ measure, goesOn }) => {
            const letter = /<rehearsal[^>]*>([^<]*)</.exec(measure)?.[1]
            // Two blocks side by side are told once.
            const words = goesOn ? undefined : /<words[^>]*>([^<]*)</.exec(measure)?.[1]
            return (letter ? `<reh tstamp="0" staff="1" place="above"><rend rend="box">${letter}</rend></reh>` : '') + (words ? `<dir tstamp="1" staff="1" place="below">${words}</dir>` : '')
        })
    return engraver.getMEI({ pageNo: 0 }).replace(/<clef [^>]*\/>(\s*<multiRest)/g, '$1').replace(/<multiRest[^>]*\/>.*?(?=<\/measure>)/gs, (rest) => rest + (over.shift() ?? ''))
}

async function engrave(order: Order): Promise<Delivery> {
    const pages = pagesOf(await toolkit, withBlocks(await toolkit, withoutPartNames(order.music)), order.width, order.line)
    return pages.length > 0 ? { id: order.id, pages } : { id: order.id, pages, fault: 'This music could not be engraved.' }
}

function pagesOf(engraver: VerovioToolkit, music: string, width: number, line = false): string[] {
    engraver.setOptions({ ...OPTIONS, pageWidth: width, minLastJustification: line ? 0.55 : 0.8 })
    const count = engraver.loadData(music) ? engraver.getPageCount() : 0
    return Array.from({ length: count }, (_, page) => withoutStyles(engraver.renderToSVG(page + 1)))
}

self.onmessage = async (message: MessageEvent<Order>) => {
    try {
        self.postMessage(await engrave(message.data))
    } catch (fault) {
        self.postMessage({ id: message.data.id, pages: [], fault: `The engraver stopped: ${String(fault)}`, broken: true })
    }
}
