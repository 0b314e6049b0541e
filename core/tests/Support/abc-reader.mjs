/* Reads ABC as others read it, and says what they see: for each voice its notes, lengths in quarters, slurs and signs. */
import { readFileSync } from 'node:fs';
import abcjs from 'abcjs';

const tunes = abcjs.parseOnly(readFileSync(0, 'utf8'));
const voices = [];
for (const line of tunes[0].lines) {
    for (const [number, staff] of (line.staff ?? []).entries()) {
        voices[number] ??= [];
        for (const item of staff.voices[0]) {
            if (item.el_type === 'note') {
                voices[number].push({
                    heads: (item.pitches ?? []).map((pitch) => pitch.name),
                    rest: item.rest !== undefined,
                    quarters: item.duration * 4,
                    decorations: item.decoration ?? [],
                    opens: (item.pitches ?? []).some((pitch) => pitch.startSlur),
                    closes: (item.pitches ?? []).some((pitch) => pitch.endSlur),
                    ties: (item.pitches ?? []).some((pitch) => pitch.startTie),
                    above: (item.chord ?? []).map((word) => word.name),
                });
            }
        }
    }
}
process.stdout.write(JSON.stringify({ tunes: tunes.length, title: tunes[0].metaText.title, warnings: tunes[0].warnings ?? [], voices }));
