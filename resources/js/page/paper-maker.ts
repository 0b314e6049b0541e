import { pdf, save } from './pdf'
import type { Heading, Paper } from './sheets'

/**
 * Prints and saves what a screen shows. The sheets are made when they are asked for, also when somebody prints from
 * the browser's own menu, so they always carry the newest marks.
 */
export class PaperMaker {
    private readonly tray = Object.assign(document.createElement('div'), { className: 'sheets' })

    /** @param prepare what takes time, such as engraving for another paper: done before the sheets are asked for */
    constructor(
        private readonly make: (paper: Paper) => SVGSVGElement[],
        private readonly heading: () => Heading,
        private readonly chosen: () => Paper,
        private readonly prepare: (paper: Paper) => Promise<unknown> = () => Promise.resolve(),
    ) {
        document.body.append(this.tray)
        window.addEventListener('beforeprint', this.fill)
    }

    dispose(): void {
        window.removeEventListener('beforeprint', this.fill)
        this.tray.remove()
    }

    async print(): Promise<void> {
        await this.prepare(this.chosen())
        window.print()
    }

    async save(): Promise<void> {
        const { title, part } = this.heading()
        save(await this.pdf(), `${fileName(title)}-${fileName(part)}.pdf`)
    }

    private async pdf(): Promise<Blob> {
        const { title, part } = this.heading()
        await this.prepare(this.chosen())
        return this.pdfOf(this.make(this.chosen()), `${title}, ${part}`)
    }

    /** Sheets as a PDF: they have to lie in the document while it is made. */
    async pdfOf(sheets: readonly SVGSVGElement[], title: string): Promise<Blob> {
        this.tray.replaceChildren(...sheets)
        const made = await pdf([...this.tray.querySelectorAll<SVGSVGElement>('svg.sheet')], this.chosen(), title)
        this.tray.replaceChildren()
        return made
    }

    private readonly fill = (): void => {
        this.tray.replaceChildren(...this.make(this.chosen()))
    }
}

export function fileName(text: string): string {
    return text.toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '') || 'part'
}
