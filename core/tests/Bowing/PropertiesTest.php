<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Bowing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Finding;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune;

/** What holds for every part, tried on made-up ones. */
final class PropertiesTest extends TestCase
{
    #[DataProvider('seeds')]
    public function test_directions_alternate_except_where_an_action_says_otherwise(int $seed): void
    {
        foreach (BowingSchool::cases() as $school) {
            $before = null;
            foreach (self::strokes(self::marked(RandomTune::of($seed), $school)) as $stroke) {
                if ($before !== null && $stroke->bow?->direction === $before->bow?->direction) {
                    // After a measure of silence the bow starts anew.
                    $stroke->bow?->travel?->bowed->fresh || self::assertContains($stroke->bow?->action, [BowAction::Hook, BowAction::Retake], "{$stroke->note->id} in ".RandomTune::of($seed));
                }
                $before = $stroke;
            }
        }
        self::assertNotNull($before);
    }

    #[DataProvider('seeds')]
    public function test_the_bow_stays_on_its_stick_and_goes_the_way_it_is_said_to(int $seed): void
    {
        foreach (self::marked(RandomTune::of($seed))->part->notes as $mark) {
            self::assertNotNull($mark->bow?->travel);
            [$from, $to] = [$mark->bow->travel->from, $mark->bow->travel->to];
            self::assertTrue(min($from, $to) >= 0.0 && max($from, $to) <= 1.0);
            self::assertGreaterThanOrEqual(0.0, ($to - $from) * ($mark->bow->travel->bowed->direction->value === 'down' ? 1 : -1));
        }
    }

    #[DataProvider('seeds')]
    public function test_planning_twice_gives_the_same_and_so_does_reading_it_back(int $seed): void
    {
        $once = self::marked(RandomTune::of($seed));
        $again = self::marked(RandomTune::of($seed));
        $score = Reader::read(Writer::write(MarkedScore::of(Tune::score(RandomTune::of($seed)), [$once->part])))->score;
        $read = Marked::score($score, self::settings());

        self::assertSame([$once->bows(), $once->actions(), $once->findings()], [$again->bows(), $again->actions(), $again->findings()]);
        self::assertSame($once->bows(), $read->bows(), RandomTune::of($seed));
        self::assertSame(self::turns($once), self::turns($read));
    }

    #[DataProvider('seeds')]
    public function test_the_page_never_contradicts_the_playing_order_unsaid(int $seed): void
    {
        $tune = RandomTune::of($seed, repeats: true);
        $checked = Marked::tune($tune, settings: new Settings(instrument: Instrument::Violin, planning: false));
        $repeated = array_values(array_filter($checked->part->notes, static fn (NoteMark $mark): bool => self::isInRepeat($tune, $mark)));
        $told = array_filter($checked->findings(), static fn (string $finding): bool => str_starts_with($finding, 'repeat-mismatch'));

        self::assertSame($repeated[0]->bow?->direction === $repeated[count($repeated) - 1]->bow?->direction, $told !== [], $tune);
    }

    #[DataProvider('seeds')]
    public function test_an_offered_fix_removes_its_finding_and_adds_no_worse_one(int $seed): void
    {
        $tune = RandomTune::of($seed);
        foreach ([true, false] as $planning) {
            $settings = self::settings(planning: $planning);
            $before = Marked::tune($tune, settings: $settings);
            $worst = max([0.0, ...array_map(static fn (Finding $finding): float => $finding->severity, self::open($before))]);
            foreach ($before->part->findings as $finding) {
                foreach ($finding->fixes as $fix) {
                    $decisions = array_map(static fn (Decision $decision): array => $decision->toArray(), $fix->decisions);
                    $after = Marked::tune($tune, decisions: $decisions, settings: $settings);
                    $left = array_filter(self::open($after), static fn (Finding $other): bool => [$other->code, $other->note] === [$finding->code, $finding->note]);
                    self::assertSame([], $left, "{$finding->code} at {$finding->note} after ".json_encode($fix->toArray()).": {$tune}");
                    foreach (self::open($after) as $new) {
                        self::assertLessThanOrEqual(max($worst, $finding->severity), $new->severity, "{$new->code} after ".json_encode($fix->toArray()).": {$tune}");
                    }
                }
            }
        }
        self::assertGreaterThan(0, count($before->part->notes));
    }

    /** @return iterable<array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 40) as $seed) {
            yield [$seed];
        }
    }

    private static function settings(bool $planning = true, BowingSchool $school = BowingSchool::StrongBeat): Settings
    {
        return new Settings(ClassProfile::of(Level::SecondYear), Instrument::Violin, $school, planning: $planning);
    }

    private static function marked(string $tune, BowingSchool $school = BowingSchool::StrongBeat): Marked
    {
        return Marked::tune($tune, settings: self::settings(school: $school));
    }

    /** @return list<NoteMark> the first note of each stroke */
    private static function strokes(Marked $marked): array
    {
        $strokes = [];
        foreach ($marked->part->notes as $mark) {
            $strokes[$mark->bow->stroke ?? 0] ??= $mark;
        }

        return array_values($strokes);
    }

    /** Where the bow goes on in one direction, and where it changes on a held note. */
    private static function turns(Marked $marked): string
    {
        return (string) preg_replace('/\S+=(split|strike|join|lift)\S* ?/', '', $marked->actions().' ');
    }

    private static function isInRepeat(string $tune, NoteMark $mark): bool
    {
        return (int) $mark->place->measure <= substr_count((string) strstr($tune, ':|', true), '|');
    }

    /** @return list<Finding> findings that nothing has mended yet */
    private static function open(Marked $marked): array
    {
        return array_values(array_filter($marked->part->findings, static fn (Finding $finding): bool => ! $finding->mended));
    }
}
