<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Fingering;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Fingering\Search\Alternative;
use UprightPencil\Core\Fingering\Search\FingerChange;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\Tune;

/** Why a finger and not another, what a shift saves, and the other ways for a span: all by comparison. */
final class ReasonsTest extends TestCase
{
    /** A fast slurred figure that rocks between two strings in first position. */
    private const ROCKING = '2# =144 | A4q B4 C#5 rq | (D5s F#5 D5 F#5) (D5 F#5 D5 F#5) (D5 F#5 D5 F#5) (D5 F#5 D5 F#5) | D5w';

    public function test_a_shift_is_explained_by_what_it_saves(): void
    {
        $why = self::why(self::ROCKING, 'n5');

        self::assertSame(3.0, Marked::tune(self::ROCKING)->note('n5')->finger?->fingering?->position);
        self::assertNotNull($why['withoutShift']);
        self::assertGreaterThan(5.0, $why['withoutShift']->extra);
        self::assertMatchesRegularExpression('/crossings under slurs$/', $why['withoutShift']->costs[0], 'staying would cross strings again and again under slurs');
    }

    public function test_where_the_hand_stays_there_is_no_shift_to_explain(): void
    {
        self::assertNull(self::why(self::ROCKING, 'n7')['withoutShift']);
        self::assertNull(self::why('2# | D4q E4 F#4 G4', 'n2')['withoutShift']);
    }

    public function test_the_reason_on_the_page_names_the_shift_and_the_runner_up(): void
    {
        $settings = new Settings(ClassProfile::of(Level::SecondYear), Instrument::Violin, reasons: true);
        $reasons = Marked::tune(self::ROCKING, settings: $settings)->note('n5')->reasons();

        self::assertCount(2, $reasons);
        self::assertMatchesRegularExpression('/^Without the shift: \d+ crossings under slurs/', $reasons[0]);
        self::assertMatchesRegularExpression('/ on [GDAE](:| is as good:) /', $reasons[1]);
    }

    public function test_reasons_change_no_finger(): void
    {
        $settings = new Settings(ClassProfile::of(Level::SecondYear), Instrument::Violin, reasons: true);

        self::assertSame(Marked::tune(self::ROCKING)->fingers(), Marked::tune(self::ROCKING, settings: $settings)->fingers());
    }

    #[DataProvider('spans')]
    public function test_other_ways_for_a_span_change_notes_of_the_span(string $from, string $to): void
    {
        $tune = '2# =96 | D5q E5 F#5 E5 | D5 C#5 B4 A4 | G4 A4 B4 C#5 | D5w';
        $ways = self::ways($tune, $from, $to);
        $selected = range((int) substr($from, 1), (int) substr($to, 1));

        self::assertNotSame([], $ways);
        foreach ($ways as $index => $way) {
            $changed = array_map(static fn (FingerChange $change): int => (int) substr($change->note, 1), $way->changes());
            self::assertNotSame([], array_intersect($changed, $selected), "way {$index} changes nothing of what was selected");
            self::assertGreaterThanOrEqual($ways[max(0, $index - 1)]->extra - 0.001, $way->extra);
        }
        self::assertSame(array_unique(array_map(static fn (Alternative $way): string => $way->key(), $ways)), array_map(static fn (Alternative $way): string => $way->key(), $ways));
    }

    /** @return iterable<array{string, string}> */
    public static function spans(): iterable
    {
        yield 'one note' => ['n2', 'n2'];
        yield 'two notes' => ['n2', 'n3'];
        yield 'a measure' => ['n1', 'n4'];
        yield 'across a barline' => ['n3', 'n7'];
    }

    #[DataProvider('spans')]
    public function test_taking_a_way_costs_what_was_said(string $from, string $to): void
    {
        $tune = '2# =96 | D5q E5 F#5 E5 | D5 C#5 B4 A4 | G4 A4 B4 C#5 | D5w';
        $cost = Marked::tune($tune)->part->fingeringCost;
        foreach (self::ways($tune, $from, $to) as $way) {
            $told = MarkedPart::told($way, Instrument::Violin);
            $taken = Marked::tune($tune, decisions: $told['decisions']);
            self::assertEqualsWithDelta($cost + $way->extra, $taken->part->fingeringCost, 0.01);
            self::assertSame([], array_filter($taken->findings(), static fn (string $finding): bool => str_starts_with($finding, 'impossible')));
            foreach ($way->changes() as $change) {
                $stop = $taken->note($change->note)->finger?->fingering->stop;
                self::assertSame([$change->string, $change->finger, $change->placement], [$stop?->string, $stop?->finger, $stop?->placement]);
            }
        }
    }

    public function test_a_decision_against_the_grain_can_be_undone_with_a_gain(): void
    {
        $score = Tune::score('2# =96 | D4q E4 F#4 G4 | A4 B4 C#5 D5');
        $part = $score->parts[0];
        $decided = PartDecisions::of($part, [Decision::fromArray(['note' => 'n6', 'position' => 3])]);
        $marked = PartMarker::mark($score, $part, $decided, new Settings(ClassProfile::of(Level::SecondYear), Instrument::Violin));

        self::assertSame(3.0, $marked->notes[5]->finger?->fingering?->position);
        self::assertSame([], array_filter($marked->findings, static fn ($finding): bool => $finding->code === 'impossible-decision'));
    }

    /** @return array{instead: Alternative|null, withoutShift: Alternative|null} */
    private static function why(string $tune, string $note): array
    {
        $score = Tune::score($tune);
        $part = $score->parts[0];

        return PartMarker::why($score, $part, PartDecisions::of($part, []), new Settings(ClassProfile::of(Level::SecondYear), Instrument::Violin), $note);
    }

    /** @return list<Alternative> */
    private static function ways(string $tune, string $from, string $to): array
    {
        $score = Tune::score($tune);
        $part = $score->parts[0];

        return PartMarker::ways($score, $part, PartDecisions::of($part, []), new Settings(ClassProfile::of(Level::SecondYear), Instrument::Violin), $from, $to, 4);
    }
}
