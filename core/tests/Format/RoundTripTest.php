<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Tests\Support\Samples;
use UprightPencil\Core\Tests\Support\Tune;

final class RoundTripTest extends TestCase
{
    #[DataProvider('scores')]
    public function test_reading_what_was_written_gives_the_same_score(string $musicXml): void
    {
        $score = Reader::read($musicXml)->score;
        $again = Reader::read(Writer::write($score));

        self::assertSame([], $again->warnings);
        self::assertEquals($score, $again->score);
    }

    /** @return iterable<string, array{string}> */
    public static function scores(): iterable
    {
        yield 'everything a part may hold' => [Samples::rich()];
        foreach (glob(dirname(__DIR__, 3).'/demo/*.musicxml') ?: [] as $file) {
            yield basename($file) => [(string) file_get_contents($file)];
        }
    }

    public function test_writing_a_second_time_gives_the_same_bytes(): void
    {
        $once = Writer::write(Reader::read(Samples::rich())->score);

        self::assertSame($once, Writer::write(Reader::read($once)->score));
    }

    public function test_a_score_made_here_survives_the_file(): void
    {
        $score = Tune::score("3/4 2b mf |: (Bb4e C5) D5q' Eb5> | F5h.- :| F5q r Bb4!u");
        $again = Reader::read(Writer::write($score))->score;

        self::assertEquals(self::musicOf($score), self::musicOf($again));
    }

    public function test_children_of_a_note_stand_in_the_order_of_the_schema(): void
    {
        $order = ['grace', 'cue', 'chord', 'pitch', 'unpitched', 'rest', 'duration', 'tie', 'instrument', 'voice', 'type', 'dot', 'accidental', 'time-modification', 'stem', 'notehead', 'staff', 'beam', 'notations', 'lyric'];
        $document = new \DOMDocument;
        $document->loadXML(Writer::write(Reader::read(Samples::rich())->score));
        foreach ($document->getElementsByTagName('note') as $note) {
            $places = [];
            foreach ($note->childNodes as $child) {
                $places[] = array_search($child->nodeName, $order, true);
            }
            $sorted = $places;
            sort($sorted);
            self::assertNotContains(false, $places);
            self::assertSame($sorted, $places);
        }
    }

    /**
     * What the core reads, without the words of the format that carry it.
     *
     * @return list<mixed>
     */
    private static function musicOf(Score $score): array
    {
        $music = [];
        foreach ($score->parts[0]->measures as $measure) {
            $music[] = [$measure->number, $measure->start, $measure->length, $measure->implicit, $measure->meter?->name(), $measure->key?->name()];
            foreach ($measure->notes() as $note) {
                $music[] = $note;
            }
            foreach ($measure->directions() as $direction) {
                $music[] = [$direction->onset, array_map(static fn (DirectionSign $sign): array => [$sign->kind === DirectionKind::Dynamics, $sign->text], $direction->signs)];
            }
            foreach ($measure->barlines as $barline) {
                $music[] = [$barline->place, $barline->repeat, $barline->endings];
            }
        }

        return $music;
    }
}
