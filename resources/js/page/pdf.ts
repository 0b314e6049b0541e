import hand from '@expo-google-fonts/patrick-hand/400Regular/PatrickHand_400Regular.ttf?url'
import serif from '@expo-google-fonts/source-serif-4/400Regular/SourceSerif4_400Regular.ttf?url'
import serifItalic from '@expo-google-fonts/source-serif-4/400Regular_Italic/SourceSerif4_400Regular_Italic.ttf?url'
import serifBold from '@expo-google-fonts/source-serif-4/700Bold/SourceSerif4_700Bold.ttf?url'
import { PAPERS, type Paper } from './sheets'

const FONTS: [string, string, 'normal' | 'italic' | 'bold' | 'bolditalic'][] = [
    ['Source Serif 4', serif, 'normal'],
    ['Source Serif 4', serifItalic, 'italic'],
    ['Source Serif 4', serifBold, 'bold'],
    ['Source Serif 4', serifBold, 'bolditalic'],
    ['Patrick Hand', hand, 'normal'],
]

async function base64(address: string): Promise<string> {
    const bytes = new Uint8Array(await (await fetch(address)).arrayBuffer())
    let text = ''
    for (let start = 0; start < bytes.length; start += 0x8000) {
        text += String.fromCharCode(...bytes.subarray(start, start + 0x8000))
    }
    return btoa(text)
}

/** The sheets as a PDF: vectors, with the fonts inside. The makers are loaded only when somebody asks for one. */
export async function pdf(sheets: SVGSVGElement[], paper: Paper, title: string): Promise<Blob> {
    const [{ jsPDF }, { svg2pdf }] = await Promise.all([import('jspdf'), import('svg2pdf.js')])
    const { width, height } = PAPERS[paper]
    const format: [number, number] = [width / 100, height / 100]
    const document = new jsPDF({ unit: 'mm', format, compress: true, putOnlyUsedFonts: true })
    document.setProperties({ title, creator: 'Upright Pencil' })
    for (const [family, address, style] of FONTS) {
        const file = `${family}-${style}.ttf`
        document.addFileToVFS(file, await base64(address))
        document.addFont(file, family, style)
    }
    for (const [index, sheet] of sheets.entries()) {
        if (index > 0) {
            document.addPage(format)
        }
        await svg2pdf(sheet, document, { x: 0, y: 0, width: format[0], height: format[1] })
    }
    return new Blob([withTrueOrdering(document.output('arraybuffer'))], { type: 'application/pdf' })
}

/** The maker names its fonts' character collection after their encoding, at which strict readers complain. */
function withTrueOrdering(file: ArrayBuffer): ArrayBuffer {
    const bytes = new Uint8Array(file)
    const wrong = [...'/Ordering (Identity-H)'].map((letter) => letter.charCodeAt(0))
    const right = [...'/Ordering (Identity)  '].map((letter) => letter.charCodeAt(0))
    for (let at = bytes.indexOf(0x2f); at !== -1; at = bytes.indexOf(0x2f, at + 1)) {
        if (wrong.every((code, index) => bytes[at + index] === code)) {
            bytes.set(right, at)
        }
    }
    return file
}

export function save(blob: Blob, name: string): void {
    const link = Object.assign(document.createElement('a'), { href: URL.createObjectURL(blob), download: name })
    link.click()
    setTimeout(() => URL.revokeObjectURL(link.href), 60_000)
}
