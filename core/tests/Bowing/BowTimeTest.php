<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Bowing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Bowing\HeldChange;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Dynamics;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\Tune;

/** How much bow a stroke takes, where it lies, how held notes are shared out. */
final class BowTimeTest extends TestCase
{
    /** A whole bow lasts this long, second-year violin (`bowing.md`): a note just that long uses all of it. */
    #[DataProvider('wholeBows')]
    public function test_a_note_as_long_as_a_whole_bow_uses_the_whole_bow(string $dynamic, float $seconds, Instrument $instrument, Level $level, float $factor): void
    {
        $tempo = (int) round(240 / ($seconds * $factor));
        $marked = Marked::tune("={$tempo} {$dynamic} D4w | D4w | D4w", $instrument, $level);

        self::assertEqualsWithDelta(1.0, self::used($marked->part->notes[1]), 0.101);
        self::assertSame([], $marked->findings());
    }

    /** @return iterable<array{string, float, Instrument, Level, float}> */
    public static function wholeBows(): iterable
    {
        yield ['p', 6.5, Instrument::Violin, Level::SecondYear, 1.0];
        yield ['mf', 4.5, Instrument::Violin, Level::SecondYear, 1.0];
        yield ['f', 3.2, Instrument::Violin, Level::SecondYear, 1.0];
        yield ['f', 3.2, Instrument::Violin, Level::FirstYear, 0.7];
        yield ['mf', 4.5, Instrument::Viola, Level::ThirdYear, 1.2 * 0.95];
        yield ['mf', 4.5, Instrument::Cello, Level::Advanced, 1.5 * 0.9];
    }

    public function test_slurs_share_the_bow_by_length_and_loud_notes_take_more(): void
    {
        $soft = Marked::tune('=60 p D5h E5 | D5 E5')->part->notes;
        $loud = Marked::tune('=60 f D5h E5 | D5 E5')->part->notes;

        self::assertGreaterThan(self::used($soft[0]), self::used($loud[0]));
        self::assertGreaterThan(1.5 * self::used(Marked::tune('=60 mf D5q E5 D5 E5')->part->notes[1]), self::used(Marked::tune('=60 mf D5h E5')->part->notes[1]));
    }

    public function test_a_place_that_is_asked_for_is_kept(): void
    {
        $marked = Marked::tune('=120 D5e E5 D5 E5 D5 E5 D5 E5 | D5 E5 D5 E5 D5 E5 D5 E5', decisions: [['measures' => '1-2', 'place' => 'tip']]);
        foreach (array_slice($marked->part->notes, 2) as $note) {
            self::assertGreaterThanOrEqual(0.7, (($note->bow?->travel->from ?? 0) + ($note->bow?->travel->to ?? 0)) / 2, $note->note->id);
        }
    }

    public function test_loudness_holds_and_wedges_lead_from_one_mark_to_the_next(): void
    {
        $dynamics = Dynamics::of(Tune::score('p D5w | < D5w | > f D5w')->parts[0]);

        self::assertSame([1.0, 1.0, 2.5, 4.0], [$dynamics->at(0), $dynamics->at(1920), $dynamics->at(2880), $dynamics->at(3840)]);
    }

    /** @param array<string, mixed> $decision */
    #[DataProvider('staggers')]
    public function test_staggered_players_change_at_different_times_between_the_beats_and_arrive_together(array $decision, int $players): void
    {
        $marked = Marked::tune('=60 f D5w- | D5w- | D5w | A5w', decisions: [['note' => 'n1', 'action' => 'stagger'] + $decision, ['note' => 'n4', 'direction' => 'down']]);
        $stagger = $marked->note('n1')->bow->stagger ?? [];
        $ticks = array_merge([], ...array_map(static fn (array $changes): array => array_map(static fn (HeldChange $change): int => $change->tick, $changes), $stagger));

        self::assertCount($players, $stagger);
        self::assertSame($ticks, array_unique($ticks), 'none together');
        self::assertSame([], array_filter($ticks, static fn (int $tick): bool => $tick % 480 === 0), 'none on a beat');
        foreach ($stagger as $changes) {
            self::assertSame(1, count($changes) % 2, 'down, and after an odd number of changes up: the next comes down');
            self::assertGreaterThanOrEqual(3, count($changes), 'twelve seconds of forte need four bows');
        }
    }

    /** @return iterable<array{array<string, mixed>, int}> */
    public static function staggers(): iterable
    {
        yield [[], 2];
        yield [['desks' => 3], 3];
        yield [['desks' => 4], 4];
    }

    public function test_first_years_are_told_to_set_the_bow_before_every_start(): void
    {
        $told = static fn (Level $level): array => array_values(array_map(static fn (NoteMark $note): string => $note->note->id, array_filter(Marked::tune('D4q E4 F#4 r | G4 A4 B4 r', level: $level)->part->notes, static fn (NoteMark $note): bool => str_contains(implode(' ', $note->reasons()), 'Set the bow'))));

        self::assertSame(['n1', 'n5'], $told(Level::FirstYear));
        self::assertSame([], $told(Level::SecondYear));
    }

    public function test_the_lane_and_the_elbow_come_out_as_data(): void
    {
        $note = static fn (string $tune): array => Marked::tune($tune)->note('n1')->toArray(null);

        self::assertSame([5, 4], [$note('ff E5w')['contactLane'], $note('ff E5w')['elbow']]);
        self::assertSame([1, 4], [$note('p F#5w')['contactLane'], $note('p F#5w')['elbow']]);
        self::assertSame([2, 1], [$note('p G3w')['contactLane'], $note('p G3w')['elbow']]);
    }

    public function test_a_lift_that_a_change_makes_unneeded_is_said(): void
    {
        $score = Tune::score('=50 f D5w- | D5w | A5w');
        $measures = $score->parts[0]->measures;
        $held = $measures[1]->notes()[0]->with(breath: true);
        $score = $score->with(parts: [$score->parts[0]->with(measures: [$measures[0], $measures[1]->with(items: [$held]), $measures[2]])]);
        $marked = Marked::score($score, new Settings(ClassProfile::of(Level::SecondYear), Instrument::Violin, planning: false));

        self::assertStringContainsString('Changed, it needs no printed lift', $marked->part->findings[0]->message);
    }

    private static function used(NoteMark $note): float
    {
        return abs(($note->bow?->travel->to ?? 0) - ($note->bow?->travel->from ?? 0));
    }
}
