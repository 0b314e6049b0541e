<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Fingering;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;

/** Passages with the fingers a teacher would write. */
final class FingeringTest extends TestCase
{
    #[DataProvider('passages')]
    public function test_a_passage_is_fingered_as_a_teacher_would(Instrument $instrument, Level $level, string $tune, string $fingers): void
    {
        self::assertSame($fingers, Marked::tune($tune, $instrument, $level)->fingers());
    }

    /** @return iterable<string, array{Instrument, Level, string, string}> */
    public static function passages(): iterable
    {
        [$violin, $viola, $cello, $bass] = [Instrument::Violin, Instrument::Viola, Instrument::Cello, Instrument::Bass];
        [$first, $second] = [Level::FirstYear, Level::SecondYear];
        yield 'G major in two octaves, open up and four down' => [$violin, $second, '1# | G3q A3 B3 C4 | D4 E4 F#4 G4 | A4 B4 C5 D5 | E5 F#5 G5 A5 | B5 A5 G5 F#5 | E5 D5 C5 B4 | A4 G4 F#4 E4 | D4 C4 B3 A3 | G3w',
            '0 1 2 3 0 1 2 3 0 1 L2 3 0 1 L2 3 4 3 L2 1 4 3 L2 1 4 3 2 1 4 3 2 1 0'];
        yield 'slurred pairs around the open A' => [$violin, $second, '(C5q B4) (A4 B4) | (C5 D5) E5h', 'L2 1 0 1 L2 3 0'];
        yield 'viola in E flat' => [$viola, $second, '3b | Bb3q C4 D4 Eb4', 'L2 3 0 L1'];
        yield 'cello, F sharp and E flat' => [$cello, $second, 'F#3q G3 F#3 Eb3 | D3w', '3 4 3 x1 0'];
        yield 'cello, D flat without second position' => [$cello, $second, 'Bb2q C3 Db3 C3 | Bb2w', '2 4 x4 4 2'];
        yield 'bass up to D' => [$bass, $second, 'G3q A3 B3 C4 | D4w', '0 1 4 1 4'];
        yield 'one finger for a fifth' => [$violin, $second, '=132 E4e B4 E4 B4 E4 B4 E4 B4', '1 1 1 1 1 1 1 1'];
        yield 'D major, first year' => [$violin, $first, '2# | D4q E4 F#4 G4 | A4 B4 C#5 D5 | D5 C#5 B4 A4 | G4 F#4 E4 D4', '0 1 2 3 0 1 2 3 3 2 1 0 3 2 1 0'];
        yield 'D major, second year, four on the way down' => [$violin, $second, '2# | D4q E4 F#4 G4 | A4 B4 C#5 D5 | D5 C#5 B4 A4 | G4 F#4 E4 D4', '0 1 2 3 0 1 2 3 3 2 1 4 3 2 1 0'];
        yield 'A major' => [$violin, $first, '3# | A4q B4 C#5 D5 | E5 F#5 G#5 A5', '0 1 2 3 0 1 2 3'];
        yield 'F major' => [$violin, $second, '1b | F4q G4 A4 Bb4 | C5 D5 E5 F5 | F5 E5 D5 C5 | Bb4 A4 G4 F4', 'L2 3 0 L1 L2 3 0 L1 L1 4 3 L2 L1 4 3 L2'];
        yield 'B flat major' => [$violin, $second, '2b | Bb3q C4 D4 Eb4 | F4 G4 A4 Bb4', 'L2 3 0 L1 L2 3 0 L1'];
        yield 'E flat major' => [$violin, $second, '3b | Eb4q F4 G4 Ab4 | Bb4 C5 D5 Eb5', 'L1 L2 3 L4 L1 L2 3 L4'];
        yield 'D major on the cello' => [$cello, $first, '2# | D3q E3 F#3 G3 | A3 B3 C#4 D4', '0 1 3 4 0 1 3 4'];
        yield 'G major on the cello' => [$cello, $first, '1# | G2q A2 B2 C3 | D3 E3 F#3 G3', '0 1 3 4 0 1 3 4'];
        yield 'F major on the cello' => [$cello, $first, '1b | F2q G2 A2 Bb2 | C3 D3 E3 F3', '4 0 1 2 4 0 1 2'];
        yield 'B flat major on the cello' => [$cello, $second, '2b | Bb2q C3 D3 Eb3 | F3 G3 A3 Bb3', '2 4 0 x1 2 4 0 x1'];
        yield 'G major on the bass' => [$bass, $first, '1# | G2q A2 B2 C3 | D3 E3 F#3 G3', '2 0 1 2 0 1 4 0'];
        yield 'D major on the bass' => [$bass, $second, '2# | D3q E3 F#3 G3 | A3 B3 C#4 D4', '0 1 4 0 1 4 2 4'];
        yield 'F major on the bass, in half position' => [$bass, $second, '1b | F2q G2 A2 Bb2 | C3 D3 E3 F3', '1 4 0 1 4 0 2 4'];
    }

    public function test_schools_of_the_open_string_differ(): void
    {
        $down = '2# | D5q C#5 B4 A4 | G4 A4 B4 A4 | G4h F#4';
        $fingers = static fn (string $school): string => Marked::tune($down, settings: new Settings(ClassProfile::fromArray(['level' => 'second-year', 'open' => $school]), Instrument::Violin))->fingers();

        self::assertSame('3 2 1 4 3 4 1 4 3 2', $fingers('up-open-down-four'));
        self::assertStringNotContainsString('4', $fingers('open'));
        self::assertStringNotContainsString('0', $fingers('four'));
    }

    public function test_a_lock_is_kept_and_its_neighbours_adapt(): void
    {
        $free = Marked::tune('2# | A4q B4 C#5 D5');
        $locked = Marked::tune('2# | A4q B4 C#5 D5', decisions: [['note' => 'n1', 'finger' => 4], ['note' => 'n2', 'string' => 'D', 'position' => 3]]);

        self::assertSame('0 1 2 3', $free->fingers());
        self::assertSame('D', $locked->note('n1')->finger?->string);
        self::assertSame(4, $locked->note('n1')->finger->fingering->stop->finger);
        self::assertSame(3.0, $locked->note('n2')->finger?->fingering?->position);
        self::assertSame([], $locked->findings());
    }

    #[DataProvider('locks')]
    public function test_any_part_of_a_fingering_may_be_decided(string $field, int|string|float $value, string $expected): void
    {
        self::assertSame($expected, Marked::tune('E5q D5 E5 D5', decisions: [['note' => 'n1', $field => $value]])->fingers());
    }

    /** @return iterable<array{string, int|string|float, string}> */
    public static function locks(): iterable
    {
        yield ['finger', 0, '0 3 0 3'];
        yield ['string', 'A', '4 3 0 3'];
        yield ['finger', 4, '4 3 0 3'];
    }

    public function test_a_decision_that_cannot_be_played_is_kept_and_reported(): void
    {
        $marked = Marked::tune('2# | D4q E4 F#4 G4', decisions: [['note' => 'n2', 'finger' => 0]]);

        self::assertSame(['impossible-decision 1'], $marked->findings());
        self::assertStringContainsString('the nearest that can is finger 1', $marked->part->findings[0]->message);
        self::assertTrue($marked->note('n2')->finger?->written);
        self::assertSame('0', $marked->written('n2'));
    }

    public function test_what_the_class_has_not_been_taught_is_flagged_and_not_used_silently(): void
    {
        $first = Marked::tune('2b | Bb4q C5 D5 Eb5', level: Level::FirstYear);

        self::assertSame(['not-taught 1', 'not-taught 1'], $first->findings());
        self::assertSame('B♭4 needs low 1, which this class has not been taught (once).', $first->part->findings[0]->message);
        self::assertSame([], Marked::tune('2b | Bb4q C5 D5 Eb5', level: Level::SecondYear)->findings());
        self::assertSame('L1 L2 3 L4', $first->fingers(), 'the letters keep their fingers even so');
    }

    public function test_notes_that_no_violin_has_are_left_without_a_finger(): void
    {
        $marked = Marked::tune('G3q F3 G3 A3');

        self::assertSame('0 - 0 1', $marked->fingers());
        self::assertSame(['out-of-range 1'], $marked->findings());
    }

    #[DataProvider('written')]
    public function test_only_what_a_student_needs_is_written(string $tune, string $written): void
    {
        $marked = Marked::tune($tune);

        self::assertSame($written, implode(' ', array_map(static fn ($note): string => $note->finger?->written ? $marked->written($note->note->id) : '.', $marked->part->notes)));
    }

    /** @return iterable<array{string, string}> */
    public static function written(): iterable
    {
        yield 'the first stopped note, and nothing that the key says' => ['2# | D4q E4 F#4 G4 | A4 B4 C#5 D5', '. 1 . . . . . .'];
        yield 'a low finger where it differs from the last on its string' => ['2# | A4q B4 C#5 B4 | C5 B4 C5 B4', '. 1 . . L2 . . .'];
        yield 'four where open was' => ['2# | A4q B4 A4 G4 | F#4 G4 A4 A4', '. 1 4 . . . 0 .'];
    }

    #[DataProvider('instruments')]
    public function test_every_fingering_sounds_its_note(Instrument $instrument, string $tune): void
    {
        foreach (Level::cases() as $level) {
            $marked = Marked::tune($tune, $instrument, $level);
            $open = array_column($instrument->strings(), 'midi', 'name');
            foreach ($marked->part->notes as $note) {
                $octave = $instrument === Instrument::Bass ? 12 : 0;
                self::assertNotNull($note->finger?->fingering, "{$note->note->id} at {$level->value}");
                self::assertSame((int) $note->note->pitch?->midi() - $octave, $open[$note->finger->string] + $note->finger->fingering->stop->offset);
                self::assertSame($note->finger->fingering->stop->finger === 0, $note->finger->fingering->stop->offset === 0);
            }
        }
    }

    /** @return iterable<array{Instrument, string}> */
    public static function instruments(): iterable
    {
        yield [Instrument::Violin, '2# | (D4e E4 F#4 G4) A4q Bb4 | C5e C#5 D5 D#5 E5q F5 | A5h G4q +B4 | D4h.- D4q'];
        yield [Instrument::Viola, '1b | (C3e D3 E3 F3) G3q A3 | Bb3e B3 C4 C#4 D4q Eb4 | D5h C4q +E4'];
        yield [Instrument::Cello, '1b | (C2e D2 Eb2 F2) G2q Ab2 | B2e C3 C#3 D3 Eb3q F#3 | D4h G2q +D3'];
        yield [Instrument::Bass, '1# | (E2e F#2 G2 A2) B2q C3 | C#3e D3 Eb3 E3 F3q G3 | A3h Bb3q'];
    }

    public function test_a_violin_passage_a_fifth_lower_on_the_viola_takes_the_same_fingers(): void
    {
        $violin = Marked::tune('2# | D5q (C#5e B4) A4q F#4 | (G4e A4 B4 G4) E4h', Instrument::Violin);
        $viola = Marked::tune('1# | G4q (F#4e E4) D4q B3 | (C4e D4 E4 C4) A3h', Instrument::Viola);

        self::assertSame($violin->fingers(), $viola->fingers());
    }

    public function test_weights_of_a_profile_change_the_result(): void
    {
        $tune = '=132 (A4e D5 F#5 D5) (A4 D5 F#5 D5) | (G5 E5 C#5 E5) A5h';
        $with = static fn (array $weights): string => Marked::tune($tune, settings: new Settings(ClassProfile::fromArray(['level' => 'second-year', 'weights' => $weights]), Instrument::Violin))->strings();

        self::assertNotSame($with([]), $with(['string-crossing' => 6, 'shift' => 0.2, 'position' => 0]));
    }
}
