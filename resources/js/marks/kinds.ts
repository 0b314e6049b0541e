import type { KindName, Mark } from '../api/types'
import * as bow from './kinds-bow'
import * as hand from './kinds-hand'
import * as music from './kinds-music'
import type { Table } from './table'

/** Every kind of pencil mark, in the server's order: a kind without a row does not compile. */
export const KINDS: Table = {
    strike: bow.strike,
    slur: bow.slur,
    hook: bow.hook,
    retake: bow.retake,
    lift: bow.lift,
    set: bow.set,
    split: bow.split,
    'as-it-comes': bow.asItComes,
    'hooked-pairs': {},
    pair: bow.pair,
    direction: bow.direction,
    change: bow.change,
    times: {},
    stagger: bow.stagger,
    desks: {},
    place: bow.place,
    amount: bow.amount,
    lane: bow.lane,
    stroke: bow.stroke,
    finger: hand.finger,
    placement: hand.placement,
    choice: hand.choice,
    slide: hand.slide,
    bar: hand.bar,
    stay: hand.stay,
    string: hand.string,
    position: hand.position,
    shift: hand.shift,
    noteName: hand.noteName,
    reminder: hand.reminder,
    accidental: hand.accidental,
    pluck: music.pluck,
    mute: music.mute,
    dynamic: music.dynamic,
    accent: music.accent,
    strongAccent: music.strongAccent,
    staccato: music.staccato,
    tenuto: music.tenuto,
    fermata: music.fermata,
    breath: music.breath,
    cue: music.cue,
    count: music.count,
    release: music.release,
    misprint: music.misprint,
    divide: music.divide,
    reduce: music.reduce,
    rewrite: music.rewrite,
    playing: music.playing,
    text: music.text,
    staffText: music.staffText,
    apart: {},
    know: {},
    bowMark: {},
    fingerMark: {},
}

export const KIND_NAMES = Object.keys(KINDS) as KindName[]

/** The marks of a note that belong to a kind. */
export function ofKind(marks: readonly Mark[], kind: KindName): Mark | undefined {
    return marks.find((mark) => mark.kind === kind)
}
