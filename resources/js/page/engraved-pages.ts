import type { VerovioToolkit } from 'verovio/esm'

/** What the engraver makes of music, the same in a browser's worker and on the server. */

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

/** The name of a single part stands in the page's heading, not before every line. */
function withoutPartName(music: string): string {
    return (music.match(/<score-part\b/g)?.length ?? 0) > 1 ? music : music.replace(/<part-(name|abbreviation)\b[^>]*>[^<]*<\/part-\1>/g, '<part-$1></part-$1>')
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

/** Engraves a part: its lines of music, each of some width (tenths of a millimetre on paper), as SVG. */
export function engravedPart(engraver: VerovioToolkit, music: string, width: number, line = false): string[] {
    return pagesOf(engraver, withBlocks(engraver, withoutPartName(music)), width, line)
}

export function pagesOf(engraver: VerovioToolkit, music: string, width: number, line = false): string[] {
    engraver.setOptions({ ...OPTIONS, pageWidth: width, minLastJustification: line ? 0.55 : 0.8 })
    const count = engraver.loadData(music) ? engraver.getPageCount() : 0
    return Array.from({ length: count }, (_, page) => withoutStyles(engraver.renderToSVG(page + 1)))
}
