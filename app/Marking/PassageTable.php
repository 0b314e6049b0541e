<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use App\Models\Piece;
use App\Sharing\Handouts;
use App\Sharing\Slips;
use App\Views\Piece\PassageCellView;
use App\Views\Piece\PassageRowView;
use App\Views\Piece\PassageTableView;
use UprightPencil\Core\Score\OrderOfPerformance;
use UprightPencil\Core\Score\Part as ScorePart;
use UprightPencil\Core\Score\Passages;

/** Sections against passages: what of each is entered, what is decided in it, and whether that is handed out. */
final class PassageTable
{
    public static function of(Piece $piece): PassageTableView
    {
        $parts = array_values($piece->partsInUse()->get()->all());
        $scores = array_map(static fn (Part $part): ScorePart => CachedScores::of($part->music)->parts[0], $parts);
        $passages = self::passages($piece, $scores);
        $rows = array_map(static fn (Part $part, ScorePart $score): PassageRowView => self::row($part, $score, $passages, $scores), $parts, $scores);

        return new PassageTableView(array_column($passages, 'name'), $rows);
    }

    /**
     * Those that have a name; else those that are entered; else all of it is one.
     *
     * @param  list<ScorePart>  $scores
     * @return list<array{name: string, from: string, to: string}>
     */
    private static function passages(Piece $piece, array $scores): array
    {
        $named = $piece->namedPassages();
        if ($named !== [] || $scores === []) {
            return $named;
        }
        $entered = [];
        foreach ($scores as $score) {
            $entered += array_column(Passages::entered($score), null, 'name');
        }
        usort($entered, static fn (array $a, array $b): int => strnatcmp($a['from'], $b['from']) ?: strnatcmp($a['to'], $b['to']));
        $measures = $scores[0]->measures;

        return $entered !== [] || $measures === [] ? $entered : [['name' => 'All of it', 'from' => $measures[0]->number, 'to' => $measures[count($measures) - 1]->number]];
    }

    /**
     * @param  list<array{name: string, from: string, to: string}>  $passages
     * @param  list<ScorePart>  $scores  of all parts: where one names its measures otherwise, they are counted
     */
    private static function row(Part $part, ScorePart $score, array $passages, array $scores): PassageRowView
    {
        $desk = new PartDesk($part);
        $decided = $desk->decisions()->notes;
        $open = $desk->openNotes();
        $changed = self::changed($part);

        return new PassageRowView($part->id, $part->name, $part->sized_up_at !== null, count($open), array_map(static fn (array $passage): PassageCellView => self::cell($score, self::span($score, $passage, $scores), $decided, array_count_values($open), $changed), $passages));
    }

    /** @return array<string, int>|null by measure, how much is other by now than it was handed out; null: nothing is handed out */
    private static function changed(Part $part): ?array
    {
        $newest = Handouts::newest($part, '');

        return $newest === null ? null : array_count_values(array_column((new Slips($part))->between((string) $newest->id, null)->lines, 'measure'));
    }

    /**
     * @param  array{name: string, from: string, to: string}  $passage
     * @param  list<ScorePart>  $scores
     * @return array{int, int}|null
     */
    private static function span(ScorePart $score, array $passage, array $scores): ?array
    {
        foreach ([$score, ...$scores] as $one) {
            $span = OrderOfPerformance::span($one, $passage['from'], $passage['to']);
            if ($span !== null) {
                return [$span[0], $span[1]];
            }
        }

        return null;
    }

    /**
     * @param  array{int, int}|null  $span
     * @param  array<string, array<string, mixed>>  $decided  by note
     * @param  array<string, int>  $left  by note: how much is open at it
     * @param  array<string, int>|null  $changed  by measure, since it was handed out
     */
    private static function cell(ScorePart $score, ?array $span, array $decided, array $left, ?array $changed): PassageCellView
    {
        $measures = $span === null ? [] : array_slice($score->measures, $span[0], $span[1] - $span[0] + 1);
        $entered = $notes = $about = $open = 0;
        foreach ($measures as $measure) {
            $entered += (int) $measure->entered;
            foreach ($measure->notes() as $note) {
                $notes += (int) $note->sounds();
                $about += (int) ($note->sounds() && isset($decided[$note->id]));
                $open += $left[$note->id] ?? 0;
            }
        }

        return new PassageCellView($measures === [] ? null : $measures[0]->number, count($measures), $entered, $notes, $about, $open, $changed === null ? null : array_sum(array_intersect_key($changed, array_column($measures, null, 'number'))));
    }
}
