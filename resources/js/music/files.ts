import type { ReadPart } from '../api/types'

/** Of one music file. */
export const MOST_BYTES = 20 * 1024 * 1024

export const partNames = (parts: readonly ReadPart[]): Record<string, string> => Object.fromEntries(parts.map(({ id, name }) => [id, name]))

/** The tunes of a book, to be chosen from; none where it holds one. */
export const tuneChoices = (titles: readonly string[]) => (titles.length > 1 ? titles.map((title, index) => ({ value: index + 1, label: `${index + 1}. ${title}` })) : [])
