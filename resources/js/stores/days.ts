/**
 * Days and times as they are where the school is, wherever whoever reads them is. Until that is known, and on pages that were
 * handed out before schools said so: as they are here.
 */
let zone: string | undefined

export function daysIn(name: string | null | undefined): void {
    try {
        new Intl.DateTimeFormat('en', { timeZone: name ?? undefined })
        zone = name ?? undefined
    } catch {
        // A browser older than the zone.
        zone = undefined
    }
}

export const zoneHere = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone

export const zones = (): string[] => Intl.supportedValuesOf('timeZone')

/** “December 2, 2026”. */
export function dayWords(date: string): string {
    return new Date(date).toLocaleDateString('en', { day: 'numeric', month: 'long', year: 'numeric', timeZone: zone })
}

/** “Wednesday 03:30 PM”. */
export function timeWords(date: string): string {
    return new Date(date).toLocaleString('en', { weekday: 'long', hour: '2-digit', minute: '2-digit', timeZone: zone })
}

/** “Dec 2, 03:30 PM”. */
export function whenWords(date: string): string {
    return new Date(date).toLocaleString('en', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit', timeZone: zone })
}

/** The date, as 2026-12-02. */
export function today(now = new Date()): string {
    const parts = new Intl.DateTimeFormat('en', { year: 'numeric', month: '2-digit', day: '2-digit', timeZone: zone }).formatToParts(now)
    const of = (type: string) => parts.find((part) => part.type === type)?.value ?? ''
    return `${of('year')}-${of('month')}-${of('day')}`
}
