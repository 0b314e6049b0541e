/** Small helpers to make SVG. */

const SVG = 'http://www.w3.org/2000/svg'

export function element<K extends keyof SVGElementTagNameMap>(
    name: K,
    attributes: Record<string, string | number> = {},
    ...children: (Node | string)[]
): SVGElementTagNameMap[K] {
    const made = document.createElementNS(SVG, name)
    Object.entries(attributes).forEach(([key, value]) => made.setAttribute(key, String(value)))
    made.append(...children)
    return made
}

/** A drawing that is kept for later, and where it lies. */
export interface Aside {
    print: SVGGElement
    box: Box
}

export interface Box {
    x: number
    y: number
    width: number
    height: number
}
