import { afterEach, describe, expect, it } from 'vitest'
import { dayWords, daysIn, timeWords, today } from './days'

afterEach(() => daysIn('UTC'))

describe('days of the school', () => {
    it('are those of its place, not of whoever reads', () => {
        daysIn('America/Los_Angeles')
        expect([dayWords('2026-12-03T00:30:00Z'), today(new Date('2026-12-03T07:59:00Z')), today(new Date('2026-12-03T08:00:00Z'))]).toEqual(['December 2, 2026', '2026-12-02', '2026-12-03'])
        expect(timeWords('2026-12-03T00:30:00Z')).toMatch(/^Wednesday.*04:30\sPM$/)
    })
    it('go by the clock as it is put forward and back', () => {
        daysIn('America/New_York')
        expect([today(new Date('2026-03-09T03:59:00Z')), today(new Date('2026-03-09T04:00:00Z'))]).toEqual(['2026-03-08', '2026-03-09'])
        expect([today(new Date('2026-11-02T04:59:00Z')), today(new Date('2026-11-02T05:00:00Z'))]).toEqual(['2026-11-01', '2026-11-02'])
    })
    it('are told somehow where nobody said which, or the browser does not know the place', () => {
        for (const zone of [null, undefined, 'Middle/Earth']) {
            daysIn(zone)
            expect(dayWords('2026-12-02T12:00:00Z')).toBe('December 2, 2026')
        }
    })
})
