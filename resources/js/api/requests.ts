import type { Decision } from './types'

/** One entry of a part's record on its way to the server. */
export interface LogEntry {
    /** The newest entry that the page has seen. */
    base: number
    key: string
    kind: 'decide' | 'undo' | 'redo'
    decisions?: Decision[]
}
