import { beforeEach, describe, expect, it, vi } from 'vitest'
import { browserName, dependents, Drawer, entryIn, touched, type Entry } from './entries'

const entry = (key: string, more: Partial<Entry> = {}): Entry => ({ key, part: 1, kind: 'decide', seen: 0, at: 0, tried: false, decisions: [{ note: 'n1', finger: 1 }], ...more })

/** A browser's storage: what is kept are its own keys. */
class Kept {
    [name: string]: unknown
    getItem(name: string) {
        return Object.hasOwn(this, name) ? this[name] : null
    }
    setItem(name: string, value: string) {
        this[name] = value
    }
    removeItem(name: string) {
        Reflect.deleteProperty(this, name)
    }
}

beforeEach(() => vi.stubGlobal('localStorage', new Kept()))

describe('what an entry is about', () => {
    it('is the notes that it names', () => {
        expect([...(touched(entry('a', { decisions: [{ note: 'n1', finger: 1 }, { note: 'n4', direction: 'up' }] })) ?? [])]).toEqual(['n1', 'n4'])
    })
    it('is more than can be named where a span or measures are decided', () => {
        expect(touched(entry('a', { decisions: [{ note: 'n1', to: 'n3', action: 'hook' }] }))).toBeNull()
        expect(touched(entry('a', { decisions: [{ measures: '1-4', stroke: 'spiccato' }] }))).toBeNull()
    })
})

describe('what depends on a refused entry', () => {
    const refused = entry('refused')
    it('is what decides about the same note, what takes that back, and what follows from it', () => {
        const same = entry('same', { decisions: [{ note: 'n1', finger: 2 }, { note: 'n2', finger: 1 }] })
        const undo = entry('undo', { kind: 'undo', takes: 'same', decisions: [] })
        const through = entry('through', { decisions: [{ note: 'n2', finger: 3 }] })
        const other = entry('other', { decisions: [{ note: 'n9', finger: 3 }] })
        expect(dependents(refused, [same, undo, other, through]).map(({ key }) => key)).toEqual(['same', 'undo', 'through'])
    })
    it('is everything after it where it is about a span', () => {
        const span = entry('span', { decisions: [{ note: 'n1', to: 'n3', action: 'hook' }] })
        expect(dependents(span, [entry('far', { decisions: [{ note: 'n80', finger: 1 }] })]).map(({ key }) => key)).toEqual(['far'])
    })
    it('is not the undo of something else', () => {
        expect(dependents(refused, [entry('undo', { kind: 'undo', takes: 'elsewhere', decisions: [] })])).toEqual([])
    })
})

describe('the drawer of one person', () => {
    it('gives back what was put in, oldest first, and nothing of anybody else', () => {
        const [mine, theirs] = [new Drawer(1), new Drawer(12)]
        mine.put(entry('late', { at: 5 }))
        mine.put(entry('early', { at: 2 }))
        theirs.put(entry('theirs', { at: 1 }))
        expect(new Drawer(1).all().map(({ key }) => key)).toEqual(['early', 'late'])
    })
    it('passes over what is damaged', () => {
        expect([entryIn(null), entryIn('{"key": 1'), entryIn('{"key":7,"part":1}'), entryIn('null'), entryIn('"a string"')]).toEqual([null, null, null, null, null])
        expect(entryIn(JSON.stringify(entry('whole')))?.key).toBe('whole')
    })
})

it('a browser keeps its name', () => {
    let made = 0
    const make = () => `name ${++made}`
    expect([browserName(make), browserName(make), made]).toEqual(['name 1', 'name 1', 1])
})
