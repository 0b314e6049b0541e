import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { basename, join } from 'node:path'
import subsetFont from 'subset-font'
import type { Plugin } from 'vite'

/** Letters of the languages in which our players' names, titles and marks are usually written, and the signs that we write. */
const USUAL: readonly [number, number][] = [[0x20, 0x7e], [0xa0, 0xff]]
const SIGNS = '–—‘’“”…•→←↑↓♭♮♯⅓⅔′″−⌒⊓✓✕'
const FACE = /@font-face \{[^}]*url\('([^']+\.ttf)'\)[^}]*\}/g

const points = [...USUAL.flatMap(([from, to]) => Array.from({ length: to - from + 1 }, (_, index) => from + index)), ...[...SIGNS].map((sign) => sign.codePointAt(0) ?? 0)].sort((one, other) => one - other)

/** Ranges of letters as a style sheet writes them. */
function ranges(of: readonly [number, number][]): string {
    return of.map(([from, to]) => `U+${from.toString(16)}${to > from ? `-${to.toString(16)}` : ''}`).join(', ')
}

const runs = points.reduce<[number, number][]>((made, point) => {
    const last = made.at(-1)
    if (last && point <= last[1] + 1) {
        last[1] = point
        return made
    }
    return [...made, [point, point]]
}, [])
const rest = [...runs, [0x110000, 0x110000] as [number, number]].map(([from], index): [number, number] => [index === 0 ? 0 : (runs[index - 1]?.[1] ?? 0) + 1, from - 1]).filter(([from, to]) => to >= from)

/**
 * A font of ours has 200 to 330 kB, of which a page uses a tenth: that tenth is made a file of its own, compressed, and the whole
 * is fetched only where a letter stands that is not in it. An old phone has its first music seconds sooner.
 */
export function smallFonts(): Plugin {
    return {
        name: 'small-fonts',
        enforce: 'pre',
        async transform(code, id) {
            if (!id.endsWith('.css') || !code.includes('@font-face')) {
                return null
            }
            const made = await Promise.all([...code.matchAll(FACE)].map(async ([face, file = '']): Promise<[string, string]> => {
                const small = await subset(file)
                return [face, `${face.replace(' }', ` unicode-range: ${ranges(rest)}; }`)}\n${face.replace(file, small).replace(' }', ` unicode-range: ${ranges(runs)}; }`)}`]
            }))
            return { code: made.reduce((text, [face, both]) => text.replace(face, () => both), code), map: null }
        },
    }
}

async function subset(file: string): Promise<string> {
    const folder = join(import.meta.dirname, 'node_modules/.fonts')
    const small = join(folder, `${basename(file, '.ttf')}.woff2`)
    if (!existsSync(small)) {
        mkdirSync(folder, { recursive: true })
        const whole = readFileSync(createRequire(import.meta.url).resolve(file))
        writeFileSync(small, await subsetFont(whole, String.fromCodePoint(...points), { targetFormat: 'woff2' }))
    }
    return small
}
