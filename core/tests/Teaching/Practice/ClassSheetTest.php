<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Teaching\Practice;

use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Teaching\Practice\ClassSheet;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;
use UprightPencil\Core\Teaching\Practice\Sheet;
use UprightPencil\Core\Teaching\Practice\Step;
use UprightPencil\Core\Tests\Support\Practised;

/** Practice for a class of several instruments, under each other. */
final class ClassSheetTest extends TestCase
{
    private const TUNE = '4/4 2# =80 | D4q (E4e F#4) G4q A4 | A4q G4 F#4h | D4w';

    private const LOW = '4/4 2# =80 | D3q (E3e F#3) G3q A3 | A3q G3 F#3h | D3w';

    /** @return non-empty-list<Material> */
    private static function class(): array
    {
        return [
            Practised::material(self::TUNE, '1', '2', Instrument::Violin, Level::FirstYear),
            Practised::material(self::TUNE, '1', '2', Instrument::Viola, Level::FirstYear),
            Practised::material(self::LOW, '1', '2', Instrument::Cello, Level::FirstYear),
            Practised::material(self::LOW, '1', '2', Instrument::Bass, Level::FirstYear),
        ];
    }

    /** @return list<string> */
    private static function titles(Sheet $sheet): array
    {
        return array_map(static fn (Step $step): string => $step->title, $sheet->steps);
    }

    public function test_all_have_the_same_steps_each_in_its_own_notes(): void
    {
        $class = ClassSheet::of(self::class(), ['open-strings', 'hooks']);
        foreach ($class->sheets as $sheet) {
            self::assertSame(['Bow alone on open strings', 'Slurs as hooks', 'Slurs plain'], self::titles($sheet));
        }
        self::assertSame([], $class->apart);
        self::assertSame('D4q!d^0 (D4e~^0 D4e) D4q^0 A4q^0 | A4q^0 D4q^0 D4h^0', Practised::notes($class->sheets[0]->steps[0]));
        self::assertSame('D3q!d^0 (D3e~^0 D3e) G3q^0 G3q^0 | G3q^0 G3q^0 D3h^0', Practised::notes($class->sheets[3]->steps[0]), 'a bass has A on its G string');
    }

    public function test_what_one_section_has_otherwise_is_made_for_each_by_itself(): void
    {
        $class = ClassSheet::of(self::class(), ['open-strings', 'one-string', 'shift']);
        self::assertContains('All notes on one string', $class->apart, 'the strings have other numbers of notes on a bass');
        self::assertContains('Shift there and back', $class->apart);
        self::assertSame(['Bow alone on open strings'], self::titles($class->sheets[0]));
    }

    public function test_who_has_no_slur_plays_along_as_it_is_written(): void
    {
        $class = ClassSheet::of([Practised::material(self::TUNE, '1', '2'), Practised::material('4/4 2# =80 | D3h A3h | D3w | D3w', '1', '2', Instrument::Cello)], ['hooks']);
        self::assertSame([], $class->apart);
        self::assertSame(['Slurs as hooks', 'Slurs plain'], self::titles($class->sheets[1]));
        self::assertSame(['D3h!d A3h | D3w', 'D3h!d A3h | D3w'], array_map(static fn (Step $step): string => (string) preg_replace('/\^\d/', '', Practised::notes($step)), $class->sheets[1]->steps));
        $ids = array_column(array_merge(...array_map(static fn (Part $part): array => $part->notes(), $class->score()->parts)), 'id');
        self::assertSame($ids, array_values(array_unique($ids)));
    }

    public function test_where_nothing_is_everybodys_that_is_said(): void
    {
        $this->expectException(NothingToPractise::class);
        $this->expectExceptionMessage('The sections have nothing of that in common in measures 1–2: make it for each by itself.');
        ClassSheet::of(self::class(), ['shift']);
    }

    public function test_the_minutes_hold_for_all_alike(): void
    {
        $class = ClassSheet::of(self::class(), ['open-strings', 'hooks', 'tempo-steps'], 2);
        foreach ($class->sheets as $sheet) {
            self::assertSame(self::titles($class->sheets[0]), self::titles($sheet));
            self::assertLessThanOrEqual(120, $sheet->seconds());
            self::assertNotSame([], $sheet->leftOut);
        }
    }

    public function test_it_is_one_score_with_a_part_a_section_and_titles_over_the_top_one(): void
    {
        $xml = Music::write(ClassSheet::of(self::class(), ['names', 'tempo-steps'])->score(), 'musicxml');
        self::assertSame(1, substr_count($xml, 'Names sung, at'));
        $score = Music::read($xml)->score;
        self::assertSame(['Violin', 'Viola', 'Cello', 'Bass'], array_map(static fn (Part $part): string => $part->name, $score->parts));
        $lengths = array_map(static fn (Part $part): array => array_map(static fn (Measure $measure): int => $measure->length, $part->measures), $score->parts);
        self::assertSame([$lengths[0]], array_values(array_unique($lengths, SORT_REGULAR)));
    }
}
