<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use UprightPencil\Core\Marking\Handing\PageMarks;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\SheetLine;
use UprightPencil\Core\Marking\TransferSheet;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\RandomDecisions;
use UprightPencil\Core\Tests\Support\RandomLine;
use UprightPencil\Core\Tests\Support\Samples;
use UprightPencil\Core\Tests\Support\Tune;

/** What a student pencils into a printed part. */
final class TransferSheetTest extends TestCase
{
    public function test_a_run_of_the_same_is_one_line(): void
    {
        $slurred = '4/4 2# | (D4q E4) (F#4 G4) | (A4 G4) (F#4 E4) | D4w';
        $strikes = array_map(static fn (int $note): array => ['note' => "n{$note}", 'action' => 'strike'], [1, 3, 5, 7]);
        $all = self::of(Marked::tune($slurred, decisions: $strikes)->part, 'strike');
        self::assertSame(['1-2 strike all slurs'], array_map(self::line(...), $all));
        self::assertSame(['n1', 'n3', 'n5', 'n7'], $all[0]->notes);

        $some = self::of(Marked::tune($slurred, decisions: [$strikes[0], $strikes[1], $strikes[3]])->part, 'strike');
        self::assertNotContains('strike all slurs', array_column($some, 'words'), 'one slur stays: nothing is told of all');
    }

    public function test_pairs_that_are_all_hooked_are_one_line(): void
    {
        $tune = '4/4 2# | D4q. E4e F#4q. G4e | A4q. G4e F#4q. E4e | D4w';
        $hooks = array_map(static fn (int $note): array => ['note' => "n{$note}", 'action' => 'hook'], [2, 4, 6, 8]);
        self::assertSame(['1-2 hook every pair'], array_map(self::line(...), self::of(Marked::tune($tune, decisions: $hooks)->part, 'hook')));
    }

    public function test_a_word_that_holds_says_where_it_ends(): void
    {
        $lines = self::of(Marked::tune('4/4 2# | D4q E4 F#4 G4 | A4 G4 F#4 E4 | D4w', decisions: [['note' => 'n1', 'to' => 'n8', 'stroke' => 'spiccato']])->part, 'stroke');
        self::assertSame(['1', '2', 'spiccato'], [$lines[0]->measure, $lines[0]->to, $lines[0]->write]);
    }

    public function test_a_lift_that_a_change_makes_needless_is_rubbed_out_with_the_reason(): void
    {
        $tune = '4/4 2# | D4q E4 F#4h | G4q rq A4h | D4w';
        $lift = ['note' => 'n6', 'action' => 'retake'];
        $then = Marked::tune($tune, decisions: [$lift])->part;
        $inTwo = static fn (string $note, string $field, string|int $value): array => array_values(array_map(static fn (SheetLine $line): string => $line->words, array_filter(TransferSheet::since($then, Marked::tune($tune, decisions: [['note' => $note, $field => $value]])->part, false)->lines, static fn (SheetLine $line): bool => $line->measure === '2')));
        self::assertSame(['rub out: retake; the bow comes right'], $inTwo('n3', 'action', 'hook'));
        self::assertSame(['rub out: retake'], $inTwo('n1', 'finger', 0), 'no bow was changed before it');
    }

    public function test_only_what_is_decided_unless_proposals_are_asked_for(): void
    {
        $part = Marked::tune('4/4 2# | D4q E4 F#4 G4 | A4 G4 F#4 E4 | D4w', decisions: [['note' => 'n2', 'finger' => 1]])->part;
        self::assertSame(['finger'], array_column(TransferSheet::of($part, false)->lines, 'kind'));
        self::assertContains('bow', array_column(TransferSheet::of($part)->lines, 'kind'));
    }

    public function test_it_follows_the_lines_of_the_printed_page(): void
    {
        $part = Marked::tune('4/4 2# | D4q E4 F#4 G4 | A4 G4 F#4 E4 | D4 E4 F#4 G4 | A4w', decisions: array_map(static fn (int $note): array => ['note' => "n{$note}", 'noteName' => true], [1, 6, 9, 13]))->part;
        $names = array_values(array_filter(TransferSheet::of($part, false)->byLines($part->printed, ['1', '3'])->lines, static fn (SheetLine $line): bool => $line->kind === 'noteName'));
        self::assertSame([1, 1, 2, 2], array_column($names, 'line'));
        self::assertNull(TransferSheet::of($part)->lines[0]->line);
    }

    public function test_a_slip_says_what_goes_and_what_comes(): void
    {
        $tune = '4/4 2# | D4q E4 F#4 A4 | D4w';
        $slip = TransferSheet::since(
            Marked::tune($tune, decisions: [['note' => 'n4', 'finger' => 4], ['note' => 'n3', 'text' => 'watch']])->part,
            Marked::tune($tune, decisions: [['note' => 'n4', 'finger' => 0], ['note' => 'n2', 'text' => 'soft']])->part,
            false,
        );
        self::assertSame([['n2', null, 'soft'], ['n3', 'watch', null], ['n4', '4', '0']], array_map(static fn (SheetLine $line): array => [$line->notes[0], $line->erase, $line->write], $slip->lines));
    }

    /** Three columns of a sheet of Letter, which is shorter than A4. */
    private const ROWS_OF_ONE_SIDE = 3 * 36;

    public function test_every_part_of_the_demo_goes_on_one_side_of_paper(): void
    {
        foreach (['over-slate-hill', 'mill-wheel-jig'] as $file) {
            $score = Samples::demo($file);
            foreach ($score->parts as $part) {
                $marked = PartMarker::mark($score, $part, PartDecisions::of($part, []), new Settings(ClassProfile::of(Level::SecondYear)));
                // What is written at one note is one row.
                $rows = array_unique(array_map(static fn (SheetLine $line): string => ($line->notes[0] ?? '').$line->to, TransferSheet::of($marked)->lines));
                self::assertLessThanOrEqual(self::ROWS_OF_ONE_SIDE, count($rows), "{$file}, {$part->name}");
            }
        }
    }

    #[DataProvider('seeds')]
    public function test_the_old_page_and_the_slip_make_the_new_page_and_the_other_way_round(int $seed): void
    {
        $score = Tune::score(RandomLine::of(Instrument::Violin, $seed));
        $decisions = RandomDecisions::about($score->parts[0], new Randomizer(new Mt19937($seed)), 14);
        $settings = new Settings(ClassProfile::of(Level::ThirdYear), Instrument::Violin);
        [$then, $now] = [Marked::score($score, $settings, array_slice($decisions, 0, 8))->part, Marked::score($score, $settings, $decisions)->part];
        foreach ([[$then, $now], [$now, $then]] as [$from, $to]) {
            self::assertSame(self::marks(TransferSheet::of($to)), self::applied(self::marks(TransferSheet::of($from)), TransferSheet::since($from, $to)));
            // As it is kept for years: what was drawn is compared, nothing is worked out again.
            $kept = array_map(static fn (MarkedPart $part): PageMarks => PageMarks::fromArray((array) json_decode((string) json_encode(PageMarks::of($part)->toArray()), true)), [$from, $to]);
            self::assertEquals(TransferSheet::since($from, $to), TransferSheet::between(...$kept));
        }
        self::assertSame([], TransferSheet::since($now, $now)->lines);
    }

    /** @return iterable<array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 25) as $seed) {
            yield [$seed];
        }
    }

    /** @return array<string, string|null> note and kind => what is written there */
    private static function marks(TransferSheet $sheet): array
    {
        $marks = [];
        foreach ($sheet->lines as $line) {
            foreach ($line->notes as $note) {
                $marks["{$note} {$line->kind}"] = $line->write;
            }
        }
        ksort($marks);

        return $marks;
    }

    /**
     * @param  array<string, string|null>  $page
     * @return array<string, string|null>
     */
    private static function applied(array $page, TransferSheet $slip): array
    {
        foreach ($slip->lines as $line) {
            foreach ($line->notes as $note) {
                self::assertSame($line->erase, $page["{$note} {$line->kind}"] ?? null, 'what is rubbed out stands there');
                $page["{$note} {$line->kind}"] = $line->write;
            }
        }
        $page = array_filter($page, static fn (?string $sign): bool => $sign !== null);
        ksort($page);

        return $page;
    }

    /** @return list<SheetLine> */
    private static function of(MarkedPart $part, string $kind): array
    {
        return array_values(array_filter(TransferSheet::of($part)->lines, static fn (SheetLine $line): bool => $line->kind === $kind));
    }

    private static function line(SheetLine $line): string
    {
        return $line->measure.($line->to === null ? '' : "-{$line->to}")." {$line->words}";
    }
}
