<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Fingering;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Fingering\Grips\Fingering;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\FramePlace;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\InstrumentData;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\Placement;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\RandomLine;

/** What holds of every fingering of any line: it sounds the note, fits the hand, and uses what was taught or says so. */
final class FramesTest extends TestCase
{
    #[DataProvider('lines')]
    public function test_every_fingering_sounds_its_note_and_fits_the_hand(Instrument $instrument, Level $level, string $tune): void
    {
        $profile = ClassProfile::of($level);
        foreach (Marked::tune($tune, $instrument, $level)->part->notes as $note) {
            if ($note->finger?->fingering === null) {
                self::assertGreaterThan($instrument->lowest() + 29, (int) $note->note->pitch?->midi() - self::octave($instrument), 'only the highest notes are out of reach');

                continue;
            }
            $stop = $note->finger->fingering->stop;
            $sounding = (int) $note->note->pitch?->midi() - self::octave($instrument);
            self::assertSame($sounding, $instrument->strings()[$stop->string]->midi + $stop->offset);
            self::assertTrue($stop->finger === 0 || self::fits($instrument, $note->finger->fingering), "{$note->note->pitch?->name()}: finger {$stop->finger}, {$stop->placement->value}, from {$note->finger->fingering->hand}");
            self::assertContains($note->finger->fingering->position, $instrument->positionsAt($note->finger->fingering->hand));
            self::assertTrue($note->finger->fingering->untaught !== null || $stop->finger === 0 || (in_array($note->finger->fingering->position, $profile->positions($instrument), true) && $profile->teaches($instrument, self::place($note->finger->fingering))));
        }
    }

    #[DataProvider('lines')]
    public function test_what_was_not_taught_is_never_used_silently(Instrument $instrument, Level $level, string $tune): void
    {
        $marked = Marked::tune($tune, $instrument, $level);
        $used = array_unique(array_filter(array_map(static fn (NoteMark $note): ?string => $note->finger?->fingering?->untaught, $marked->part->notes)));
        $flagged = array_filter($marked->part->findings, static fn ($finding): bool => $finding->code === 'not-taught');

        self::assertCount(count($used), $flagged);
        foreach ($used as $what) {
            self::assertStringContainsString("needs {$what}, which this class has not been taught", implode("\n", array_column($flagged, 'message')));
        }
    }

    #[DataProvider('lines')]
    public function test_other_ways_are_whole_different_and_in_order_of_cost(Instrument $instrument, Level $level, string $tune): void
    {
        $marked = Marked::tune($tune, settings: new Settings(ClassProfile::of($level), $instrument, alternatives: 3));
        $start = null;
        $extra = 0.0;
        foreach ($marked->part->alternatives as $way) {
            if ($way->events[0]->first()->id !== $start) {
                [$start, $extra] = [$way->events[0]->first()->id, 0.0];
            }
            self::assertGreaterThanOrEqual($extra - 0.001, $way->extra);
            self::assertContains(true, array_map($way->differsAt(...), array_keys($way->grips)));
            self::assertCount(count($way->events), $way->grips);
            $extra = $way->extra;
        }
        self::assertSame($marked->fingers(), Marked::tune($tune, $instrument, $level)->fingers(), 'asking for other ways changes nothing');
    }

    /** @return iterable<string, array{Instrument, Level, string}> */
    public static function lines(): iterable
    {
        foreach (Instrument::cases() as $instrument) {
            foreach (Level::cases() as $index => $level) {
                for ($seed = 1; $seed <= 4; $seed++) {
                    yield "{$instrument->value} {$level->value} {$seed}" => [$instrument, $level, RandomLine::of($instrument, 100 * $index + $seed)];
                }
            }
        }
    }

    #[DataProvider('violinLines')]
    public function test_a_fifth_lower_on_the_viola_the_fingers_are_the_same(Level $level, int $seed): void
    {
        $violin = Marked::tune(RandomLine::of(Instrument::Violin, $seed, 24), Instrument::Violin, $level);
        $viola = Marked::tune(self::fifthLower(RandomLine::of(Instrument::Violin, $seed, 24)), Instrument::Viola, $level);

        self::assertSame($violin->fingers(), $viola->fingers());
    }

    /** @return iterable<array{Level, int}> */
    public static function violinLines(): iterable
    {
        foreach (Level::cases() as $level) {
            for ($seed = 1; $seed <= 5; $seed++) {
                yield [$level, $seed];
            }
        }
    }

    private static function fifthLower(string $tune): string
    {
        $below = ['C' => 'F', 'D' => 'G', 'E' => 'A', 'F' => 'Bb', 'G' => 'C', 'A' => 'D', 'B' => 'E', 'C#' => 'F#', 'D#' => 'G#', 'F#' => 'B', 'G#' => 'C#', 'A#' => 'D#', 'Db' => 'Gb', 'Eb' => 'Ab', 'Gb' => 'Cb', 'Ab' => 'Db', 'Bb' => 'Eb'];

        return (string) preg_replace_callback('/([A-G][#b]?)(\d)(?=q)/', static fn (array $note): string => $below[$note[1]].(in_array($note[1][0], ['C', 'D', 'E', 'F'], true) ? (int) $note[2] - 1 : (int) $note[2]), $tune);
    }

    private static function octave(Instrument $instrument): int
    {
        return $instrument === Instrument::Bass ? 12 : 0;
    }

    private static function place(Fingering $fingering): FramePlace
    {
        return new FramePlace($fingering->stop->finger, $fingering->stop->placement, $fingering->stop->place() - $fingering->hand);
    }

    private static function fits(Instrument $instrument, Fingering $fingering): bool
    {
        $wanted = self::place($fingering);
        if ($wanted->placement === Placement::Harmonic) {
            return in_array([$wanted->finger, $wanted->reach], InstrumentData::HARMONIC_FINGERS[$instrument->value], true) && InstrumentData::HARMONICS[$fingering->stop->place()] === $fingering->stop->offset;
        }
        foreach ($instrument->frame() as $place) {
            if ([$place->finger, $place->placement, $place->reach] === [$wanted->finger, $wanted->placement, $wanted->reach]) {
                return true;
            }
        }

        return false;
    }
}
