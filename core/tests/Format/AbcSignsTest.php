<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\Abc\BarSign;
use UprightPencil\Core\Format\Abc\Decorations;
use UprightPencil\Core\Format\Abc\Fields;
use UprightPencil\Core\Format\Abc\KeyField;
use UprightPencil\Core\Format\Abc\Lexer;
use UprightPencil\Core\Format\Abc\Reader;
use UprightPencil\Core\Format\Abc\Rhythm;
use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Barline;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Span;
use UprightPencil\Core\Score\Technical;

/** The pieces that ABC is read with, each by itself: signs, lengths, decorations, barlines, fields. */
final class AbcSignsTest extends TestCase
{
    /** @param list<string> $signs */
    #[DataProvider('lines')]
    public function test_a_line_is_cut_into_its_signs(string $line, array $signs): void
    {
        $tokens = Lexer::tokens($line);

        self::assertSame($signs, array_values(array_map(static fn (array $token): string => "{$token[0]} {$token[1]}", array_filter($tokens, static fn (array $token): bool => $token[0] !== 'space'))));
        self::assertSame($line, implode('', array_column($tokens, 1)), 'nothing is lost');
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function lines(): iterable
    {
        yield 'plain notes' => ['c d2 e/', ['note c', 'note d2', 'note e/']];
        yield 'accidentals and octaves' => ["^c __B, =e' ^^G,,", ['note ^c', 'note __B,', "note =e'", 'note ^^G,,']];
        yield 'a tie' => ['a2-a', ['note a2-', 'note a']];
        yield 'a chord' => ['[Dd]2 [F-d]', ['chord [Dd]2', 'chord [F-d]']];
        yield 'rests' => ['z z2 x/ Z4', ['rest z', 'rest z2', 'rest x/', 'rest Z4']];
        yield 'slurs' => ['(c d) (e(f g))', ['slur (', 'note c', 'note d', 'slur )', 'slur (', 'note e', 'slur (', 'note f', 'note g', 'slur )', 'slur )']];
        yield 'a tuplet is no slur' => ['(3abc (abc)', ['tuplet (3', 'note a', 'note b', 'note c', 'slur (', 'note a', 'note b', 'note c', 'slur )']];
        yield 'a tuplet in full' => ['(5:4:5abcde', ['tuplet (5:4:5', 'note a', 'note b', 'note c', 'note d', 'note e']];
        yield 'grace notes' => ['{cd}e {/g}a', ['grace {cd}', 'note e', 'grace {/g}', 'note a']];
        yield 'broken rhythm' => ['a>b c<<d', ['note a', 'broken >', 'note b', 'note c', 'broken <<', 'note d']];
        yield 'decorations' => ['!accent!a +fermata+b .c vd ue', ['sign !accent!', 'note a', 'sign +fermata+', 'note b', 'short .', 'note c', 'short v', 'note d', 'short u', 'note e']];
        yield 'a jump' => ['!D.C.!|', ['sign !D.C.!', 'bar |']];
        yield 'words and chord names' => ['"Am"a "^slowly"b', ['text "Am"', 'note a', 'text "^slowly"', 'note b']];
        yield 'a field in the line' => ['a [K:G]b [M:3/4]c', ['note a', 'field [K:G]', 'note b', 'field [M:3/4]', 'note c']];
        yield 'barlines' => ['|a|b||c|]', ['bar |', 'note a', 'bar |', 'note b', 'bar ||', 'note c', 'bar |]']];
        yield 'repeats' => ['|:a:|:b::c:|', ['bar |:', 'note a', 'bar :|:', 'note b', 'bar ::', 'note c', 'bar :|']];
        yield 'endings' => ['|1 a:|2 b|]', ['bar |1', 'note a', 'bar :|2', 'note b', 'bar |]']];
        yield 'what nobody knows' => ['a#b', ['note a', 'odd #', 'note b']];
        yield 'words beyond the alphabet' => ['"Überall"a', ['text "Überall"', 'note a']];
    }

    /** Lengths are in units of an eighth: 240 ticks where a quarter has 480 of them, whatever the reader's resolution is. */
    #[DataProvider('lengths')]
    public function test_a_length_is_that_many_units(string $length, float $units): void
    {
        self::assertSame((int) (5040 * $units), (new Rhythm(5040))->ticksOf($length));
    }

    /** @return iterable<array{string, float}> */
    public static function lengths(): iterable
    {
        yield ['', 1.0];
        yield ['2', 2.0];
        yield ['3', 3.0];
        yield ['/', 0.5];
        yield ['//', 0.25];
        yield ['/2', 0.5];
        yield ['/4', 0.25];
        yield ['3/2', 1.5];
        yield ['3/4', 0.75];
        yield ['7/4', 1.75];
        yield ['/0', 1.0];
        yield ['99999', 2000.0];
    }

    /** @param array{int, int} $time how many notes in the time of how many */
    #[DataProvider('tuplets')]
    public function test_a_tuplet_takes_the_time_that_its_meter_gives_it(string $sign, Meter $meter, array $time, int $notes): void
    {
        $rhythm = new Rhythm(840);
        self::assertTrue($rhythm->startTuplet($sign, $meter));
        $ends = [];
        for ($note = 1; $note <= $notes; $note++) {
            [$ticks, , $spans] = $rhythm->time(840);
            self::assertSame(intdiv(840 * $time[1], $time[0]), $ticks);
            $ends[] = implode(' ', array_map(static fn (Span $span): string => $span->type, $spans));
        }

        self::assertSame('start', $ends[0]);
        self::assertSame('stop', $ends[$notes - 1]);
        self::assertSame(840, $rhythm->time(840)[0], 'the next note is a plain one');
    }

    /** @return iterable<string, array{string, Meter, array{int, int}, int}> */
    public static function tuplets(): iterable
    {
        [$simple, $compound] = [Meter::of(4, 4), Meter::of(6, 8)];
        yield 'a triplet' => ['(3', $simple, [3, 2], 3];
        yield 'a duplet in six eight' => ['(2', $compound, [2, 3], 2];
        yield 'a quadruplet' => ['(4', $compound, [4, 3], 4];
        yield 'a quintuplet in four' => ['(5', $simple, [5, 2], 5];
        yield 'a quintuplet in six eight' => ['(5', $compound, [5, 3], 5];
        yield 'a sextuplet' => ['(6', $simple, [6, 2], 6];
        yield 'five for four' => ['(5:4', $simple, [5, 4], 5];
        yield 'three for two over two notes' => ['(3:2:2', $simple, [3, 2], 2];
    }

    public function test_a_tuplet_of_one_is_none(): void
    {
        self::assertFalse((new Rhythm(480))->startTuplet('(1', Meter::of(4, 4)));
    }

    /** @param array{int, int} $first */
    #[DataProvider('broken')]
    public function test_one_note_takes_from_the_other(string $sign, array $first, int $second): void
    {
        $rhythm = new Rhythm(480);

        self::assertSame($first, $rhythm->breakNotes($sign));
        self::assertSame($second, $rhythm->time(480)[0]);
        self::assertSame(480, $rhythm->time(480)[0], 'only the next note');
    }

    /** @return iterable<array{string, array{int, int}, int}> */
    public static function broken(): iterable
    {
        yield ['>', [3, 2], 240];
        yield ['<', [1, 2], 720];
        yield ['>>', [7, 4], 120];
        yield ['<<', [1, 4], 840];
    }

    /** @param list<string> $directions */
    #[DataProvider('decorations')]
    public function test_what_a_decoration_says_of_its_place(string $sign, array $directions): void
    {
        $decorations = new Decorations;
        $decorations->add($sign);
        $told = array_map(static fn (Direction $direction): string => implode(' ', array_map(static fn (DirectionSign $one): string => trim("{$one->kind->name} {$one->text}"), $direction->signs)), $decorations->directions(96));

        self::assertSame($directions, $told);
        self::assertSame([], $decorations->directions(96), 'it is said once');
    }

    /** @return iterable<array{string, list<string>}> */
    public static function decorations(): iterable
    {
        foreach (['pppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff', 'sfz'] as $dynamic) {
            yield [$dynamic, ["Dynamics {$dynamic}"]];
        }
        yield ['crescendo(', ['Wedge crescendo']];
        yield ['<(', ['Wedge crescendo']];
        yield ['>(', ['Wedge diminuendo']];
        yield ['>)', ['Wedge stop']];
        yield ['segno', ['Segno']];
        yield ['coda', ['Coda']];
        yield ['fine', ['Words Fine']];
        yield ['D.C.', ['Words D.C.']];
        yield ['D.C.alfine', ['Words D.C. al Fine']];
        yield ['D.S.alcoda', ['Words D.S. al Coda']];
        yield ['accent', []];
        yield ['glitter', []];
    }

    public function test_what_decorations_say_of_their_note(): void
    {
        $decorations = new Decorations;
        array_map($decorations->add(...), ['accent', 'fermata', '4', 'mf']);
        $decorations->add('staccato');
        $decorations->add('downbow');
        $decorations->directions(0);
        $said = $decorations->forNote();
        $technical = $said['technical'] ?? null;

        self::assertEqualsCanonicalizing([Articulation::Accent, Articulation::Staccato], $said['articulations'] ?? []);
        self::assertTrue($said['fermata'] ?? false);
        self::assertInstanceOf(Technical::class, $technical);
        self::assertSame(BowSign::Down, $technical->bow);
        self::assertSame([], $decorations->forNote(), 'the next note has none of it');
    }

    /**
     * @param  list<string>  $right
     * @param  list<int>  $passes
     */
    #[DataProvider('bars')]
    public function test_a_barline(string $text, array $right, bool $repeats, array $passes): void
    {
        $bar = BarSign::of($text);

        self::assertSame($right, array_map(static fn (Barline $line): string => $line->repeat ?? 'plain', $bar->right));
        self::assertSame($repeats, $bar->repeatBegins);
        self::assertSame($passes, $bar->passes);
    }

    /** @return iterable<array{string, list<string>, bool, list<int>}> */
    public static function bars(): iterable
    {
        yield ['|', [], false, []];
        yield ['||', ['plain'], false, []];
        yield ['|]', ['plain'], false, []];
        yield ['|:', [], true, []];
        yield [':|', ['backward'], false, []];
        yield ['::', ['backward'], true, []];
        yield [':|:', ['backward'], true, []];
        yield ['|1', [], false, [1]];
        yield [':|2', ['backward'], false, [2]];
        yield [':|[2', ['backward'], false, [2]];
        yield ['|1,3', [], false, [1, 3]];
        yield ['|1-3', [], false, [1, 2, 3]];
        yield ['|1-3,5', [], false, [1, 2, 3, 5]];
        yield ['|1-999', [], false, range(1, 20)];
    }

    #[DataProvider('keys')]
    public function test_a_key(string $text, int $fifths): void
    {
        self::assertSame($fifths, KeyField::of($text)->key?->fifths);
    }

    /** @return iterable<array{string, int}> */
    public static function keys(): iterable
    {
        yield ['C', 0];
        yield ['D', 2];
        yield ['Bb', -2];
        yield ['F#', 6];
        yield ['Em', 1];
        yield ['Gm', -2];
        yield ['A minor', 0];
        yield ['Ddor', 0];
        yield ['Gmix', 0];
        yield ['A mix', 2];
        yield ['Flyd', 0];
        yield ['Ephr', 0];
        yield ['Bloc', 0];
        yield ['D clef=alto', 2];
        yield ['none', 0];
    }

    public function test_a_unit_is_an_eighth_or_in_short_meters_a_sixteenth(): void
    {
        self::assertSame(Reader::RESOLUTION / 2, Fields::unit('', '4/4'));
        self::assertSame(Reader::RESOLUTION / 2, Fields::unit('', '3/4'));
        self::assertSame(Reader::RESOLUTION / 4, Fields::unit('', '2/4'));
        self::assertSame(Reader::RESOLUTION, Fields::unit('1/4', '2/4'));
        self::assertSame(Reader::RESOLUTION / 2, Fields::unit('1/0', '4/4'));
    }

    /** @param float|null $quarters a minute */
    #[DataProvider('tempos')]
    public function test_a_tempo_is_told_in_quarters(string $text, ?float $quarters): void
    {
        $told = Fields::tempo($text, 0)?->sound['tempo'] ?? null;

        self::assertSame($quarters, is_numeric($told) ? (float) $told : null);
    }

    /** @return iterable<array{string, float|null}> */
    public static function tempos(): iterable
    {
        yield ['1/4=96', 96.0];
        yield ['1/8=120', 60.0];
        yield ['3/8=60', 90.0];
        yield ['1/2 = 50', 100.0];
        yield ['"Lively" 1/4=132', 132.0];
        yield ['88', 88.0];
        yield ['"Slowly"', null];
        yield ['', null];
    }
}
