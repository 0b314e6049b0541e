<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\Summary;
use UprightPencil\Core\Marking\TransferSheet;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Tests\Support\Samples;

/** Files as they come: odd, damaged, of other instruments. Nothing crashes, no note is lost or invented. */
final class RoughMusicTest extends TestCase
{
    #[DataProvider('dialects')]
    public function test_every_head_of_a_dialect_is_kept_and_marked_without_a_crash(string $musicXml, int $heads): void
    {
        $reading = Reader::read($musicXml);
        $parts = Summary::of($reading)['parts'];

        self::assertSame($heads, array_sum(array_column($parts, 'notes')));
        self::assertEquals($reading->score, Reader::read(Writer::write($reading->score))->score);
        foreach ($reading->score->parts as $part) {
            $marked = PartMarker::mark($reading->score, $part, PartDecisions::of($part, []), new Settings);
            self::assertCount(count(array_filter($part->notes(), static fn (Note $note): bool => $note->sounds())), $marked->notes);
            self::assertLessThanOrEqual(6 * count($marked->notes), count(TransferSheet::of($marked)->lines));
            $out = Reader::read(Writer::write(MarkedScore::of($reading->score, [$marked])))->score->part($part->id);
            self::assertNotNull($out);
            self::assertSame(self::pitches($part), self::pitches($out));
        }
    }

    /** @return iterable<string, array{string, int}> */
    public static function dialects(): iterable
    {
        $n = Samples::note(...);
        $a = Samples::attributes();
        yield 'no numbers, no voices, no types' => [Samples::part("<measure>{$a}<note><pitch><step>A</step><octave>4</octave></pitch><duration>8</duration></note></measure><measure><note><rest/><duration>8</duration></note></measure>"), 1];
        yield 'grace notes in a chord' => [Samples::part("<measure number=\"1\">{$a}".$n('D5', 0, 'eighth', '', '<grace/>').$n('F#5', 0, 'eighth', '', '<grace/><chord/>').$n('E5', 8, 'whole').'</measure>'), 3];
        yield 'a grace note at the very end' => [Samples::part("<measure number=\"1\">{$a}".$n('E5', 8, 'whole').$n('D5', 0, 'eighth', '', '<grace/>').'</measure>'), 2];
        yield 'drums' => [Samples::part("<measure number=\"1\">{$a}<note><unpitched><display-step>E</display-step><display-octave>4</display-octave></unpitched><duration>8</duration><voice>1</voice></note></measure>", 'Snare Drum'), 1];
        yield 'a clarinet that transposes' => [Samples::part('<measure number="1">'.str_replace('</attributes>', '<transpose><diatonic>-1</diatonic><chromatic>-2</chromatic></transpose></attributes>', $a).$n('E5', 8, 'whole').'</measure>', 'Clarinet in B♭'), 1];
        yield 'three voices' => [Samples::part("<measure number=\"1\">{$a}".$n('E5', 8).'<backup><duration>8</duration></backup>'.str_replace('<voice>1</voice>', '<voice>2</voice>', $n('C5', 8)).'<backup><duration>8</duration></backup><forward><duration>4</duration></forward>'.str_replace('<voice>1</voice>', '<voice>3</voice>', $n('A4', 4)).'</measure>'), 3];
        yield 'hidden notes and rests' => [Samples::part("<measure number=\"1\">{$a}".str_replace('<note>', '<note print-object="no">', $n('E5', 4)).Samples::rest(4).'</measure>'), 1];
        yield 'quarter tones' => [Samples::part("<measure number=\"1\">{$a}".str_replace('<step>E</step>', '<step>E</step><alter>-0.5</alter>', $n('E5', 8)).'</measure>'), 1];
        yield 'an empty part beside a full one' => [str_replace(['</part-list>', '</score-partwise>'], ['<score-part id="P2"><part-name/></score-part></part-list>', '<part id="P2"/></score-partwise>'], Samples::part("<measure number=\"1\">{$a}".$n('E5', 8).'</measure>')), 1];
        yield 'a part that is not listed' => [str_replace('<part id="P1">', '<part id="Other">', Samples::part("<measure number=\"1\">{$a}".$n('E5', 8).'</measure>')), 1];
        yield 'slurs that never end and ends that never began' => [Samples::part("<measure number=\"1\">{$a}".$n('E5', 4, '', '<notations><slur type="start" number="3"/><slur type="stop" number="2"/></notations>').$n('F5', 4, '', '<notations><slur type="continue" number="3"/></notations>').'</measure>'), 2];
        yield 'a tie to nothing' => [Samples::part("<measure number=\"1\">{$a}".str_replace('<voice>', '<tie type="start"/><voice>', $n('E5', 8)).'</measure><measure number="2">'.$n('A4', 8).'</measure>'), 2];
        yield 'chords of four notes' => [Samples::part("<measure number=\"1\">{$a}".$n('G3', 8).$n('D4', 8, '', '', '<chord/>').$n('B4', 8, '', '', '<chord/>').$n('G5', 8, '', '', '<chord/>').'</measure>'), 4];
        yield 'a two-note tremolo and a trill' => [Samples::part("<measure number=\"1\">{$a}".$n('E5', 4, 'half', '<notations><ornaments><tremolo type="start">3</tremolo></ornaments></notations>').$n('G5', 4, 'half', '<notations><ornaments><tremolo type="stop">3</tremolo><trill-mark/></ornaments></notations>').'</measure>'), 2];
        yield 'a meter of two signatures' => [Samples::part('<measure number="1">'.Samples::attributes(2, 0, '<beats>2</beats><beat-type>4</beat-type><beats>3</beats><beat-type>8</beat-type>').$n('E5', 4).$n('A4', 3).'</measure>'), 2];
        yield 'senza misura' => [Samples::part('<measure number="1">'.Samples::attributes(2, 0, '<senza-misura/>').$n('E5', 24).'</measure>'), 1];
        yield 'repeats with nothing to repeat' => [Samples::part("<measure number=\"1\">{$a}".$n('E5', 8).'<barline location="right"><ending number="2" type="stop"/><repeat direction="backward" times="4"/></barline></measure><measure number="2">'.$n('A4', 8).'<barline location="right"><repeat direction="backward"/></barline></measure>'), 2];
    }

    #[DataProvider('seeds')]
    public function test_a_damaged_file_is_read_or_refused_and_never_crashes(int $seed): void
    {
        $random = new Randomizer(new Mt19937($seed));
        for ($round = 0; $round < 12; $round++) {
            try {
                $reading = Music::read(self::damaged(Samples::rich(), $random));
            } catch (UnreadableMusic $fault) {
                self::assertMatchesRegularExpression('/[.]$/', $fault->getMessage());

                continue;
            }
            foreach ($reading->score->parts as $part) {
                $marked = PartMarker::mark($reading->score, $part, PartDecisions::of($part, []), new Settings);
                self::assertCount(count($reading->score->parts), Reader::read(Writer::write(MarkedScore::of($reading->score, [$marked])))->score->parts);
            }
            self::assertCount(count($reading->score->parts), Summary::of($reading)['parts']);
        }
    }

    /** @return iterable<array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 25) as $seed) {
            yield [$seed];
        }
    }

    /** Takes elements out, doubles them, empties them, or changes their text. */
    private static function damaged(string $musicXml, Randomizer $random): string
    {
        $document = new \DOMDocument;
        $document->loadXML($musicXml);
        for ($times = $random->getInt(1, 6); $times > 0; $times--) {
            $elements = iterator_to_array($document->getElementsByTagName('*'), false);
            $element = $elements[$random->getInt(1, count($elements) - 1)];
            match ($random->getInt(0, 3)) {
                0 => $element->parentNode?->removeChild($element),
                1 => $element->parentNode?->insertBefore($element->cloneNode(true), $element),
                2 => $element->textContent = '',
                default => $element->textContent = ['-7', 'zwei', '0', '999999', "\u{1F3BB}"][$random->getInt(0, 4)],
            };
        }

        return (string) $document->saveXML();
    }

    /** @return list<string|null> */
    private static function pitches(Part $part): array
    {
        return array_map(static fn (Note $note): ?string => $note->pitch?->name(), $part->notes());
    }
}
