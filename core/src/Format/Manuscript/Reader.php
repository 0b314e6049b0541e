<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Manuscript;

use UprightPencil\Core\Format\Budget;
use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Resolution;
use UprightPencil\Core\Score\Score;

/**
 * Reads a manuscript: one part as somebody types it on a staff, in the order and with the signs of the printed page (JSON; the
 * architecture page has its fields). Pitches are as printed: a head has the key's alteration unless a sign stands before it,
 * there or earlier in the measure, or it is tied.
 *
 * Where it corrects a part, what nobody touched stays as it was, to the last sign that only an engraver understands; ids of
 * notes live on, and with them what was decided.
 */
final class Reader
{
    /** A part of 500 measures has some 500 kB. */
    private const MOST_BYTES = 5 * 1024 * 1024;

    private const DEPTH = 12;

    /**
     * @param  Score|null  $former  the part before, alone, where this corrects it
     *
     * @throws UnreadableMusic with one sentence that says what is wrong and where
     */
    public static function read(string $json, ?Score $former = null): Reading
    {
        strlen($json) <= self::MOST_BYTES || throw new UnreadableMusic('This is more than one part can hold; type it as two pieces.');
        $entry = Entry::of(json_decode($json, true, self::DEPTH), 'What was typed');
        if ($entry->text('format') !== Signs::FORMAT || $entry->whole('version', 1, 1_000) !== Signs::VERSION) {
            throw new UnreadableMusic('What was typed is in a form that this version does not know.');
        }
        $told = $entry->list('measures', Budget::MOST_MEASURES);
        $told === [] && throw new UnreadableMusic('Nothing is typed yet.');
        $id = $former->parts[0]->id ?? 'P1';
        $name = $entry->text('name', Budget::MOST_NAME) ?: ($former->parts[0]->name ?? 'Part');
        $walk = new MeasureReader($id, $entry->flag('rhythm'));
        $measures = self::measures($entry, $told, $walk, $former === null ? null : Resolution::of($former, Resolution::common($former->resolution, Resolution::FINE)));
        $part = ($former->parts[0] ?? new Part($id, $name, []))->with(name: $name, measures: $measures);
        Budget::refuseManyNotes([$part]);
        $score = ($former ?? new Score('', '', Resolution::FINE, []))->with(resolution: Resolution::FINE, parts: [$part]);

        return new Reading($score, $walk->warnings());
    }

    /**
     * @param  list<mixed>  $told
     * @return list<Measure>
     *
     * @throws UnreadableMusic
     */
    private static function measures(Entry $manuscript, array $told, MeasureReader $walk, ?Score $former): array
    {
        if ($former !== null && $former->resolution !== Resolution::FINE) {
            throw new UnreadableMusic('This part has tuplets that cannot be typed; correct it in its file and import it again.');
        }
        $before = $former === null ? [] : Writer::measures($former);
        $kept = $notes = [];
        foreach ($former->parts[0]->measures ?? [] as $index => $measure) {
            $kept[Writer::id($index)] = [$before[$index], $measure];
            $notes += array_column(array_map(static fn (Note $note): array => [$note->id, $note], $measure->notes()), 1, 0);
        }
        $numbering = new Numbering($manuscript->whole('first', 0, 9_999, 1), $manuscript->flag('byLetters'));
        $measures = [];
        foreach ($told as $index => $one) {
            $entry = Entry::of($one, 'Measure '.($index + 1));
            $number = $numbering->next($entry->text('letter', 20), ! $entry->flag('uncounted'), $entry->text('number', 20));
            [$same, $measure] = $kept[$entry->text('id', 80)] ?? [null, null];
            $signature = $walk->signature($entry);
            if ($measure !== null && $same == $entry->all() && $walk->holdsAt($measure, $entry)) {
                $measures[] = $walk->kept($measure, $number);
            } elseif ($entry->has('sealed')) {
                throw new UnreadableMusic("Measure {$number} holds what cannot be typed ({$entry->text('sealed')}), and can only stay as it is, under the key that it had.");
            } else {
                $next = isset($told[$index + 1]) ? MeasureReader::ending(Entry::of($told[$index + 1], 'Measure '.($index + 2))) : [];
                $measures[] = $walk->typed(new Entry($entry->all(), "Measure {$number}"), $signature, $number, $notes, $next);
            }
        }

        return $measures;
    }
}
