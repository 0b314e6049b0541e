<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\Abc\Reader;
use UprightPencil\Core\Format\Abc\Writer;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\PlayingOrder;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\Span;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Tests\Support\Tune;

final class AbcTest extends TestCase
{
    private const HEAD = "X:1\nT:Heron Lane\nC:Us\nM:4/4\nL:1/8\nQ:1/4=88\nK:D\n";

    #[DataProvider('lines')]
    public function test_notes_are_read(string $line, string $notes): void
    {
        self::assertSame($notes, self::sung(Reader::read(self::HEAD.$line)->score));
    }

    /** @return iterable<string, array{string, string}> pitches with their length in quarters */
    public static function lines(): iterable
    {
        yield 'octaves and the key' => ['D, C c c\'|', 'D3:0.5 C#4:0.5 C#5:0.5 C#6:0.5'];
        yield 'lengths' => ['A2 A A/ A/4 A3/2 A//|', 'A4:1 A4:0.5 A4:0.25 A4:0.125 A4:0.75 A4:0.125'];
        yield 'accidentals hold to the barline' => ['=c2 c2 ^^c2 _c2|c8|', 'C5:1 C5:1 C##5:1 Cb5:1 C#5:4'];
        yield 'an accidental holds in its octave only' => ['=c2 C2|', 'C5:1 C#4:1'];
        yield 'rests' => ['A2 z2 x4|Z|A8|', 'A4:1 r:1 r:2 r:4 A4:4'];
        yield 'broken rhythm' => ['A>B A<B A2>>B2|', 'A4:0.75 B4:0.25 A4:0.25 B4:0.75 A4:1.75 B4:0.25'];
        yield 'triplets' => ['(3ABc d6|', 'A4:0.333 B4:0.333 C#5:0.333 D5:3'];
        yield 'chords' => ['[DA]4 [D2A2]2|', 'D4:2 +A4:2 D4:2 +A4:2'];
        yield 'grace notes' => ['{Bc}d8|', 'B4:0 C#5:0 D5:4'];
        yield 'a key change' => ['c8|[K:F]b8|', 'C#5:4 Bb5:4'];
        yield 'a unit change' => ['A2 [L:1/4]A2|', 'A4:1 A4:2'];
    }

    public function test_signs_are_read(): void
    {
        $notes = Reader::read(self::HEAD.'(uA .B) !2!v!>!c !0!d- | d4 !fermata!"^pizz."e4 |')->score->parts[0]->notes();

        self::assertSame(['start'], array_map(static fn (Span $slur): string => $slur->type, $notes[0]->slurs));
        self::assertSame('up', $notes[0]->technical->bow?->value);
        self::assertSame('staccato', $notes[1]->articulations[0]->value);
        self::assertSame(['2', 'down', 'accent'], [$notes[2]->technical->finger, $notes[2]->technical->bow?->value, $notes[2]->articulations[0]->value]);
        self::assertTrue($notes[3]->technical->open);
        self::assertSame(['start', 'stop'], [$notes[3]->tie(), $notes[4]->tie()]);
        self::assertTrue($notes[5]->fermata);
    }

    #[DataProvider('fingers')]
    public function test_fingers_are_read_and_written(string $abc, ?string $finger, bool $open, bool $harmonic): void
    {
        $score = Reader::read(self::HEAD."{$abc}A2 B2 c4|")->score;
        $technical = $score->parts[0]->notes()[0]->technical;

        self::assertSame([$finger, $open, $harmonic], [$technical->finger, $technical->open, $technical->harmonic]);
        self::assertEquals($technical, Reader::read(Writer::write($score))->score->parts[0]->notes()[0]->technical);
    }

    /** @return iterable<string, array{string, string|null, bool, bool}> */
    public static function fingers(): iterable
    {
        yield 'a finger' => ['!3!', '3', false, false];
        yield 'an open string' => ['!0!', null, true, false];
        yield 'an open string as a circle' => ['!open!', null, true, false];
        yield 'a harmonic' => ['!4!!open!', '4', false, true];
        yield 'a choice of two' => ['!0!!4!', '0 4', false, false];
    }

    public function test_repeats_endings_and_the_heading_are_read(): void
    {
        $score = Reader::read(self::HEAD."A2|:d8|e8|1f8:|2g8|]\n")->score;

        self::assertSame(['Heron Lane', 'Us'], [$score->title, $score->composer]);
        self::assertSame(88.0, TempoMap::of($score)->first());
        self::assertSame(['0', '1', '2', '3', '4'], array_map(static fn ($measure): string => $measure->number, $score->parts[0]->measures));
        self::assertSame([0, 1, 2, 3, 1, 2, 4], PlayingOrder::of($score->parts[0])->measures());
    }

    public function test_voices_are_parts(): void
    {
        $score = Reader::read("X:1\nM:2/4\nK:G\nV:1 name=\"Violin 1\"\nV:2 name=Cello clef=bass\n[K:G]\nV:1\nG4|\nV:2\nG,,4|\n")->score;

        self::assertSame(['Violin 1', 'Cello'], array_map(static fn ($part): string => $part->name, $score->parts));
        self::assertSame('bass', $score->parts[1]->clefs()[0]->name());
    }

    public function test_notes_that_stand_together_share_a_beam(): void
    {
        $beams = array_map(static fn (Note $note): string => strip_tags($note->kept['beam'] ?? '-'), Reader::read(self::HEAD.'ABc d ef g2|')->score->parts[0]->notes());

        self::assertSame(['begin', 'continue', 'end', '-', 'begin', 'end', '-'], $beams);
    }

    public function test_what_is_odd_is_warned_about(): void
    {
        $reading = Reader::read(self::HEAD."A8|A6 # B4|c8) |A8|\n");

        self::assertSame(['“#” is not ABC that we know; it was left out.', 'A slur ends here that was not begun; it was left out.', 'Measure 2 holds 5 beats; the meter 4/4 has 4.'], array_map(static fn ($warning): string => $warning->message, $reading->warnings));
        self::assertSame(8, $reading->warnings[0]->line);
    }

    public function test_a_tune_without_notes_is_refused(): void
    {
        $this->expectException(UnreadableMusic::class);
        Music::read(self::HEAD);
    }

    #[DataProvider('scores')]
    public function test_what_is_written_reads_as_the_same_music(Score $score): void
    {
        $again = Music::read(Writer::write($score));

        self::assertSame([], $again->warnings);
        foreach ($score->parts as $index => $part) {
            self::assertSame(self::sung($score, $index), self::sung($again->score, $index));
            self::assertSame(PlayingOrder::of($part)->measures(), PlayingOrder::of($again->score->parts[$index])->measures());
            self::assertSame($part->clefs()[0]->name(), $again->score->parts[$index]->clefs()[0]->name());
        }
    }

    /** @return iterable<string, array{Score}> */
    public static function scores(): iterable
    {
        yield 'signs and slurs' => [Tune::score("3/4 2b mf Bb3q | (Bb4e C5) D5q' Eb5> | F5h.- | |: F5q r Bb4!u | (G4q +D5 A4 B4) :| C5h.")];
        yield 'endings' => [Tune::score('2# | |: D4w |1 E4w :| |2 F#4w')];
        foreach (glob(dirname(__DIR__, 3).'/demo/*.musicxml') ?: [] as $file) {
            yield basename($file) => [MusicXml\Reader::read((string) file_get_contents($file))->score];
        }
    }

    private static function sung(Score $score, int $part = 0): string
    {
        return implode(' ', array_map(
            static fn (Note $note): string => ($note->chord ? '+' : '').($note->rest ? 'r' : (string) $note->pitch?->name()).':'.round($note->duration / $score->resolution, 3),
            $score->parts[$part]->notes(),
        ));
    }
}
