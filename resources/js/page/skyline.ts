import type { Box } from './svg'

/** Tenths of a millimetre × 10: the engraver's units. */
const STEP = 30

/** How high things reach over one line of music, column by column; y grows downwards. */
export class Skyline {
    private constructor(
        private readonly heights: Float32Array,
        private readonly floor: number,
    ) {}

    /** An empty one, at the height of the staff's top line. */
    static over(width: number, floor: number): Skyline {
        return new Skyline(new Float32Array(Math.ceil(width / STEP) + 2).fill(floor), floor)
    }

    copy(): Skyline {
        return new Skyline(this.heights.slice(), this.floor)
    }

    add(box: Box): void {
        this.columns(box.x, box.width, (column) => {
            this.heights[column] = Math.min(this.heights[column] ?? this.floor, box.y)
        })
    }

    /** The y above which a thing of this width is free. */
    top(x: number, width: number): number {
        let top = this.floor
        this.columns(x, width, (column) => {
            top = Math.min(top, this.heights[column] ?? top)
        })
        return top
    }

    highest(): number {
        return this.heights.reduce((highest, height) => Math.min(highest, height), this.floor)
    }

    private columns(x: number, width: number, visit: (column: number) => void): void {
        const last = Math.min(this.heights.length - 1, Math.floor((x + width) / STEP))
        for (let column = Math.max(0, Math.floor(x / STEP)); column <= last; column++) {
            visit(column)
        }
    }
}
