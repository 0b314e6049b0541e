<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Bowing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Bowing\BowingContext;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Strokes\Figures;
use UprightPencil\Core\Bowing\Strokes\PrintedBows;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PrintedWords;
use UprightPencil\Core\Marking\SlurMarks;
use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\Dynamics;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\Samples;
use UprightPencil\Core\Tests\Support\Tune;

/** The pieces that bowing is made of, each by itself. */
final class PiecesTest extends TestCase
{
    /**
     * @param  list<array<string, mixed>>  $decisions
     * @param  list<string>  $strokes  ids of the notes of each stroke; “>” before one that is hooked, “~” before a changed one
     */
    #[DataProvider('strokes')]
    public function test_notes_are_grouped_into_strokes(string $tune, array $decisions, array $strokes): void
    {
        self::assertSame($strokes, array_map(self::shown(...), self::read(Tune::score($tune), $decisions)));
    }

    /** @return iterable<string, array{string, list<array<string, mixed>>, list<string>}> */
    public static function strokes(): iterable
    {
        yield 'plain notes' => ['D5q E5', [], ['n1', 'n2']];
        yield 'a slur' => ['(D5q E5) F#5', [], ['n1 n2', 'n3']];
        yield 'a tie' => ['D5q- D5 E5', [], ['n1 n2', 'n3']];
        yield 'dots under a slur' => ["(D5q' E5') F#5", [], ['n1', '>n2', 'n3']];
        yield 'a hook that is decided' => ['D5q E5', [['note' => 'n2', 'action' => 'hook']], ['n1', '>n2']];
        yield 'a join' => ['D5q E5', [['note' => 'n2', 'action' => 'join']], ['n1 n2']];
        yield 'a split' => ['(D5q E5 F#5)', [['note' => 'n3', 'action' => 'split']], ['n1 n2', 'n3']];
        yield 'a struck slur' => ['(D5q E5) (F#5 G5)', [['note' => 'n2', 'action' => 'strike']], ['n1', 'n2', 'n3 n4']];
        yield 'a struck measure' => ['(D5q E5) (F#5 G5) | (D5 E5) D5h', [['measures' => '1', 'action' => 'as-it-comes']], ['n1', 'n2', 'n3', 'n4', 'n5 n6', 'n7']];
        yield 'a change on a whole note' => ['D5w', [['note' => 'n1', 'action' => 'change']], ['n1', '~n1']];
        yield 'a change where a tie goes over the barline' => ['D5w- | D5w', [['note' => 'n2', 'action' => 'change']], ['n1', '~n2']];
        yield 'two changes' => ['D5w- | D5w', [['note' => 'n1', 'action' => 'change', 'times' => 2]], ['n1', '~n1 n2', '~n2']];
        yield 'dotted pairs of a measure' => ['D5q. E5e F#5q. G5e | D5q. E5e D5h', [['measures' => '1', 'action' => 'hook']], ['n1', '>n2', 'n3', '>n4', 'n5', 'n6', 'n7']];
        yield 'pairs of a measure in three' => ['3/4 D5q E5 F#5 | D5 E5 F#5', [['measures' => '2', 'action' => 'pair']], ['n1', 'n2', 'n3', 'n4', 'n5', '>n6']];
        yield 'a retake inside a slur cuts it' => ['(D5q E5 F#5)', [['note' => 'n2', 'action' => 'retake']], ['n1', 'n2 n3']];
        yield 'pizzicato is no stroke' => ['D5q pizz E5 arco F#5', [], ['n1', 'n3']];
    }

    public function test_beats_know_their_places(): void
    {
        $score = Tune::score('A4q | D5q E5 F#5 G5 | 3/4 D5 E5 F#5');
        $beats = new Beats($score->parts[0], $score->resolution);

        self::assertSame(['0', 4.0], $beats->placeAt(0));
        self::assertSame(['1', 3.0], $beats->placeAt(480 + 960));
        self::assertSame([1.0, 0.25, 0.5], [$beats->strengthAt(480), $beats->strengthAt(960), $beats->strengthAt(1440)]);
        self::assertSame([480, 960, 1440], $beats->ticksBetween(1, 1500));
        self::assertSame(1.0, $beats->strengthAt(480 + 1920), 'the new meter starts');
    }

    #[DataProvider('pairs')]
    public function test_dotted_pairs_are_told_from_other_rhythms(string $tune, bool $is): void
    {
        $score = Tune::score($tune);
        [$long, $short] = Line::allOf($score->parts[0])[0]->events;

        self::assertSame($is, Figures::isDottedPair($long, $short, new Beats($score->parts[0], $score->resolution)));
    }

    /** @return iterable<array{string, bool}> */
    public static function pairs(): iterable
    {
        yield ['D5q. E5e', true];
        yield ['D5e. E5s', true];
        yield ['6/8 D5q E5e', true];
        yield ['D5q E5q', false];
        yield ['D5h E5q', false];
        yield ['D5q. re E5e', false];
        yield ['D5h. E5q', false];
        yield ['2/4 D5q E5e', false];
        yield ['6/4 D5h E5q', true];
    }

    public function test_signs_and_words_on_the_page_are_read(): void
    {
        $note = static fn (string $inner = ''): string => Samples::note('D5', 4, 'half', $inner);
        $said = static fn (string $words): string => "<direction><direction-type><words>{$words}</words></direction-type></direction>";
        $held = '<note><pitch><step>D</step><octave>5</octave></pitch><duration>4</duration><tie type="stop"/><voice>1</voice><notations><tied type="stop"/><technical><up-bow/></technical></notations></note>';
        $tied = str_replace('<voice>', '<tie type="start"/><voice>', $note());
        $score = Reader::read(Samples::part('<measure number="1">'.Samples::attributes().$note('<notations><technical><down-bow/></technical></notations>').$said('BP').$note()
            .'</measure><measure number="2">'.$said('retake').$tied.$held.'</measure><measure number="3">'.$said('spiccato').$note().$note().'</measure>'))->score;
        $lines = Line::allOf($score->parts[0]);
        $signs = PrintedBows::of($lines[0]);
        $words = PrintedWords::of($score->parts[0], $lines);

        self::assertSame(['P1-1-1'], array_keys($signs->directions));
        self::assertSame([1920 + 960], array_keys($signs->cuts), 'an up-bow on a held note is a change of bow');
        self::assertSame([
            'P1-1-2' => ['place' => 'BP'],
            'P1-2-1' => ['action' => 'retake', 'place' => 'BP'],
            'P1-2-2' => ['place' => 'BP'],
            'P1-3-1' => ['place' => 'BP', 'stroke' => 'spiccato'],
            'P1-3-2' => ['place' => 'BP', 'stroke' => 'spiccato'],
        ], $words->fields, 'words without a line hold until the next of their kind');
    }

    /**
     * @param  list<array<string, mixed>>  $decisions
     * @param  array<string, string>  $struck
     * @param  array<string, string>  $added
     */
    #[DataProvider('slurs')]
    public function test_what_the_pencil_does_to_slurs(string $tune, array $decisions, array $struck, array $added): void
    {
        $marks = SlurMarks::of(Marked::tune($tune, decisions: $decisions)->part);

        self::assertSame([$struck, $added], [$marks->struck, $marks->added]);
    }

    /** @return iterable<string, array{string, list<array<string, mixed>>, array<string, string>, array<string, string>}> */
    public static function slurs(): iterable
    {
        yield 'nothing' => ['(D5q E5) F#5 G5', [], [], []];
        yield 'a split leaves two pieces' => ['(D5q E5 F#5 G5)', [['note' => 'n3', 'action' => 'split']], ['n1' => 'n4'], ['n1' => 'n2', 'n3' => 'n4']];
        yield 'a piece of one note needs no slur' => ['(D5q E5 F#5) G5', [['note' => 'n3', 'action' => 'split']], ['n1' => 'n3'], ['n1' => 'n2']];
        yield 'as it comes' => ['(D5q E5) (F#5 G5)', [['measures' => '1', 'action' => 'as-it-comes']], ['n1' => 'n2', 'n3' => 'n4'], []];
        yield 'a join' => ['D5q E5 F#5 G5', [['note' => 'n3', 'action' => 'join']], [], ['n2' => 'n3']];
        yield 'a longer join' => ['D5q E5 F#5 G5', [['note' => 'n3', 'action' => 'join'], ['note' => 'n4', 'action' => 'join']], [], ['n2' => 'n4']];
        yield 'dots under a slur stay' => ["(D5q' E5') F#5 G5", [], [], []];
    }

    public function test_a_change_hides_on_a_weak_beat_near_the_middle_and_keeps_every_piece_within_the_bow(): void
    {
        $places = static function (string $tune, int $pieces): array {
            $score = Tune::score($tune);
            $context = self::context($score);
            $stroke = self::read($score, [])[0];

            return array_map($context->time->beats->placeAt(...), $context->time->changes->within($stroke, $pieces));
        };

        self::assertSame([['1', 3.0]], $places('mf =80 D5w | D5w', 2));
        self::assertSame([['1', 4.0]], $places('p =120 D5w- | D5w | D5w', 2), 'not on the barline when there is time');
        self::assertSame([['2', 1.0]], $places('f =66 D5w- | D5w | D5w', 2), 'but there when the bow would not last');
        self::assertSame([['1', 2.0]], $places('3/4 mf =60 D5h. | D5h.', 2));
        self::assertCount(7, $places('ff =60 D5w- | D5w- | D5w- | D5w | D5w', 8));
    }

    /** @param list<array<string, mixed>> $decisions */
    private static function marks(Score $score, array $decisions): BowMarks
    {
        return PartDecisions::of($score->parts[0], array_map(Decision::fromArray(...), $decisions))->orders([])->bowMarks();
    }

    private static function context(Score $score): BowingContext
    {
        return BowingContext::of($score->parts[0], new Beats($score->parts[0], $score->resolution), TempoMap::of($score), Dynamics::of($score->parts[0]), ClassProfile::of(Level::SecondYear), Instrument::Violin, BowingSchool::StrongBeat);
    }

    /**
     * @param  list<array<string, mixed>>  $decisions
     * @return list<Stroke>
     */
    private static function read(Score $score, array $decisions): array
    {
        $context = self::context($score);
        $line = Line::allOf($score->parts[0])[0];

        return $context->strokes($line, $context->reading($line), self::marks($score, $decisions));
    }

    private static function shown(Stroke $stroke): string
    {
        return ($stroke->hooked ? '>' : '').($stroke->changed ? '~' : '').implode(' ', array_map(static fn (Event $event): string => $event->first()->id, $stroke->events));
    }
}
