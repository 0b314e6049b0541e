import type { LogEntry } from '../api/requests'

/**
 * Decisions that the server has not yet acknowledged, kept where a crash of the browser does not reach. Each window
 * has a drawer of its own; whoever opens the part next sends what is left in any of them. Sending an entry twice does
 * no harm: the server knows it by its key.
 */
const PREFIX = 'upright-pencil.pending'

function windowName(): string {
    const kept = sessionStorage.getItem(PREFIX)
    if (kept) {
        return kept
    }
    const made = crypto.randomUUID()
    sessionStorage.setItem(PREFIX, made)
    return made
}

const drawer = (part: number) => `${PREFIX}.${part}.${windowName()}`

export function keep(part: number, entries: readonly LogEntry[]): void {
    if (entries.length === 0) {
        localStorage.removeItem(drawer(part))
    } else {
        localStorage.setItem(drawer(part), JSON.stringify(entries))
    }
}

/** Takes out what any window left behind for this part. */
export function leftBehind(part: number): LogEntry[] {
    const left: LogEntry[] = []
    for (const name of Object.keys(localStorage).filter((key) => key.startsWith(`${PREFIX}.${part}.`))) {
        try {
            left.push(...(JSON.parse(localStorage.getItem(name) ?? '[]') as LogEntry[]))
        } catch {
            // Not ours, or damaged: there is nothing to send.
        }
        localStorage.removeItem(name)
    }
    return left
}
