import type { BowAction } from '../api/types'
import type { DeskHands } from './hands'
import { changeSign, bowSign, liftSign, retakeSign, splitSign } from '../page/signs'
import { said, type KindRow } from './table'
import { cycle, heldWord, toggled } from './rows'

const SIGNS = ['down', 'up'] as const

/** An action is on the first note of a stroke, or on the note itself. */
function isDecided(hands: DeskHands, action: BowAction, onStroke: boolean): boolean {
    return said(onStroke ? hands.strokeChosen() : hands.chosen(), 'action') === action
}

function act(hands: DeskHands, action: BowAction, onStroke: boolean): void {
    const fields = { action: isDecided(hands, action, onStroke) ? null : action }
    if (onStroke) {
        hands.bow(fields)
    } else {
        hands.note(fields)
    }
}

function range(hands: DeskHands, action: string): void {
    if (hands.span().length < 2) {
        hands.say('Select a span first: Shift with → makes it longer.')
        return
    }
    hands.decide({ measures: hands.measures(), action })
}

const painted = (action: BowAction): KindRow['paint'] => ({ action: said }) => (said === action ? {} : null)

export const strike: KindRow = {
    slot: 'slur',
    draw: (line, head, mark) => line.strike(head, mark),
    keys: (hands) => [
        {
            keys: ['s'],
            label: 'Strike the slur; a span: strike all its slurs',
            short: 'Strike',
            group: 'Bow',
            run: () => (hands.span().length < 2 ? act(hands, 'strike', false) : hands.decide(...hands.span().map((note) => ({ note, action: 'strike' })))),
        },
    ],
}

export const slur: KindRow = {
    slot: 'slur',
    draw: (line, head, mark) => line.slur(head, mark),
    keys: (hands) => [{ keys: ['j'], label: 'Join to the note before, in one bow', short: 'Join', group: 'Bow', run: () => act(hands, 'join', false) }],
}

export const hook: KindRow = {
    slot: 'hook',
    draw: (line, head, mark) => line.hook(head, mark),
    paint: ({ action }) => (action === 'hook' ? undefined : null),
    keys: (hands) => [
        {
            keys: ['h'],
            label: 'Hook to the note before; a span: hook all of it, or its dotted pairs',
            short: 'Hook',
            group: 'Bow',
            run: () => {
                const span = hands.span()
                if (span.length < 2) {
                    act(hands, 'hook', true)
                } else if (span.length <= 3) {
                    // Two or three notes are hooked into one direction; in a longer span every dotted pair is.
                    hands.decide(...span.slice(1).map((note) => ({ note, action: 'hook' })))
                } else {
                    range(hands, 'hook')
                }
            },
        },
    ],
}

export const retake: KindRow = {
    slot: 'bow',
    draw: (line, head, mark) => line.above(retakeSign(), head, mark),
    paint: painted('retake'),
    keys: (hands) => [{ keys: ['r'], label: 'Retake before it', short: 'Retake', group: 'Bow', run: () => act(hands, 'retake', true) }],
}

export const lift: KindRow = {
    slot: 'bow',
    draw: (line, head, mark) => line.above(liftSign(), head, mark),
    paint: painted('lift'),
    keys: (hands) => [{ keys: ['i'], label: 'Lift in the rest before it', short: 'Lift', group: 'Bow', run: () => act(hands, 'lift', true) }],
}

export const set: KindRow = {
    slot: 'word',
    draw: (line, head, mark) => line.word(head, mark),
    paint: (fields) => (fields.set === true ? { text: 'set' } : null),
    keys: (hands) => [{ keys: ['Shift+i'], label: 'Set the bow on the string before it', short: 'Set', group: 'Bow', run: () => toggled(hands, 'set') }],
}

export const split: KindRow = {
    slot: 'bow',
    draw: (line, head, mark) => line.above(splitSign(), head, mark),
    paint: painted('split'),
    keys: (hands) => [{ keys: ['/'], label: 'Split the slur before this note', short: 'Split', group: 'Bow', run: () => act(hands, 'split', false) }],
}

export const asItComes: KindRow = {
    slot: 'word',
    draw: (line, head, mark) => line.bracket(head, mark, 'as it comes'),
}

export const pair: KindRow = {
    keys: (hands) => [{ keys: ['k'], label: 'A span of three beats each: pair them, down, up-up', short: 'Pair', group: 'Bow', run: () => range(hands, 'pair') }],
}

export const direction: KindRow = {
    slot: 'bow',
    draw: (line, head, mark) => line.above(bowSign(mark.text === 'up' ? 'up' : 'down'), head, mark, `bow-${mark.text}`),
    paint: ({ direction: sign }) => (typeof sign === 'string' ? { text: sign } : null),
    keys: (hands) => [
        { keys: ['d', 'l'], label: 'Down-bow: land this note down, the way to it is planned', short: 'Down', group: 'Bow', run: () => hands.bow({ direction: 'down' }) },
        { keys: ['u'], label: 'Up-bow', short: 'Up', group: 'Bow', run: () => hands.bow({ direction: 'up' }) },
    ],
}

export const change: KindRow = {
    slot: 'held',
    draw: (line, head, mark) => line.inside(head, mark, (share) => changeSign(SIGNS.find((sign) => sign === mark.text?.split(' ')[share]) ?? 'up')),
    keys: (hands) => [
        {
            keys: ['c'],
            label: 'Change bow on a held note; a span: as it comes',
            short: 'Change',
            group: 'Bow',
            run: () => (hands.span().length > 1 ? range(hands, 'as-it-comes') : act(hands, 'change', false)),
        },
    ],
}

export const stagger: KindRow = {
    slot: 'held',
    draw: (line, head, mark) => line.stagger(head, mark),
    keys: (hands) => [{ keys: ['g'], label: 'Stagger the change on a held note', short: 'Stagger', group: 'Bow', run: () => act(hands, 'stagger', true) }],
}

export const place: KindRow = {
    ...heldWord('place', (value) => value),
    keys: (hands) => [{ keys: ['p'], label: 'Place on the bow: frog, LH, BP, M, UH, tip, none; a span: all of it', short: 'Place', group: 'Bow', run: () => cycle(hands, 'place', ['frog', 'LH', 'BP', 'M', 'UH', 'tip']) }],
}

export const amount: KindRow = {
    ...heldWord('amount', (value) => `${value} bow`),
    keys: (hands) => [{ keys: ['Shift+w'], label: 'Whole bow, half bow, little bow, none', short: 'Amount', group: 'Bow', run: () => cycle(hands, 'amount', ['whole', 'half', 'little']) }],
}

const LANES: Record<string, string> = { bridge: 'near the bridge', middle: 'middle lane', fingerboard: 'over the fingerboard' }

export const lane: KindRow = {
    ...heldWord('lane', (value) => LANES[value] ?? value),
    keys: (hands) => [{ keys: ['Shift+l'], label: 'Contact lane: near the bridge, middle, over the fingerboard, none', short: 'Lane', group: 'Bow', run: () => cycle(hands, 'lane', Object.keys(LANES)) }],
}

const STROKES = ['détaché', 'legato', 'portato', 'staccato', 'martelé', 'marcato', 'spiccato', 'on the string', 'tremolo']

export const stroke: KindRow = {
    ...heldWord('stroke', (value) => value),
    keys: (hands) => [{ keys: ['Shift+t'], label: `Stroke: ${STROKES.join(', ')}, none`, short: 'Stroke', group: 'Bow', run: () => cycle(hands, 'stroke', STROKES) }],
}

