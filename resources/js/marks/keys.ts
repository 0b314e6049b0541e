/** What keys do. */
export interface Keyed {
    keys: string[]
    /** Holding the key down goes on: only where nothing is decided. */
    repeats?: boolean
    run: () => void
}

/** What a key does on the desk. The same list answers the keyboard, labels the buttons and fills the key sheet. */
export interface Command extends Keyed {
    label: string
    /** On a button, where the label is too long. */
    short?: string
    group: 'Walk' | 'Bow' | 'Finger' | 'Words' | 'Players' | 'Take' | 'Page'
}

const SPOKEN: Record<string, string> = {
    ArrowLeft: '←',
    ArrowRight: '→',
    ArrowUp: '↑',
    ArrowDown: '↓',
    Delete: 'Del',
    Backspace: '⌫',
    Escape: 'Esc',
    ' ': 'Space',
}

export function spoken(key: string): string {
    return SPOKEN[key] ?? key.replace('Shift+', '⇧').replace('Ctrl+', 'Ctrl ').replace(/Arrow(Left|Right|Up|Down)/, (arrow) => SPOKEN[arrow] ?? arrow).replace(/(?<![A-Za-z])[a-z]$/, (letter) => letter.toUpperCase())
}

function pressed(event: KeyboardEvent): string {
    const key = event.key.length === 1 ? event.key.toLowerCase() : event.key
    const shift = event.shiftKey && (event.key.length > 1 || /[a-z]/i.test(event.key)) ? 'Shift+' : ''
    return `${event.ctrlKey || event.metaKey ? 'Ctrl+' : ''}${shift}${key}`
}

/** Keys belong to the desk unless somebody is typing or a dialog is open. */
function isElsewhere(event: KeyboardEvent): boolean {
    const target = event.target instanceof HTMLElement ? event.target : null
    const typing = target?.closest('input, textarea, select, [contenteditable], [role="dialog"], [role="listbox"]')
    const presses = (event.key === 'Enter' || event.key === ' ') && target?.closest('button, a, [role="tab"]')
    return Boolean(typing) || Boolean(presses) || event.altKey
}

/** A letter, digit or sign by itself: speech input and slips of the hand press them unmeant, so they can be switched off. */
export const isSingle = (key: string): boolean => key.replace('Shift+', '').length === 1

/** @param singles whether letters, digits and signs by themselves are keys */
export function answer(event: KeyboardEvent, commands: readonly Keyed[], singles: boolean): void {
    const key = pressed(event)
    if (isElsewhere(event) || (isSingle(key) && !singles)) {
        return
    }
    const command = commands.find(({ keys }) => keys.includes(key))
    if (command) {
        event.preventDefault()
        if (!event.repeat || command.repeats) {
            command.run()
        }
    }
}
