<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Support;

use UprightPencil\Core\Ensemble\LineUp;
use UprightPencil\Core\Ensemble\Orchestra;
use UprightPencil\Core\Ensemble\PieceMarker;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Level;

/**
 * Several sections of a short piece under each other: the parts are P1, P2, … and their notes P1n1, P1n2, …
 *
 * @phpstan-type Told array{code: string, folded: bool, from: array{measure: string, beat: float}, parts: list<string>, message: string, fixes: list<array{words: string, decisions: list<array<string, mixed>>}>}
 */
final class Sections
{
    /** @param array<string, string> $tunes name => tune */
    public static function score(array $tunes): Score
    {
        $parts = [];
        foreach ($tunes as $name => $tune) {
            $id = 'P'.(count($parts) + 1);
            $part = Tune::score($tune, $name)->parts[0];
            $parts[] = $part->withNotes(static fn (Note $note): Note => $note->with(id: $id.$note->id))->with(id: $id);
        }

        return Tune::score('D5w')->with(parts: $parts);
    }

    /** @param array<int, string> $letters measure index => rehearsal letter, over the top part */
    public static function lettered(Score $score, array $letters): Score
    {
        $measures = array_map(static fn (Measure $measure, int $index): Measure => isset($letters[$index]) ? $measure->with(items: [new Direction(0, [new DirectionSign(DirectionKind::Rehearsal, $letters[$index])]), ...$measure->items]) : $measure, $score->parts[0]->measures, array_keys($score->parts[0]->measures));

        return $score->with(parts: [$score->parts[0]->with(measures: $measures), ...array_slice($score->parts, 1)]);
    }

    /**
     * @param  list<array<string, mixed>>  $decisions
     * @return list<MarkedPart>
     */
    public static function marked(Score $score, array $decisions = [], Level $level = Level::SecondYear): array
    {
        return PieceMarker::mark($score, $score->parts, array_map(static fn (Part $part, array $own): PartDecisions => PartDecisions::of($part, $own), $score->parts, self::decided($score, $decisions)), self::settings($score, $level));
    }

    /** @param list<array<string, mixed>> $decisions */
    public static function orchestra(Score $score, array $decisions = [], Level $level = Level::SecondYear): Orchestra
    {
        return Orchestra::of($score, self::marked($score, $decisions, $level));
    }

    /**
     * @param  list<array<string, mixed>>  $decisions
     * @return array{figures: list<array{places: list<array{part: string}>}>, findings: list<Told>, tuning: list<array<string, mixed>>, begin: list<array{name: string, because: string}>, lines: list<array{passage: string, part: string, kind: string, text: string, edited: bool, stale: bool, note: string|null}>}
     */
    public static function lineUp(Score $score, array $decisions = [], Level $level = Level::SecondYear): array
    {
        /** @var array{figures: list<array{places: list<array{part: string}>}>, findings: list<Told>, tuning: list<array<string, mixed>>, begin: list<array{name: string, because: string}>, lines: list<array{passage: string, part: string, kind: string, text: string, edited: bool, stale: bool, note: string|null}>} $made */
        $made = LineUp::worked($score, $score->parts, self::decided($score, $decisions), self::settings($score, $level))->toArray();

        return $made;
    }

    /**
     * @param  list<array<string, mixed>>  $decisions
     * @return list<list<Decision>>
     */
    private static function decided(Score $score, array $decisions): array
    {
        $all = array_map(Decision::fromArray(...), $decisions);

        return array_map(static fn (Part $part): array => PartDecisions::about($part, $score, $all), $score->parts);
    }

    /** @return list<Settings> */
    private static function settings(Score $score, Level $level): array
    {
        return array_fill(0, count($score->parts), new Settings(ClassProfile::of($level)));
    }
}
