import { describe, expect, it } from 'vitest'
import { alter, BEGINNING, dot, erase, left, nextMeasure, octave, right, setLength, slur, tie, triplet, typeFullRest, typeInChord, typeLetter, typeRest, typeSound, withMeasures, type Sheet } from './edits'
import { filled, QUARTER, ticks, type TypedMeasure } from './manuscript'

const sheet = (...measures: Partial<TypedMeasure>[]): Sheet => ({
    manuscript: { format: 'upright-pencil-manuscript', version: 1, measures: (measures.length ? measures : [{}]).map((one, index) => ({ id: `x${index}`, ...one })) } as Sheet['manuscript'],
    caret: { measure: 0, note: 0, on: false },
    coming: BEGINNING,
})
const typed = (on: Sheet, letters: string): Sheet => [...letters].reduce((now, letter) => (letter === '-' ? typeRest(now) : typeLetter(now, letter.toUpperCase())), on)
const heads = (on: Sheet, measure = 0): string[] => (on.manuscript.measures[measure]?.notes ?? []).map((note) => note.heads?.map(({ at }) => at).join('+') ?? 'rest')

describe('letters', () => {
    it('are the notes in the nearest octave', () => {
        expect(heads(typed(sheet({ key: 2 }), 'dage'))).toEqual(['D5', 'A4', 'G4', 'E4'])
    })
    it('go on in the next measure when one is full', () => {
        const on = typed(sheet(), 'abcde')
        expect([heads(on, 0).length, heads(on, 1)]).toEqual([4, ['E5']])
        expect(on.manuscript.measures).toHaveLength(2)
    })
    it('never fill a measure beyond its meter', () => {
        for (const meter of ['4/4', '3/4', '2/4', '6/8']) {
            const on = typed(sheet({ meter }), 'abcdefgabcd')
            const full = { '4/4': 4, '3/4': 3, '2/4': 2, '6/8': 3 }[meter] ?? 0
            for (const measure of on.manuscript.measures.slice(0, -1)) {
                expect(filled(measure, full * QUARTER)).toBeLessThanOrEqual(full * QUARTER)
            }
        }
    })
    it('stand on each other in a chord, from the bottom up', () => {
        expect(heads(typeInChord(typeInChord(typed(sheet(), 'd'), 'A'), 'A'))).toEqual(['D5+A5+A6'])
    })
})

describe('lengths', () => {
    it('hold until another is asked for', () => {
        const on = typed(setLength(sheet(), 8), 'ab')
        expect(on.manuscript.measures[0]?.notes?.map((note) => ticks(note, 4 * QUARTER))).toEqual([QUARTER / 2, QUARTER / 2])
    })
    it('a dot makes the note half as long again, and what fills the beat follows by itself', () => {
        const on = typed(dot(typed(sheet(), 'a')), 'b')
        expect(on.manuscript.measures[0]?.notes?.map((note) => ticks(note, 4 * QUARTER))).toEqual([1.5 * QUARTER, QUARTER / 2])
    })
    it('three of a triplet are as long as two', () => {
        const on = typed(triplet(setLength(sheet(), 8)), 'abc')
        expect(on.manuscript.measures[0]?.notes?.reduce((sum, note) => sum + ticks(note, 4 * QUARTER), 0)).toBe(QUARTER)
        expect(on.coming.triplet).toBe(0)
    })
    it('a full rest fills any measure', () => {
        const on = typeFullRest(sheet({ meter: '3/4' }))
        expect(filled(on.manuscript.measures[0] ?? { id: '' }, 3 * QUARTER)).toBe(3 * QUARTER)
    })
})

describe('notes that are there', () => {
    const back = left(typed(sheet(), 'ab'))
    it('are gone back onto, moved and altered', () => {
        expect(back.caret.on).toBe(true)
        expect(heads(octave(back, 1))).toEqual(['A4', 'B5'])
        expect(alter(back, -1).manuscript.measures[0]?.notes?.[1]?.heads?.[0]).toHaveProperty('sign')
        expect(right(right(back)).caret).toMatchObject({ note: 2, on: false })
    })
    it('are tied and untied, slurred to the one before', () => {
        expect(tie(back).manuscript.measures[0]?.notes?.[1]?.tie).toBe(true)
        expect(tie(tie(back)).manuscript.measures[0]?.notes?.[1]?.tie).toBeUndefined()
        expect(slur(back).manuscript.measures[0]?.notes?.[0]?.slurs).toBeTruthy()
    })
    it('are erased one by one, and a rest is a note like others', () => {
        const on = erase(typed(sheet(), 'a-b'))
        expect(heads(on)).toEqual(['A4', 'rest'])
        expect(heads(erase(erase(on)))).toEqual([])
    })
})

it('a short first measure is a pickup and is not counted', () => {
    expect(nextMeasure(typed(sheet(), 'a')).manuscript.measures[0]?.uncounted).toBe(true)
    expect(nextMeasure(typed(sheet(), 'abcd')).manuscript.measures[0]?.uncounted).toBeUndefined()
})

it('what is played is spelled as the key has it', () => {
    expect(heads(typeSound(sheet({ key: 2 }), 66))).toEqual(['F4'])
    expect(heads(typeSound(sheet({ key: -1 }), 70))).toEqual(['B4'])
})

it('a key changes nothing of the sheet that it was pressed on', () => {
    const before = typed(sheet(), 'ab')
    const text = JSON.stringify(before)
    for (const edit of [typeRest, erase, dot, tie, slur, left, right, nextMeasure, (on: Sheet) => withMeasures(on, 0, 1, [])]) {
        edit(before)
    }
    expect(JSON.stringify(before)).toBe(text)
})
