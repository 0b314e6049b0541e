<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Ensemble\PieceMarker;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\TransferSheet;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\OrderOfPerformance;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\Tune;

/** What is cut, what is not repeated, and how everything else follows. */
final class PerformedTest extends TestCase
{
    /** Measure 2 has an odd number of strokes, so that what comes after it turns with it. */
    private const TUNE = '4/4 2# D5q E5 F#5 G5 | A5h. A5q | A5h. D5q | G5q F#5 E5 D5';

    public function test_a_cut_changes_the_bow_after_it(): void
    {
        $settings = static fn (array $order): Settings => new Settings(ClassProfile::of(Level::SecondYear), Instrument::Violin, planning: false, order: OrderOfPerformance::fromArray($order));
        $tune = '4/4 D5q E5 F#5 G5 | A5h D5q D5 | G5q F#5 E5 D5';

        self::assertSame('D U D U D U D U D U D', Marked::tune($tune, settings: $settings([]))->bows());
        self::assertSame('D U D U D U D U', Marked::tune($tune, settings: $settings(['cuts' => [['from' => '2', 'to' => '2']]]))->bows());
    }

    public function test_the_bow_is_planned_across_a_cut_as_if_the_print_went_on_so(): void
    {
        $cut = self::marked(self::TUNE, ['cuts' => [['from' => '2', 'to' => '3']]]);
        $short = self::marked('4/4 2# D5q E5 F#5 G5 | G5q F#5 E5 D5', []);

        self::assertSame($short->bows(), $cut->bows());
        self::assertSame($short->fingers(), $cut->fingers());
        self::assertSame(['1', '1', '1', '1', '4', '4', '4', '4'], array_map(static fn (NoteMark $mark): string => $mark->place->measure, $cut->part->notes));
    }

    public function test_every_section_of_a_piece_follows_a_cut(): void
    {
        $score = Reader::read((string) file_get_contents(dirname(__DIR__, 3).'/demo/over-slate-hill.musicxml'))->score;
        $order = OrderOfPerformance::fromArray(['cuts' => [['from' => '9', 'to' => '16']]]);
        $marked = self::piece($score, $order);
        $left = self::piece(Reader::read(Writer::write($order->ofAll($score)))->score, OrderOfPerformance::asPrinted());

        foreach ($marked as $index => $part) {
            self::assertSame(self::bows($left[$index]), self::bows($part), $part->part->name);
        }
    }

    public function test_a_repeat_that_is_not_taken_is_followed_once(): void
    {
        $marked = self::marked('4/4 D5q E5 F#5 G5 |: A5h B5 | D5h. r :| G5w', ['straight' => ['3']]);

        self::assertSame([], array_filter($marked->part->findings, static fn ($finding): bool => $finding->code === 'repeat-mismatch'));
        self::assertCount(8, $marked->part->notes);
    }

    public function test_the_count_of_a_rest_skips_what_is_cut(): void
    {
        $tune = '4/4 A4w | rw | rw | rw | A4q B4 C5 D5';
        $counted = static fn (array $order): string => implode(' ', array_column(TransferSheet::of(self::marked($tune, $order, [['note' => 'n5', 'count' => true]])->part)->lines, 'words'));

        self::assertStringContainsString('count 3 measures', $counted([]));
        self::assertStringContainsString('count 1 measure ', $counted(['cuts' => [['from' => '2', 'to' => '3']]]).' ');
    }

    public function test_the_sheet_begins_with_what_is_not_played(): void
    {
        $sheet = TransferSheet::of(self::marked(self::TUNE, ['cuts' => [['from' => '2', 'to' => '3']]])->part);

        self::assertSame(['', 'order', 'Cut measures 2 to 3: go on at 4.'], [$sheet->lines[0]->measure, $sheet->lines[0]->kind, $sheet->lines[0]->words]);
        self::assertSame([], array_intersect(['2', '3'], array_column($sheet->lines, 'measure')));
    }

    public function test_what_is_cut_stays_in_the_file_and_is_said_over_it(): void
    {
        $score = Tune::score(self::TUNE);
        $marked = self::marked(self::TUNE, ['cuts' => [['from' => '2', 'to' => '3']]])->part;
        $written = Reader::read(Writer::write(MarkedScore::of($score, [$marked])))->score->parts[0];

        self::assertCount(4, $written->measures);
        self::assertSame([['not played'], [], ['play']], array_map(self::words(...), array_slice($written->measures, 1)));
    }

    public function test_a_decision_in_a_cut_waits_until_the_cut_is_gone(): void
    {
        $decided = [['note' => 'n5', 'direction' => 'up', 'finger' => 4, 'string' => 'A']];

        self::assertStringNotContainsString('n5', (string) json_encode(self::marked(self::TUNE, ['cuts' => [['from' => '2', 'to' => '3']]], $decided)->part->toArray()));
        self::assertSame('U', explode(' ', self::marked(self::TUNE, [], $decided)->bows())[4]);
    }

    /**
     * @param  array<mixed>  $order
     * @param  list<array<string, mixed>>  $decisions
     */
    private static function marked(string $tune, array $order, array $decisions = []): Marked
    {
        return Marked::tune($tune, decisions: $decisions, settings: new Settings(ClassProfile::of(Level::SecondYear), Instrument::Violin, order: OrderOfPerformance::fromArray($order)));
    }

    /** @return list<MarkedPart> */
    private static function piece(Score $score, OrderOfPerformance $order): array
    {
        $none = array_map(static fn (Part $part): PartDecisions => PartDecisions::of($part, []), $score->parts);

        return PieceMarker::mark($score, $score->parts, $none, array_fill(0, count($score->parts), new Settings(ClassProfile::of(Level::SecondYear), order: $order)));
    }

    private static function bows(MarkedPart $part): string
    {
        return implode('', array_map(static fn (NoteMark $mark): string => $mark->bow?->direction?->value[0] ?? '-', $part->notes));
    }

    /** @return list<string> */
    private static function words(Measure $measure): array
    {
        return array_values(array_map(static fn ($direction): string => $direction->words(), array_filter($measure->directions(), static fn ($direction): bool => $direction->has(DirectionKind::Words))));
    }
}
