<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\MusicXml\Archive;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Tests\Support\Samples;
use UprightPencil\Core\Tests\Support\Tune;

final class BadInputTest extends TestCase
{
    #[DataProvider('marked')]
    public function test_a_byte_order_mark_wins_over_the_encoding_that_is_declared(string $bytes): void
    {
        self::assertSame('Étude', Reader::read($bytes)->score->title);
    }

    /** @return iterable<string, array{string}> */
    public static function marked(): iterable
    {
        $file = static fn (string $declared): string => str_replace('encoding="UTF-8"', "encoding=\"{$declared}\"", Writer::write(Tune::score('D4w')->with(title: 'Étude')));
        yield 'UTF-8 that says UTF-16' => ["\xEF\xBB\xBF".$file('UTF-16')];
        yield 'UTF-16 that says UTF-8' => ["\xFF\xFE".mb_convert_encoding($file('UTF-8'), 'UTF-16LE', 'UTF-8')];
        yield 'UTF-16, the other way round, that says Latin-1' => ["\xFE\xFF".mb_convert_encoding($file('ISO-8859-1'), 'UTF-16BE', 'UTF-8')];
    }

    #[DataProvider('badFiles')]
    public function test_a_bad_file_gets_one_clear_sentence(string $bytes, string $sentence): void
    {
        $this->expectExceptionObject(new UnreadableMusic($sentence));
        Reader::read($bytes);
    }

    /** @return iterable<string, array{string, string}> */
    public static function badFiles(): iterable
    {
        yield 'nothing' => ['', 'This file is empty.'];
        yield 'a letter' => ['Dear director, here is the part.', 'This is not a music file that we read: it is neither MusicXML (plain or zipped) nor ABC.'];
        yield 'a picture' => ["\x89PNG\r\n\x1a\n\0\0\0", 'This is not a music file that we read: it is neither MusicXML (plain or zipped) nor ABC.'];
        yield 'half a zip' => [substr(Archive::pack(Samples::rich()), 0, 900), 'This .mxl file is damaged: it is not a whole zip archive.'];
        yield 'half a score' => [substr(Samples::rich(), 0, 1500), 'This file is cut off: it ends at line 3 before the score does.'];
        yield 'a web page' => ['<html><body/></html>', 'This is an XML file but not MusicXML: it starts with <html>, line 1.'];
        yield 'broken tags' => ['<score-partwise><part></measure></score-partwise>', 'This file is not well-formed XML: line 1 is where reading it fails.'];
        yield 'no parts' => ['<score-partwise version="4.0"><part-list/></score-partwise>', 'This score is empty: it has no parts.'];
        yield 'no measures' => [Samples::part(''), 'This score is empty: its parts have no measures.'];
        yield 'divisions of nothing' => [Samples::part('<measure number="1">'.Samples::attributes(0).'</measure>'), '“0” is not a number of divisions, line 3.'];
        yield 'too large' => [str_repeat(' ', Archive::MOST_BYTES + 1), 'This file is over 20 MB; a score this large is refused.'];
        yield 'entities' => ['<!DOCTYPE a [<!ENTITY b SYSTEM "file:///etc/passwd">]><score-partwise>&b;</score-partwise>', 'This file defines XML entities; for safety such files are refused.'];
        yield 'too many entries' => [self::zipOf(array_fill(0, Archive::MOST_ENTRIES + 1, 'x')), 'This .mxl file holds more than 200 entries; it was not unpacked.'];
        yield 'a zip bomb' => [self::zipOf([str_repeat("\0", Archive::MOST_UNPACKED_BYTES + 1)]), 'This .mxl file would unpack to more than 100 MB; it was not unpacked.'];
        yield 'a zip of something else' => [self::zipOf(['hello']), 'This .mxl file holds no score.'];
    }

    public function test_an_xml_bomb_is_refused_at_once(): void
    {
        $bomb = '<!DOCTYPE z [<!ENTITY a "ha">';
        for ($level = 1; $level < 20; $level++) {
            $bomb .= '<!ENTITY a'.$level.' "'.str_repeat('&a'.($level - 1 ?: '').';', 10).'">';
        }
        $memory = memory_get_usage();

        try {
            Reader::read($bomb.']><score-partwise>&a19;</score-partwise>');
            self::fail('The bomb was read.');
        } catch (UnreadableMusic $fault) {
            self::assertStringContainsString('entities', $fault->getMessage());
            self::assertLessThan(10_000_000, memory_get_usage() - $memory);
        }
    }

    public function test_odd_contents_are_warned_about_and_the_rest_is_used(): void
    {
        $measure = '<measure number="1">'.Samples::attributes(2, 0, '<beats>x</beats><beat-type>4</beat-type>')
            .'<note><pitch><step>H</step><octave>4</octave></pitch><duration>2</duration></note>'
            .'<note><pitch><step>A</step><octave>4</octave></pitch><duration>two</duration></note>'
            .'<note><pitch><step>B</step><octave>4</octave></pitch><type>quarter</type></note>'
            .'<backup><duration>99</duration></backup>'.Samples::note('C5', 4, 'half').'</measure>';
        $reading = Reader::read(Samples::part($measure));

        self::assertCount(4, $reading->score->parts[0]->notes());
        self::assertSame([
            'The meter x/4 is not one that we know; its measures are not checked.',
            'There is no pitch H4. The note is kept without its pitch.',
            '“two” is not a duration; it was taken as none.',
            'A note has no duration; its written value was used.',
            'The file steps back before the start of this measure; it was taken as the start.',
        ], array_map(static fn ($warning): string => $warning->message, $reading->warnings));
    }

    /** @param list<string> $files */
    private static function zipOf(array $files): string
    {
        $name = (string) tempnam(sys_get_temp_dir(), 'zip');
        $zip = new \ZipArchive;
        $zip->open($name, \ZipArchive::OVERWRITE);
        foreach ($files as $index => $contents) {
            $zip->addFromString("entry{$index}.txt", $contents);
        }
        $zip->close();
        $bytes = (string) file_get_contents($name);
        unlink($name);

        return $bytes;
    }
}
