import type { PDFDocumentProxy } from 'pdfjs-dist'
import type { PageFile } from '../api/types'

/** How one page is looked at: quarter turns in degrees, and the part of it that is shown (left, top, width, height, each 0 to 1). */
export interface PageLook {
    turn?: number
    crop?: [number, number, number, number]
}

/** A printed line begins here: at this height of the page (0 to 1), with this measure (counted from 0). */
export interface Anchor {
    page: number
    y: number
    measure: number
}

export interface FileLook {
    pages?: Record<string, PageLook>
    anchors?: Anchor[]
    /** Grey, with more contrast and sharper edges. */
    clear?: boolean
}

/** One page of all that lie beside a part. */
export interface Page {
    file: PageFile
    /** Within its file, from 1. */
    number: number
}

export const MOST_PAGES = 100
const MOST_BYTES = 80 * 1024 * 1024
/** Longer sides of a photo are not read better. */
const PHOTO_PIXELS = 2600

export const lookOf = (file: PageFile): FileLook => file.look as FileLook

/** pdf.js is large, and few screens need it. */
async function pdfjs() {
    const [library, { default: PdfWorker }] = await Promise.all([import('pdfjs-dist'), import('pdfjs-dist/build/pdf.worker.min.mjs?worker')])
    library.GlobalWorkerOptions.workerPort ??= new PdfWorker()
    return library
}

const opened = new Map<string, Promise<PDFDocumentProxy>>()

async function openPdf(source: { url: string } | { data: ArrayBuffer }): Promise<PDFDocumentProxy> {
    const { getDocument } = await pdfjs()
    // Nothing of a PDF is run, and its letters are drawn as shapes: our content security policy admits no more.
    return getDocument({ ...source, isEvalSupported: false, disableFontFace: true, disableAutoFetch: true, rangeChunkSize: 1 << 20 }).promise
}

const documentOf = (file: PageFile): Promise<PDFDocumentProxy> => {
    const known = opened.get(file.key) ?? openPdf({ url: `/api/pages/${file.key}` })
    opened.set(file.key, known)
    known.catch(() => opened.delete(file.key))
    return known
}

const photos = new Map<string, Promise<ImageBitmap>>()

/** Fetched once, however often it is turned or made larger. */
const photoOf = (file: PageFile): Promise<ImageBitmap> => {
    const known = photos.get(file.key) ?? fetch(`/api/pages/${file.key}`).then(async (answer) => createImageBitmap(await answer.blob()))
    photos.set(file.key, known)
    known.catch(() => photos.delete(file.key))
    return known
}

export async function countPages(file: PageFile): Promise<number> {
    return file.pdf ? (await documentOf(file)).numPages : 1
}

/**
 * A file as it is sent: a PDF that can be opened, a photo no larger than is read, without what a camera writes into it.
 *
 * @throws Error with one sentence when it is neither
 */
export async function prepared(file: File): Promise<File> {
    if (file.size > MOST_BYTES) {
        throw new Error('This file is over 80 MB; scan it in grey, or in two halves.')
    }
    if (file.type === 'application/pdf' || /\.pdf$/i.test(file.name)) {
        const document = await openPdf({ data: await file.arrayBuffer() }).catch((fault: unknown) => {
            throw new Error(fault instanceof Error && fault.name === 'PasswordException' ? 'This PDF is locked with a password; save it without one first.' : 'This PDF cannot be opened; it is damaged or no PDF. Scan or save it again.')
        })
        const pages = document.numPages
        void document.destroy()
        if (pages > MOST_PAGES) {
            throw new Error(`This PDF has ${pages} pages; one of up to ${MOST_PAGES} can lie beside a part.`)
        }
        return file
    }
    const photo = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
        throw new Error('This is neither a PDF nor a photo that can be opened; choose the scan of the printed part.')
    })
    const scale = Math.min(1, PHOTO_PIXELS / Math.max(photo.width, photo.height))
    const canvas = new OffscreenCanvas(Math.round(photo.width * scale), Math.round(photo.height * scale))
    canvas.getContext('2d')?.drawImage(photo, 0, 0, canvas.width, canvas.height)
    return new File([await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.86 })], file.name.replace(/\.[^.]*$/, '.jpg'), { type: 'image/jpeg' })
}

/**
 * Draws a page as it is looked at.
 *
 * @param width in pixels of the screen
 * @returns the height that it takes
 */
export async function draw(page: Page, canvas: HTMLCanvasElement, width: number): Promise<void> {
    const look = lookOf(page.file)
    const { turn = 0, crop = [0, 0, 1, 1] } = look.pages?.[String(page.number)] ?? {}
    const whole = page.file.pdf ? await pdfPage(page, turn, width / crop[2]) : await photo(page.file, turn, width / crop[2])
    canvas.width = Math.max(1, Math.round(whole.width * crop[2]))
    canvas.height = Math.max(1, Math.round(whole.height * crop[3]))
    const ink = canvas.getContext('2d', { willReadFrequently: look.clear === true })
    ink?.drawImage(whole, -Math.round(whole.width * crop[0]), -Math.round(whole.height * crop[1]))
    if (ink && look.clear) {
        ink.putImageData(cleared(ink.getImageData(0, 0, canvas.width, canvas.height)), 0, 0)
    }
}

async function pdfPage(page: Page, turn: number, width: number): Promise<HTMLCanvasElement> {
    const found = await (await documentOf(page.file)).getPage(page.number)
    const rotation = (found.rotate + turn) % 360
    const viewport = found.getViewport({ scale: width / found.getViewport({ scale: 1, rotation }).width, rotation })
    const canvas = document.createElement('canvas')
    canvas.width = Math.round(viewport.width)
    canvas.height = Math.round(viewport.height)
    const ink = canvas.getContext('2d')
    if (ink) {
        await found.render({ canvasContext: ink, viewport }).promise
    }
    return canvas
}

async function photo(file: PageFile, turn: number, width: number): Promise<HTMLCanvasElement> {
    const image = await photoOf(file)
    const across = turn % 180 !== 0
    const [wide, high] = across ? [image.height, image.width] : [image.width, image.height]
    const scale = width / wide
    const canvas = document.createElement('canvas')
    canvas.width = Math.round(wide * scale)
    canvas.height = Math.round(high * scale)
    const ink = canvas.getContext('2d')
    ink?.translate(canvas.width / 2, canvas.height / 2)
    ink?.rotate((turn * Math.PI) / 180)
    ink?.drawImage(image, (-image.width * scale) / 2, (-image.height * scale) / 2, image.width * scale, image.height * scale)
    return canvas
}

/** Grey, the paper whiter and the ink darker, and each edge a little sharper than it was. */
function cleared(image: ImageData): ImageData {
    const { width, height, data } = image
    const grey = new Float32Array(width * height)
    for (let at = 0; at < grey.length; at++) {
        grey[at] = 0.3 * (data[4 * at] ?? 0) + 0.59 * (data[4 * at + 1] ?? 0) + 0.11 * (data[4 * at + 2] ?? 0)
    }
    const made = new ImageData(width, height)
    for (let y = 0; y < height; y++) {
        for (let x = 0; x < width; x++) {
            const at = y * width + x
            const here = grey[at] ?? 255
            const around = ((grey[x > 0 ? at - 1 : at] ?? 0) + (grey[x < width - 1 ? at + 1 : at] ?? 0) + (grey[y > 0 ? at - width : at] ?? 0) + (grey[y < height - 1 ? at + width : at] ?? 0)) / 4
            const sharp = here + 0.8 * (here - around)
            const value = Math.max(0, Math.min(255, (sharp - 60) * 1.6))
            made.data.set([value, value, value, 255], 4 * at)
        }
    }
    return made
}

/** The anchor at or before a measure: where its line begins. */
export function anchorFor(files: readonly PageFile[], measure: number): { file: PageFile; anchor: Anchor } | null {
    let best: { file: PageFile; anchor: Anchor } | null = null
    for (const file of files) {
        for (const anchor of lookOf(file).anchors ?? []) {
            if (anchor.measure <= measure && (best === null || anchor.measure >= best.anchor.measure)) {
                best = { file, anchor }
            }
        }
    }
    return best
}
