/*
 * Reads ABC as others read it, and says what they see. In: a JSON list of files. Out: for each its first tune, and for each voice of
 * it the notes, with lengths in quarters, sounding alterations, slurs and signs.
 */
import { readFileSync } from 'node:fs';
import abcjs from 'abcjs';

const ALTERS = { sharp: 1, flat: -1, natural: 0, dblsharp: 2, dblflat: -2, quartersharp: 0.5, quarterflat: -0.5 };

const signature = (key) => Object.fromEntries((key?.accidentals ?? []).map(({ acc, note }) => [note.toUpperCase(), ALTERS[acc]]));

/* What a voice remembers from one item to the next. */
function listener() {
    let [key, held, tied, ratio] = [{}, {}, {}, 1];

    return {
        key(value) {
            key = signature(value);
        },
        bar() {
            held = {};
        },
        note(item) {
            ratio = item.startTriplet ? item.tripletMultiplier : ratio;
            const [before, notes] = [tied, item.pitches ?? []];
            tied = item.rest ? tied : {};
            const alters = notes.map((pitch) => {
                const letter = 'CDEFGAB'[((pitch.pitch % 7) + 7) % 7];
                if (pitch.accidental) held[pitch.pitch] = ALTERS[pitch.accidental];
                const alter = (pitch.accidental ? undefined : before[pitch.pitch]) ?? held[pitch.pitch] ?? key[letter] ?? 0;
                if (pitch.startTie) tied[pitch.pitch] = alter;

                return alter;
            });
            const quarters = item.duration * 4 * ratio;
            ratio = item.endTriplet ? 1 : ratio;

            return { alters, quarters };
        },
    };
}

function read(abc) {
    const tune = abcjs.parseOnly(abc)[0];
    const voices = new Map();
    for (const line of tune.lines) {
        for (const [number, staff] of (line.staff ?? []).entries()) {
            for (const [layer, items] of staff.voices.entries()) {
                const name = `${String(number).padStart(3)}/${layer}`;
                const voice = voices.get(name) ?? { heard: listener(), notes: [] };
                voices.set(name, voice);
                voice.heard.key(staff.key);
                for (const item of items) {
                    if (item.el_type === 'bar') voice.heard.bar();
                    if (item.el_type === 'key') voice.heard.key(item);
                    if (item.el_type === 'note' && item.rest?.type !== 'spacer') voice.notes.push(seen(item, voice.heard));
                }
            }
        }
    }

    return {
        tunes: abcjs.numberOfTunes(abc),
        title: tune.metaText.title,
        warnings: tune.warnings ?? [],
        voices: [...voices.keys()].sort().map((name) => voices.get(name).notes),
    };
}

function seen(item, heard) {
    const pitches = item.pitches ?? [];

    return {
        heads: pitches.map((pitch) => pitch.name),
        places: pitches.map((pitch) => pitch.pitch),
        ...heard.note(item),
        graces: (item.gracenotes ?? []).map((grace) => grace.pitch),
        rest: item.rest !== undefined,
        decorations: item.decoration ?? [],
        opens: pitches.some((pitch) => pitch.startSlur),
        closes: pitches.some((pitch) => pitch.endSlur),
        ties: pitches.some((pitch) => pitch.startTie),
        above: (item.chord ?? []).map((word) => word.name),
    };
}

process.stdout.write(JSON.stringify(JSON.parse(readFileSync(0, 'utf8')).map(read)));
