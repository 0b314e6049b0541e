import { computed, ref } from 'vue'
import type { Instrument, Level, Profile, Taught } from '../api/types'

export type Settings = Record<string, unknown>

/** What a school of bowing is called. */
export const BOWINGS = { 'strong-beat': 'down on strong beats', 'as-it-comes': 'as it comes', paired: 'paired: three beats down, up-up' }

/** What a school of fingering or writing is called, setting by setting. */
export const CHOICES: { name: string; label: string; usual?: string; options: Record<string, string> }[] = [
    { name: 'open', label: 'Open strings', options: { 'up-open-down-four': 'open going up, 4 coming down', open: 'open whenever it is easy', four: '4 where it saves a crossing or the note is held' } },
    { name: 'lowFirst', label: 'Low first fingers', usual: 'reach', options: { reach: 'reach back with 1', move: 'move the hand to half position' } },
    { name: 'chromatic', label: 'Half steps', usual: 'either', options: { either: 'as it lies', slide: 'slide one finger', neighbours: 'neighbouring fingers' } },
    { name: 'bowing', label: 'Bowing', usual: 'strong-beat', options: BOWINGS },
    { name: 'handSize', label: 'Hands', usual: 'usual', options: { small: 'small: avoid stretches', usual: 'usual', large: 'large' } },
    { name: 'printed', label: 'Printed fingers', usual: 'follow', options: { follow: 'are followed', suggest: 'are suggestions', ignore: 'are passed over' } },
    { name: 'tempo', label: 'Tempo they are comfortable with', usual: 'usual', options: { slower: 'slower than most of their level', usual: 'as most of their level', faster: 'faster than most of their level' } },
    { name: 'lowBass', label: 'Basses below the open E', usual: 'none', options: { none: 'have nothing', extension: 'have an extension to C', 'fifth-string': 'have a fifth string, B' } },
    { name: 'fingers', label: 'Fingers on the page', usual: 'changes', options: { every: 'every one', changes: 'first time and every change', doubtful: 'only what a student could get wrong' } },
    { name: 'marks', label: 'Bow signs on the page', options: { 'first-year': 'many, as for a first year', usual: 'usual', sparse: 'few' } },
]

/** How marks are written down: it redraws pages and touches no decision. The first of each is the usual way. */
export const WRITING: { name: string; label: string; options: Record<string, string> }[] = [
    { name: 'lowHigh', label: 'Low and high fingers', options: { letter: 'L2, H3', 'arrow-before': '↓2, ↑3', 'arrow-after': '2↓, 3↑' } },
    { name: 'extension', label: 'Stretched fingers', options: { before: 'x4', after: '4x', stretch: '‹4›' } },
    { name: 'position', label: 'Positions', options: { roman: 'III', ordinal: '3rd', none: 'not written' } },
    { name: 'string', label: 'Strings', options: { letter: 'by letter: A', roman: 'by number: II' } },
    { name: 'open', label: 'Open strings', options: { 0: '0', o: 'o' } },
    { name: 'measures', label: 'Measures', options: { measure: 'measure', bar: 'bar' } },
    { name: 'frog', label: 'Ends of the bow', options: { frog: 'frog and tip', heel: 'heel and point' } },
    { name: 'values', label: 'Note values', options: { quarter: 'quarter, eighth', crotchet: 'crotchet, quaver' } },
    { name: 'names', label: 'Note names', options: { letters: 'C, D, E', solfege: 'do, re, mi' } },
]

/** The settings while they are changed: what is not said, the level says. */
export function useSettings(profile: Profile) {
    const settings = ref<Settings>({ ...profile.settings })
    const style = ref<Record<string, string>>({ ...profile.style })
    const directors = ref<Record<string, string>>({ ...profile.directors })
    /** Whether this ensemble writes in a way of its own, or as its director does everywhere. */
    const ownWriting = ref(Object.keys(profile.style).length > 0)
    const level = computed(() => profile.levels.find((one) => one.level === (settings.value.level ?? 'second-year')) ?? profile.levels[0])

    const ofLevel = (name: string): string => {
        const usual = level.value
        return name === 'open' ? (usual?.open ?? '') : name === 'marks' ? (usual?.marks ?? '') : (CHOICES.find((choice) => choice.name === name)?.usual ?? '')
    }
    const choice = (name: string): string => String(settings.value[name] ?? ofLevel(name))

    function set(name: string, value: unknown): void {
        settings.value = { ...settings.value, [name]: value }
    }

    /** A level in one click: everything else is as it brings it. */
    function take(wanted: Level): void {
        settings.value = profile.section === null ? { level: wanted } : { ...profile.base, level: wanted }
    }

    function taught(instrument: Instrument): Pick<Taught, 'positions' | 'placements'> {
        const own = (settings.value[instrument] ?? {}) as Partial<Taught>
        const usual = level.value?.taught.find((one) => one.instrument === instrument)
        return { positions: own.positions ?? usual?.positions ?? [], placements: own.placements ?? usual?.placements ?? [] }
    }

    function teach(instrument: Instrument, what: 'positions' | 'placements', value: (string | number)[]): void {
        set(instrument, { ...(settings.value[instrument] as object | undefined), [what]: what === 'positions' ? [...(value as number[])].sort((a, b) => a - b) : value })
    }

    const vibrato = computed({ get: () => Boolean(settings.value.vibrato ?? level.value?.vibrato), set: (value: boolean) => set('vibrato', value) })
    const fourFingers = computed({ get: () => settings.value.bassFingers === 4, set: (value: boolean) => set('bassFingers', value ? 4 : 3) })
    const keys = computed(() => (settings.value.keys as { flats: number; sharps: number } | undefined) ?? { flats: level.value?.flats ?? 0, sharps: level.value?.sharps ?? 0 })

    const flag = (name: string, usual: boolean) => computed({ get: () => (settings.value[name] as boolean | undefined) ?? usual, set: (value: boolean) => set(name, value) })
    const [pizzicatoOnly, openOnly, slurs] = [flag('pizzicatoOnly', false), flag('openOnly', false), flag('slurs', true)]

    /** How marks are written here: the ensemble's own way before its director's. */
    const writing = computed<Record<string, string>>(() => ({ ...directors.value, ...(ownWriting.value ? style.value : {}) }))

    /** Roman numerals for strings and for positions would be taken for each other. */
    function write(name: string, value: string): void {
        const both: Record<string, string> = { ...writing.value, [name]: value }
        const roman = both.string === 'roman' && (both.position ?? 'roman') === 'roman'
        const wanted = !roman ? both : name === 'string' ? { ...both, position: 'ordinal' } : { ...both, string: 'letter' }
        const target = ownWriting.value ? style : directors
        target.value = wanted
    }

    /** The weight of a term: 1 is the usual. */
    const weight = (term: string): number => (settings.value.weights as Record<string, number> | undefined)?.[term] ?? 1
    function weigh(term: string, value: number): void {
        const weights = { ...(settings.value.weights as Record<string, number> | undefined), [term]: value }
        set('weights', Object.fromEntries(Object.entries(weights).filter(([, factor]) => factor !== 1)))
    }

    const given = computed(() => ({ settings: settings.value, style: ownWriting.value ? style.value : {}, directors: directors.value }))

    return { settings, given, ownWriting, writing, write, level, choice, set, take, taught, teach, vibrato, fourFingers, pizzicatoOnly, openOnly, slurs, keys, weight, weigh }
}
