import { pdf, save } from './pdf'
import type { Heading, Paper } from './sheets'

/**
 * Prints and saves what a screen shows. The sheets are made when they are asked for, also when somebody prints from
 * the browser's own menu, so they always carry the newest marks.
 */
export class PaperMaker {
    private readonly tray = Object.assign(document.createElement('div'), { className: 'sheets' })

    constructor(
        private readonly make: (paper: Paper) => SVGSVGElement[],
        private readonly heading: () => Heading,
        private readonly chosen: () => Paper,
    ) {
        document.body.append(this.tray)
        window.addEventListener('beforeprint', this.fill)
    }

    dispose(): void {
        window.removeEventListener('beforeprint', this.fill)
        this.tray.remove()
    }

    print(): void {
        window.print()
    }

    async save(): Promise<void> {
        const paper = this.chosen()
        const { title, part } = this.heading()
        this.fill()
        const sheets = [...this.tray.querySelectorAll<SVGSVGElement>('svg.sheet')]
        save(await pdf(sheets, paper, `${title}, ${part}`), `${fileName(title)}-${fileName(part)}.pdf`)
        this.tray.replaceChildren()
    }

    private readonly fill = (): void => {
        this.tray.replaceChildren(...this.make(this.chosen()))
    }
}

function fileName(text: string): string {
    return text.toLowerCase().replace(/[^a-z0-9]+/g, '-').replace(/^-|-$/g, '') || 'part'
}
