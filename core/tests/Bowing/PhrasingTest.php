<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Bowing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Strokes\Phrasing;
use UprightPencil\Core\Marking\MarkingCase;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Tests\Support\Tune;

/** What a teacher sees in a line before bowing it. */
final class PhrasingTest extends TestCase
{
    #[DataProvider('lines')]
    public function test_the_measures_that_would_turn_everything_round_are_seen(string $tune, string $odd): void
    {
        [$phrasing, $measures] = self::read($tune);
        $seen = array_filter($measures, $phrasing->isOdd(...), ARRAY_FILTER_USE_KEY);

        self::assertSame($odd, implode(' ', array_unique($seen)));
    }

    /** @return iterable<string, array{string, string}> */
    public static function lines(): iterable
    {
        $even = 'D5q E5 F#5 G5 | ';
        yield 'even measures' => [$even.$even.'D5w | '.$even, '3'];
        yield 'two quarters and a half among even ones' => [$even.'D5q E5 F#5h | '.$even.'D5h D5', '2'];
        yield 'twice, in different rhythms' => [$even.'D5q E5 F#5h | G5e F#5 E5 D5 E5h | '.$even, '2 3'];
        yield 'twice, in one rhythm' => [$even.'D5h E5q F#5 | G5h F#5q E5 | '.$even, '2 3'];
        yield 'three times in one rhythm: the figure' => [$even.'D5h E5q F#5 | G5h F#5q E5 | D5h E5q F#5 | '.$even, ''];
        yield 'every second time' => [$even.'D5h E5q F#5 | '.$even.'D5h E5q F#5 | '.$even, '2 4'];
        yield 'two rhythms in turn, twice each' => [$even.'D5q E5 F#5h | D5w | D5q E5 F#5h | D5w | '.$even, ''];
        yield 'long notes measure by measure' => [$even.'D5w | E5w | '.$even, ''];
        yield 'nothing but odd measures' => ['3/4 D5q E5 F#5 | G5h. | E5q F#5 G5 | D5h.', ''];
        yield 'a meter of three in between' => [$even.'3/4 D5q E5 F#5 | G5 F#5 E5 | 4/4 '.$even, ''];
        yield 'a dotted pair counts as one' => [$even.'D5q. E5e F#5q. G5e | '.$even, ''];
        yield 'a pickup is no measure' => ['F#5q | '.$even.$even, ''];
    }

    public function test_long_and_short_belong_together_unless_what_follows_evens_them_out(): void
    {
        [$pairs] = self::read('D5q. E5e F#5q. G5e | D5q. E5e F#5q G5 | D5q. E5e F#5h | D5w');

        self::assertSame([1, 3, 8 + 1], array_values(array_filter(range(0, 11), $pairs->isShortOfPair(...))));
    }

    public function test_a_long_note_at_the_end_of_a_phrase_leaves_time_for_a_lift_where_it_lasts(): void
    {
        [$slow] = self::read('=92 D5q E5 F#5h | G5q F#5 E5 D5 | D5w');
        [$fast] = self::read('=208 D5q E5 F#5h | G5q F#5 E5 D5 | D5w');

        self::assertSame([true, true], [$slow->isAfterEnd(3), $slow->hasTimeToLift(3)]);
        self::assertSame([true, false], [$fast->isAfterEnd(3), $fast->hasTimeToLift(3)]);
        self::assertFalse($slow->isAfterEnd(1));
    }

    /** @return array{Phrasing, list<string>} with the measure of each stroke */
    private static function read(string $tune): array
    {
        $score = Tune::score("2# {$tune}", 'Violin');
        $case = MarkingCase::of($score, $score->parts[0], new Settings(instrument: Instrument::Violin));
        $line = Line::allOf($score->parts[0])[0];
        $strokes = $case->bowing->strokes($line, $case->bowing->reading($line), new BowMarks);

        return [
            new Phrasing($strokes, $case->beats, $case->bowing->time->need, $case->bowing->grid->circle),
            array_map(static fn ($stroke): string => $score->parts[0]->measures[$stroke->onBeat()->measure]->number, $strokes),
        ];
    }
}
