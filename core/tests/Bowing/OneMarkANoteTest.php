<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Bowing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Marking\Finding;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\RandomTune;

/** A plan is something that can be written down. */
final class OneMarkANoteTest extends TestCase
{
    #[DataProvider('tunes')]
    public function test_a_plan_puts_one_mark_on_a_note_and_leaves_no_two_bows_alike_unmarked(int $seed): void
    {
        $marked = Marked::tune($tune = RandomTune::of($seed));
        $codes = array_map(static fn (Finding $finding): string => $finding->code, $marked->part->open());
        $notes = array_count_values(array_map(static fn (Finding $note): string => $note->note, array_filter($marked->part->planNotes(), static fn (Finding $note): bool => $note->code !== 'plan-retake')));

        self::assertNotContains('same-direction-unmarked', $codes, $tune);
        self::assertSame([], array_filter($notes, static fn (int $count): bool => $count > 1), $tune);
    }

    /** @return iterable<string, array{int}> */
    public static function tunes(): iterable
    {
        foreach (range(1, 80) as $seed) {
            yield "tune {$seed}" => [$seed];
        }
    }

    public function test_a_long_note_after_one_that_ends_down_is_not_hooked_and_changed_at_once(): void
    {
        $marked = Marked::tune('2# =104 f | D5q E5 F#5 G5 | A5w | D5w- | D5w | D5q E5 F#5 G5 | D5w');
        $held = array_values(array_filter($marked->part->notes, static fn (NoteMark $note): bool => $note->note->tieStart))[0];

        self::assertContains($held->bow?->action, [null, BowAction::Change]);
        self::assertNotContains('same-direction-unmarked', array_map(static fn (Finding $finding): string => $finding->code, $marked->part->findings));
    }

    public function test_dots_under_a_slur_stop_the_bow_and_shorten_nothing(): void
    {
        $amount = static function (string $tune, string $hooked = ''): float {
            $travel = Marked::tune("2# =60 {$tune} F#5 G5 | D5w", decisions: $hooked === '' ? [] : [['note' => $hooked, 'action' => 'hook']])->part->notes[0]->bow?->travel;

            return round(abs(($travel->to ?? 0.0) - ($travel->from ?? 0.0)), 2);
        };

        self::assertSame($amount('D5q E5', 'n2'), $amount("(D5q' E5')"));
        self::assertLessThan($amount('D5q E5'), $amount("D5q' E5"));
    }
}
