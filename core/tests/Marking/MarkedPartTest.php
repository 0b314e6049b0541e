<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\SheetLine;
use UprightPencil\Core\Marking\TransferSheet;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\Samples;
use UprightPencil\Core\Tests\Support\Tune;

/** What leaves the core: pencil layer, transfer sheet, marked MusicXML. */
final class MarkedPartTest extends TestCase
{
    public function test_the_pencil_layer_holds_only_what_is_written_and_not_printed_already(): void
    {
        $drawn = Marked::tune('2# | D4q!d E4 F#4 G4 | A4 B4 C5 B4')->drawn();

        self::assertSame([
            ['n2', 'finger', '1', false],
            ['n7', 'finger', 'L2', false],
        ], array_map(static fn (DrawnMark $mark): array => [$mark->note->note->id, $mark->kind->name(), $mark->text, $mark->decided], $drawn));
    }

    public function test_decisions_are_told_apart_from_proposals(): void
    {
        $drawn = Marked::tune('2# | D4q E4 F#4 G4', decisions: [['note' => 'n3', 'finger' => 2], ['note' => 'n4', 'direction' => 'up']])->drawn();
        $told = array_map(static fn (DrawnMark $mark): string => "{$mark->note->note->id} {$mark->kind->name()} ".($mark->decided ? 'decided' : 'proposed'), $drawn);

        self::assertSame(['n1 direction proposed', 'n2 finger proposed', 'n3 finger decided', 'n4 direction decided'], $told);
    }

    public function test_a_proposed_mark_can_be_taken_off_the_page(): void
    {
        $decisions = [['note' => 'n1', 'bowMark' => false], ['note' => 'n2', 'fingerMark' => false]];

        self::assertSame([], Marked::tune('2# | D4q E4 F#4 G4', decisions: $decisions)->drawn());
    }

    public function test_the_transfer_sheet_says_what_to_pencil_where(): void
    {
        $sheet = TransferSheet::of(Marked::tune('2# | D4q E4 F#4 G4 | A4e. A4 B4q r', decisions: [['note' => 'n4', 'action' => 'hook'], ['note' => 'n6', 'finger' => 4, 'direction' => 'down']])->part);

        $said = array_map(static fn (SheetLine $line): string => "{$line->measure}/{$line->beat} {$line->pitch} {$line->kind} {$line->words}", $sheet->lines);
        self::assertSame('1/1 D4 bow down-bow', $said[0]);
        self::assertContains('1/4 G4 hook hook to 1: 3', $said);
        self::assertContains('2/1.75 A4 bow down-bow', $said);
        self::assertContains('2/1.75 A4 finger finger 4', $said);
    }

    public function test_marks_go_out_as_musicxml_and_come_back(): void
    {
        $score = Tune::score('2# | (D4q E4) F#4 G4 | A4 B4 C5 B4 | A4h D4');
        $decisions = [['note' => 'n4', 'action' => 'hook'], ['note' => 'n9', 'finger' => 4], ['note' => 'n10', 'direction' => 'up']];
        $marked = Marked::score($score, new Settings, $decisions);
        $out = Reader::read(Writer::write(self::with($score, $decisions)))->score;
        $again = Marked::score($out, new Settings);

        self::assertSame($marked->bows(), $again->bows());
        self::assertSame($marked->fingers(), $again->fingers());
        self::assertSame('4', $out->parts[0]->notes()[8]->technical->finger);
        self::assertSame(['n1', 'n2'], array_slice(array_map(static fn (Note $note): string => $note->id, $out->parts[0]->notes()), 0, 2));
    }

    /** @param list<array<string, mixed>> $decisions */
    #[DataProvider('staggers')]
    public function test_a_staggered_note_comes_back_staggered(array $decisions): void
    {
        $score = Tune::score('=60 f D5w- | D5w- | D5w | A5w');
        $marked = Marked::score($score, new Settings, $decisions);
        $once = self::with($score, $decisions);
        $again = Marked::score(Reader::read(Writer::write($once))->score, new Settings);

        self::assertNotSame([], $marked->note('n1')->bow?->stagger);
        self::assertEquals($marked->note('n1')->bow?->stagger, $again->note('n1')->bow?->stagger);
        self::assertSame($marked->bows(), $again->bows());
        self::assertSame(Writer::write($once), Writer::write(self::with(Reader::read(Writer::write($once))->score, [])));
    }

    /** @return iterable<string, array{list<array<string, mixed>>}> */
    public static function staggers(): iterable
    {
        yield 'outside and inside' => [[['note' => 'n1', 'action' => 'stagger']]];
        yield 'four desks' => [[['note' => 'n1', 'action' => 'stagger', 'desks' => 4]]];
    }

    public function test_marking_a_marked_score_again_changes_nothing(): void
    {
        $once = self::with(Tune::score('3/4 1b | A4q | F4h G4q | (A4 Bb4) C5 | D5h.'), []);
        $twice = self::with(Reader::read(Writer::write($once))->score, []);

        self::assertSame(Writer::write($once), Writer::write($twice));
    }

    public function test_everything_else_of_the_input_comes_back(): void
    {
        $score = Reader::read(Samples::rich())->score;
        $out = Writer::write(self::with($score, []));

        foreach (['<words font-weight="bold">Lively</words>', '<lyric><text>la</text></lyric>', '<per-minute>112</per-minute>', '<tremolo type="single">2</tremolo>', '<wedge type="crescendo"/>', '<stem>down</stem>', '<rehearsal>B</rehearsal>'] as $kept) {
            self::assertStringContainsString($kept, $out);
        }
    }

    public function test_struck_slurs_are_gone_from_the_marked_score(): void
    {
        $out = self::with(Tune::score('(D4q E4) F#4 G4 | (A4 B4) A4h'), [['measures' => '1', 'action' => 'as-it-comes']]);

        self::assertSame([0, 0, 0, 0, 1, 1, 0], array_map(static fn (Note $note): int => count($note->slurs), $out->parts[0]->notes()));
    }

    public function test_every_note_head_is_reported_once_in_written_order(): void
    {
        $score = Reader::read(Samples::rich())->score;
        $marked = Marked::score($score, new Settings);
        $sounding = array_values(array_filter($score->parts[0]->notes(), static fn (Note $note): bool => $note->sounds()));

        self::assertSame(array_map(static fn (Note $note): string => $note->id, $sounding), array_map(static fn ($mark): string => $mark->note->id, $marked->part->notes));
    }

    public function test_beats_are_the_printed_ones_and_a_pickup_counts_from_the_end(): void
    {
        $beats = static fn (string $tune): array => array_map(static fn ($mark): float => $mark->place->beat, Marked::tune($tune)->part->notes);

        self::assertSame([4.0, 1.0, 2.0, 2.5, 3.0], $beats('A4q | D5q E5e F#5 G5h'));
        self::assertSame([1.0, 4.0], $beats('6/8 D5q. E5'));
    }

    /** @param list<array<string, mixed>> $decisions */
    private static function with(Score $score, array $decisions): Score
    {
        $part = $score->parts[0];
        $chosen = PartDecisions::of($part, array_map(Decision::fromArray(...), $decisions));

        return MarkedScore::of($score, [PartMarker::mark($score, $part, $chosen, new Settings)]);
    }
}
