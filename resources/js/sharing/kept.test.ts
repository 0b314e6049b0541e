import { expect, it } from 'vitest'
import { isOfYesterday, isPast } from './kept'

const day = 86_400_000
const now = 1_000 * day

it('what is kept goes after fourteen days, also when the clock is put back', () => {
    expect([0, 13, 14].map((days) => isPast({ at: now - days * day }, now))).toEqual([false, false, false])
    expect([isPast({ at: now - 14 * day - 1 }, now), isPast({ at: now + 2 * day }, now)]).toEqual([true, true])
})

it('what was seen on line again is written down once a day', () => {
    expect([isOfYesterday({ at: now - day / 2 }, now), isOfYesterday({ at: now - 2 * day }, now)]).toEqual([false, true])
})
