import { create } from 'qrcode'
import { element } from './svg'

/** An address as a QR code, drawn here: dark squares as one path, with the quiet margin that readers need. */
export function qrCode(address: string, size: number): SVGGElement {
    const { modules } = create(address, { errorCorrectionLevel: 'M' })
    const margin = 4
    const unit = size / (modules.size + 2 * margin)
    let path = ''
    for (let row = 0; row < modules.size; row++) {
        for (let column = 0; column < modules.size; column++) {
            if (modules.get(row, column)) {
                path += `M${((column + margin) * unit).toFixed(1)} ${((row + margin) * unit).toFixed(1)}h${unit.toFixed(2)}v${unit.toFixed(2)}h-${unit.toFixed(2)}z`
            }
        }
    }
    return element('g', { class: 'qr' }, element('rect', { width: size, height: size, fill: '#fff', stroke: 'none' }), element('path', { d: path, fill: '#000', stroke: 'none' }))
}
