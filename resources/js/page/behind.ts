import type { Print } from './print'
import { ScorePage } from './score-page'

/** Music engraved for paper, behind what the screen shows: once for each width of a line. */
export class BehindPages {
    private readonly host = Object.assign(document.createElement('div'), { className: 'behind' })

    private readonly made = new Map<string, ScorePage>()

    constructor() {
        this.host.setAttribute('aria-hidden', 'true')
        document.body.append(this.host)
    }

    dispose(): void {
        this.made.forEach((page) => page.dispose())
        this.made.clear()
        this.host.remove()
    }

    /** What is engraved already; null where it has to be asked for. */
    ready(print: Print, width: number): ScorePage | null {
        return this.made.get(slot(print, width)) ?? null
    }

    /** @throws Error when the music cannot be engraved */
    async of(print: Print, width: number): Promise<ScorePage> {
        const known = this.ready(print, width)
        if (known) {
            return known
        }
        const page = new ScorePage(this.host)
        await page.engrave(print, width)
        page.cross(print.silent)
        this.made.set(slot(print, width), page)
        return page
    }

    /** Parts that were printed once take room. */
    forget(): void {
        this.made.forEach((page) => {
            page.dispose()
            page.drawing.remove()
        })
        this.made.clear()
    }
}

const slot = ({ music, silent }: Print, width: number): string => `${width} ${silent.join()} ${music}`
