<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Teaching\Practice;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Teaching\Practice\Exercises;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;
use UprightPencil\Core\Teaching\Practice\Sheet;
use UprightPencil\Core\Teaching\Practice\Step;
use UprightPencil\Core\Tests\Support\Practised;
use UprightPencil\Core\Tests\Support\RandomLine;
use UprightPencil\Core\Tests\Support\RandomTune;

/** What holds of all practice, whatever it is made from. */
final class PropertiesTest extends TestCase
{
    private const SEEDS = 12;

    /** @var array<string, array{Material}>|null the same for every test, so that each is made once */
    private static ?array $passages = null;

    /** @var \WeakMap<Material, array<string, list<Step>>>|null */
    private static ?\WeakMap $made = null;

    /** @return array<string, array{Material}> */
    public static function passages(): array
    {
        return self::$passages ??= iterator_to_array(self::madeUp());
    }

    /** @return iterable<string, array{Material}> */
    private static function madeUp(): iterable
    {
        foreach (Instrument::cases() as $place => $instrument) {
            for ($seed = 1; $seed <= self::SEEDS; $seed++) {
                yield "{$instrument->value} line {$seed}" => [Practised::material(RandomLine::of($instrument, 40 * $place + $seed, 17), (string) (1 + $seed % 3), (string) (3 + $seed % 3), $instrument, Level::cases()[$seed % 3])];
            }
        }
        for ($seed = 1; $seed <= 3 * self::SEEDS; $seed++) {
            yield "tune {$seed}" => [Practised::material(RandomTune::of($seed, $seed % 4 === 0), '2', '4')];
        }
    }

    /** @return array<string, list<Step>> kind => its steps; without those that have nothing to work with */
    private static function all(Material $of): array
    {
        self::$made ??= new \WeakMap;
        if (isset(self::$made[$of])) {
            return self::$made[$of];
        }
        $all = [];
        foreach (Exercises::all() as $exercise) {
            try {
                $all[$exercise->name()] = $exercise->steps($of);
            } catch (NothingToPractise) {
                // Said in a sentence, and nothing is made.
            }
        }

        return self::$made[$of] = $all;
    }

    #[DataProvider('passages')]
    public function test_every_step_fits_its_measures_its_instrument_and_its_time(Material $of): void
    {
        $all = self::all($of);
        self::assertArrayHasKey('tempo-steps', $all);
        foreach ($all as $kind => $steps) {
            foreach ($steps as $step) {
                $ids = [];
                foreach ($step->measures as $index => $measure) {
                    self::assertSame($index === 0, $measure->attributes() !== [] && $measure->attributes()[0]->meter !== null && $measure->attributes()[0]->clefs !== [], $kind);
                    $heads = array_values(array_filter($measure->notes(), static fn (Note $note): bool => ! $note->chord && ! $note->grace));
                    self::assertSame($measure->length, array_sum(array_map(static fn (Note $note): int => $note->duration, $heads)), "{$kind}, measure {$measure->number}: ".Practised::notes($step));
                    foreach ($measure->notes() as $note) {
                        $ids[] = $note->id;
                        $sounding = $note->pitch === null ? null : $note->pitch->midi() - ($of->instrument === Instrument::Bass ? 12 : 0);
                        self::assertTrue($sounding === null || ($sounding >= $of->instrument->lowest() && $sounding <= $of->instrument->highest()), "{$kind}: {$note->pitch?->name()}");
                    }
                }
                self::assertSame($ids, array_values(array_unique($ids)), $kind);
                self::assertGreaterThan(0, $step->seconds());
                self::assertNotSame('', $step->say.$step->goOn);
            }
        }
    }

    #[DataProvider('passages')]
    public function test_slurs_and_ties_of_every_step_begin_and_end_in_it(Material $of): void
    {
        foreach (self::all($of) as $kind => $steps) {
            foreach ($steps as $step) {
                $heads = array_values(array_filter(array_merge(...array_map(static fn (Measure $measure): array => $measure->notes(), $step->measures)), static fn (Note $note): bool => ! $note->chord && ! $note->grace));
                $open = [];
                foreach ($heads as $place => $note) {
                    foreach ($note->slurs as $slur) {
                        $slur->type === 'stop' && self::assertArrayHasKey($slur->number, $open, "{$kind}: ".Practised::notes($step));
                        $open = $slur->type === 'start' ? $open + [$slur->number => true] : array_diff_key($open, [$slur->number => true]);
                    }
                    self::assertSame($note->tieStart, $heads[$place + 1]->tieStop ?? false, "{$kind}, tie at {$note->id}: ".Practised::notes($step));
                    $note->tieStart && self::assertEquals($note->pitch, $heads[$place + 1]->pitch ?? null, $kind);
                }
                self::assertSame([], $open, "{$kind}: ".Practised::notes($step));
            }
        }
    }

    #[DataProvider('passages')]
    public function test_fingers_written_on_a_step_are_those_of_the_passage(Material $of): void
    {
        $fingers = [];
        foreach ($of->marks as $mark) {
            $mark->finger === null || $mark->note->pitch === null || $fingers[$mark->note->pitch->name()][$of->part->style->finger($mark->finger->fingering->stop->finger, $mark->finger->fingering->stop->placement)] = true;
        }
        foreach (['one-hand', 'one-string', 'fours', 'units', 'long-tones'] as $kind) {
            foreach (self::all($of)[$kind] ?? [] as $step) {
                foreach (array_merge(...array_map(static fn (Measure $measure): array => $measure->notes(), $step->measures)) as $note) {
                    if ($note->pitch !== null && $note->technical->finger !== null) {
                        self::assertArrayHasKey($note->technical->finger, $fingers[$note->pitch->name()] ?? [], "{$kind}: {$note->pitch->name()} with {$note->technical->finger}");
                    }
                }
            }
        }
    }

    #[DataProvider('passages')]
    public function test_what_is_offered_can_be_made(Material $of): void
    {
        foreach (Exercises::offered($of) as $kind => $because) {
            self::assertNotSame('', $because);
            self::assertArrayHasKey($kind, self::all($of), "{$kind} is offered because “{$because}”");
        }
    }

    #[DataProvider('passages')]
    public function test_the_open_string_version_keeps_strings_and_directions(Material $of): void
    {
        if (! $of->isBowed()) {
            self::assertArrayNotHasKey('open-strings', self::all($of));

            return;
        }
        $step = self::all($of)['open-strings'][0];
        $marked = self::marked($of, $step);
        $made = [];
        foreach ($marked->sounding() as $mark) {
            $made[substr($mark->note->id, strlen('open-'))] = [$mark->bow?->direction?->value, $mark->finger?->fingering->stop->finger, $mark->finger?->string];
        }
        foreach ($of->marks as $id => $mark) {
            $mark->note->chord || $mark->note->grace || self::assertSame([$mark->bow?->direction?->value, 0, $mark->finger?->string], $made[$id] ?? null, "{$id} in ".Practised::notes($step));
        }
    }

    #[DataProvider('passages')]
    public function test_hooks_are_exactly_the_slurs(Material $of): void
    {
        $steps = self::all($of)['hooks'] ?? null;
        self::assertSame($of->hasSlurs(), $steps !== null);
        if ($steps === null) {
            return;
        }
        $dotted = static fn (Step $step): array => array_values(array_map(static fn (Note $note): string => substr((string) strstr($note->id, '-'), 1), array_filter(array_merge(...array_map(static fn ($measure): array => $measure->notes(), $step->measures)), static fn (Note $note): bool => $note->has(Articulation::Staccato))));
        $under = [];
        $open = 0;
        foreach (array_merge(...array_map(static fn ($measure): array => $measure->notes(), $of->measures)) as $note) {
            $starts = count(array_filter($note->slurs, static fn ($slur): bool => $slur->type === 'start'));
            $stops = count(array_filter($note->slurs, static fn ($slur): bool => $slur->type === 'stop'));
            (($open += $starts) > 0 || $note->has(Articulation::Staccato)) && ! $note->rest && $note->tie() === null && $under[] = $note->id;
            $open -= $stops;
        }
        self::assertSame($under, $dotted($steps[0]));
    }

    #[DataProvider('passages')]
    public function test_units_overlap_by_one_note_and_together_are_the_passage(Material $of): void
    {
        $steps = self::all($of)['units'] ?? null;
        $wanted = array_values(array_filter(array_map(static fn ($note): ?string => $note->note()->tieStop || $note->note()->grace ? null : $note->pitch()->name(), $of->played)));
        if ($steps === null) {
            self::assertLessThan(5, count($wanted));

            return;
        }
        $units = [];
        foreach ($steps[0]->measures as $measure) {
            foreach ($measure->notes() as $note) {
                // Each unit says which way its bow begins.
                $note->technical->bow !== null && $units[] = [];
                $note->rest || $note->tieStop || $units[max(0, count($units) - 1)][] = $note->pitch?->name();
            }
        }
        if (! $of->isBowed() || count($units) !== (int) ceil((count($wanted) - 1) / 3)) {
            self::assertFalse($of->isBowed() && array_filter($of->marks, static fn (NoteMark $mark): bool => $mark->bow?->direction === null) === []);

            return;
        }
        $joined = array_shift($units) ?? [];
        foreach ($units as $unit) {
            self::assertSame($joined[count($joined) - 1], $unit[0]);
            self::assertLessThanOrEqual(4, count($unit));
            array_push($joined, ...array_slice($unit, 1));
        }
        self::assertSame($wanted, $joined);
    }

    #[DataProvider('passages')]
    public function test_a_sheet_goes_out_and_comes_back_as_the_same_notes(Material $of): void
    {
        $sheet = Sheet::of($of, array_keys(self::all($of)));
        self::assertSame([], $sheet->leftOut);
        self::assertEqualsWithDelta(array_sum(array_map(static fn (Step $step): float => $step->seconds(), $sheet->steps)), $sheet->seconds(), 1.0);
        $score = $sheet->score($of);
        foreach (['musicxml', 'abc'] as $format) {
            $again = Music::read(Music::write($score, $format))->score;
            self::assertSame(self::heads($score, $format), self::heads($again, $format), $format);
            self::assertCount(count($score->parts[0]->measures), $again->parts[0]->measures, $format);
        }
    }

    /** @return list<string> what sounds and how long; ABC has no notes without a pitch */
    private static function heads(Score $score, string $format): array
    {
        $quarter = $score->resolution;

        return array_values(array_map(static fn (Note $note): string => ($note->pitch?->name() ?? 'x').' '.round($note->duration / $quarter, 3), array_filter($score->parts[0]->notes(), static fn (Note $note): bool => $note->sounds() && ($format === 'musicxml' || $note->pitch !== null))));
    }

    private static function marked(Material $of, Step $step): MarkedPart
    {
        $score = Sheet::of($of, [$step->kind])->score($of);
        $part = $score->parts[0]->with(measures: $step->measures);

        return PartMarker::mark($score->with(parts: [$part]), $part, PartDecisions::of($part, []), new Settings(ClassProfile::of(Level::Advanced), $of->instrument, planning: false));
    }
}
