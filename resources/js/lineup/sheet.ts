import type { LineUp } from '../api/types'
import { blank, footer, headingHeight, headingOn, PAPERS, type Heading, type Paper } from '../page/sheets'
import { element } from '../page/svg'
import { LineMap } from './map'

const MARGIN = 1300
/** In which the map is drawn before it is brought to the size of the paper. */
const WIDTH = 940
const LINES = [8, 12, 16, 24, 32, 48, 64]

/** The whole map on one sheet, for the director's score: as few measures in a line as go on it. */
export function mapSheet(map: LineUp, paper: Paper): SVGSVGElement {
    const { width, height } = PAPERS[paper]
    const heading: Heading = { title: map.title, composer: '', part: 'Line-up of all sections', ensemble: map.ensemble, told: [] }
    const top = MARGIN + headingHeight(heading)
    const [wide, high] = [width - 2 * MARGIN, height - top - 2 * MARGIN]
    const whole = (wide / WIDTH)
    const maps = LINES.map((measures) => new LineMap(map, measures, WIDTH))
    const fitting = maps.find((one) => one.height * whole <= high) ?? maps.at(-1)
    const sheet = blank(paper)
    sheet.append(headingOn(width, MARGIN, heading))
    if (fitting) {
        const scale = Math.min(whole, high / fitting.height)
        const group = element('g', { transform: `translate(${MARGIN} ${top}) scale(${scale.toFixed(3)})` })
        group.append(...fitting.root.childNodes)
        sheet.append(group)
    }
    sheet.append(footer(paper, MARGIN, heading, 1, 1))
    return sheet
}
