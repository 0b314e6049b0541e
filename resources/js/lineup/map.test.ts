import { expect, it } from 'vitest'
import type { LineUp, OutOfLine } from '../api/types'
import { outOfLine, strokesOf, systemsOf } from './map'

const map = (measures: number): LineUp => ({ title: '', ensemble: '', resolution: 4, parts: [], cutOffs: [], figures: [], words: null, measures: Array.from({ length: measures }, (_, index) => ({ number: String(index + 1), start: 16 * index, length: 16, letter: null })) })

it('the lines of the map hold every measure once, one line under the other', () => {
    const systems = systemsOf(map(10), 4)
    expect(systems.map(({ first, end }) => [first, end])).toEqual([[0, 4], [4, 8], [8, 10]])
    expect(systems.map(({ from, until }) => [from, until])).toEqual([[0, 64], [64, 128], [128, 160]])
    expect(new Set(systems.map(({ top }) => top)).size).toBe(3)
    expect(systemsOf(map(0), 4)).toEqual([])
})

it('strokes are read by their places', () => {
    const [stroke] = strokesOf({ part: 1, name: 'Viola', instrument: 'viola', seq: 0, strokes: [[0, 8, 'd', 'hook', 'n1', [4], [[2], []]]] })
    expect(stroke).toEqual({ from: 0, until: 8, direction: 'd', action: 'hook', note: 'n1', inner: [4], desks: [[2], []] })
})

it('what is out of line is pointed out on the sections that differ, and numbered once', () => {
    const finding = (parts: number[]) => ({ parts, from: 0, until: 4 }) as unknown as OutOfLine
    expect(outOfLine([finding([1, 2, 3]), finding([4])]).map(({ part, words }) => [part, words])).toEqual([[2, '1'], [3, undefined], [4, '2']])
})
