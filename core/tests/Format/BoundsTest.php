<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\Budget;
use UprightPencil\Core\Format\CleanText;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml\Archive;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Bounds;
use UprightPencil\Core\Tests\Support\Tune;

/** Whatever a file claims: numbers are bounded, text is clean, and what is too large is refused in one sentence, soon. */
final class BoundsTest extends TestCase
{
    #[DataProvider('meters')]
    public function test_what_is_a_meter(string $beats, string $value, bool $is): void
    {
        self::assertSame($is, Bounds::isMeter($beats, $value));
    }

    /** @return iterable<array{string, string, bool}> */
    public static function meters(): iterable
    {
        foreach ([['4', '4'], ['6', '8'], ['3+2', '8'], ['3 + 2 + 2', '16'], ['128', '128'], ['1', '1']] as [$beats, $value]) {
            yield [$beats, $value, true];
        }
        foreach ([['0', '4'], ['4', '0'], ['4', '3'], ['4', '4096'], ['4', '9999999999'], ['2000000000', '4'], ['99999999999999999', '4'], ['3+', '4'], ['-4', '4'], ['4', '-4'], ['100+100', '4'], ['4.5', '4'], ['', '4'], ['4', 'four']] as [$beats, $value]) {
            yield [$beats, $value, false];
        }
    }

    #[DataProvider('tempos')]
    public function test_what_is_a_tempo_and_a_whole_number(mixed $told, ?float $tempo): void
    {
        self::assertSame($tempo, Bounds::tempo($told));
    }

    /** @return iterable<array{mixed, float|null}> */
    public static function tempos(): iterable
    {
        yield from [['96', 96.0], [60.5, 60.5], ['0', null], ['-90', null], ['1e300', null], ['4', null], ['1000', 1000.0], ['fast', null], [null, null], ['NAN', null]];
    }

    public function test_whole_numbers_end_somewhere(): void
    {
        self::assertSame([3, -7, 2, null, null, null, null], array_map(Bounds::whole(...), ['3', '-7', '1.6', '1e300', 'x', null, '99999999999']));
    }

    /** Files with numbers beyond all music are read with a warning or refused in a sentence, and can be marked. */
    #[DataProvider('numbers')]
    public function test_numbers_beyond_all_music_do_no_harm(string $file, ?string $refused): void
    {
        try {
            $score = Music::read($file)->score;
            $marked = PartMarker::mark($score, $score->parts[0], PartDecisions::of($score->parts[0], []), new Settings);
            self::assertNull($refused);
            self::assertCount(count($score->parts[0]->notes()), Reader::read(Writer::write($score))->score->parts[0]->notes(), 'what is kept reads back');
            self::assertNotSame([], $marked->notes);
        } catch (UnreadableMusic $fault) {
            self::assertNotNull($refused, $fault->getMessage());
            self::assertStringContainsString($refused, $fault->getMessage());
        }
    }

    /** @return iterable<string, array{string, string|null}> */
    public static function numbers(): iterable
    {
        $plain = Writer::write(Tune::score('4/4 D4q E4 F#4 G4 | A4h D4'));
        $with = static fn (string $old, string $new): string => str_replace($old, $new, $plain);
        foreach (['4096', '0', '-4', '9999999999', 'x'] as $value) {
            yield "beat type {$value}" => [$with('<beat-type>4<', "<beat-type>{$value}<"), null];
        }
        foreach (['2000000000', '99999999999999999', '0', '3+', '1e9'] as $beats) {
            yield "beats {$beats}" => [$with('<beats>4<', "<beats>{$beats}<"), null];
        }
        foreach (['0', '-1', '1e300', '18446744073709551616', 'NaN', '0x10'] as $divisions) {
            yield "divisions {$divisions}" => [$with('<divisions>480<', "<divisions>{$divisions}<"), 'is not a number of divisions, line '];
        }
        yield 'a tempo of nothing' => [$with('</attributes>', '</attributes><sound tempo="1e-300"/>'), null];
        yield 'a key of a million sharps' => [$with('<fifths>0<', '<fifths>1000000<'), null];
        foreach (['M:4/50000', 'M:2000000000/4', 'M:99999999999999999/4', 'L:1/99999999', 'L:0/0', 'L:99999999999999999999/1', 'Q:1/0=96', 'Q:1/4=999999999999'] as $field) {
            yield "ABC {$field}" => ["X:1\nT:t\n{$field}\nK:D\nD2 E2 F2 G2|A4 D4|\n", null];
        }
        yield 'ABC broken 63 times' => ["X:1\nT:t\nK:D\nD".str_repeat('>', 63)."E F G|\n", null];
        yield 'ABC rests without end' => ["X:1\nT:t\nK:D\nZ999999999|D E F G|\n", null];
    }

    #[DataProvider('tooLarge')]
    public function test_what_is_too_large_is_refused_soon_and_in_one_sentence(string $bytes, string $sentence): void
    {
        $before = memory_get_peak_usage();
        try {
            Music::read($bytes);
            self::fail('It was read.');
        } catch (UnreadableMusic $fault) {
            self::assertStringContainsString($sentence, $fault->getMessage());
        }
        self::assertLessThan(200_000_000, memory_get_peak_usage() - $before);
    }

    /** @return iterable<string, array{string, string}> */
    public static function tooLarge(): iterable
    {
        $score = static fn (string $inside): string => "<score-partwise><part-list><score-part id=\"P1\"><part-name>Violin</part-name></score-part></part-list>{$inside}</score-partwise>";
        $note = '<note><pitch><step>A</step><octave>4</octave></pitch><duration>1</duration></note>';
        $nothing = '<score-partwise>'.str_repeat('<a/>', Budget::MOST_ELEMENTS + 10).'</score-partwise>';
        yield 'nothing but elements' => [$nothing, '800,000 elements'];
        yield 'the same in an archive' => [Archive::pack($nothing), '800,000 elements'];
        yield 'a measure without end' => [$score('<part id="P1"><measure number="1">'.str_repeat($note, 1001).'</measure></part>'), 'Measure 1 of part P1 has more than 1,000 notes'];
        yield 'measures without end' => [$score('<part id="P1">'.str_repeat('<measure/>', 2501).'</part>'), 'more than 2,500 measures'];
        yield 'notes without end' => [$score('<part id="P1">'.str_repeat('<measure>'.str_repeat($note, 16).'</measure>', 700).'</part>'), 'Part Violin has more than 10,000 notes'];
        yield 'parts without end' => [$score(str_repeat('<part id="P1"><measure/></part>', 101)), 'more than 100 parts'];
        yield 'ABC: a line without end' => ["X:1\nT:t\nK:D\n".str_repeat('D', 100_001), 'Line 4 is longer than 100,000 characters'];
        yield 'ABC: a measure without end' => ["X:1\nT:t\nK:D\n".str_repeat('D', 1001), 'more than 1,000 notes'];
        yield 'ABC: measures without end' => ["X:1\nT:t\nK:D\n".str_repeat(str_repeat('D4|', 100)."\n", 26), 'more than 2,500 measures'];
    }

    public function test_no_two_parts_have_one_id(): void
    {
        $part = '<part id="P1"><measure number="1"><attributes><divisions>1</divisions></attributes><note><pitch><step>A</step><octave>4</octave></pitch><duration>4</duration></note></measure></part>';
        $score = Reader::read("<score-partwise><part-list><score-part id=\"P1\"><part-name>Violin</part-name></score-part></part-list>{$part}{$part}".str_replace('P1', 'P1.2', $part).str_replace('id="P1"', 'id="no id"', $part).'</score-partwise>')->score;

        self::assertSame(['P1', 'P1.2', 'P1.2.2', 'P4'], array_map(static fn ($part): string => $part->id, $score->parts));
    }

    #[DataProvider('dirt')]
    public function test_text_is_clean_when_it_comes_in(string $dirty, string $clean): void
    {
        self::assertSame($clean, CleanText::line($dirty));
        $score = Music::read("X:1\nT:{$dirty}\nC:{$dirty}\nV:1 name=\"{$dirty}\"\nK:D\n\"^{$dirty}\"D E F G|\n")->score;
        self::assertSame([$clean, $clean], [$score->title, $score->composer]);
        self::assertSame($score->title, Reader::read(Writer::write($score))->score->title, 'and goes out as XML');
    }

    /** Old ABC files are in Latin-1, and say so or not; elsewhere such bytes are nothing that we can show. */
    public function test_bytes_that_are_no_utf_8(): void
    {
        self::assertSame('Slate ?? Hill', CleanText::line("Slate \xff\xfe Hill"));
        self::assertSame('Über den Hügel', Music::read("X:1\nT:\xdcber den H\xfcgel\nK:D\nD E F G|\n")->score->title);
    }

    /** @return iterable<string, array{string, string}> */
    public static function dirt(): iterable
    {
        yield 'nothing wrong' => ['Über den Hügel', 'Über den Hügel'];
        yield 'a null byte' => ["Slate\0 Hill", 'Slate Hill'];
        yield 'control characters' => ["Sl\x01\x02ate\x1f Hill\x7f", 'Slate Hill'];
        yield 'signs that XML forbids' => ["Slate\u{FFFE} Hill\u{FFFF}", 'Slate Hill'];
        yield 'many spaces' => ["  Slate \t  Hill ", 'Slate Hill'];
    }
}
