<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking\Handing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Handing\PageMarks;
use UprightPencil\Core\Marking\Handing\PageNote;
use UprightPencil\Core\Marking\Handing\TypedMarks;
use UprightPencil\Core\Marking\SheetLine;
use UprightPencil\Core\Marking\TransferSheet;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\Tune;

/** What stands in old copies, as a teacher reads it off the page; and a page's marks as they are kept. */
final class TypedMarksTest extends TestCase
{
    private const TUNE = '4/4 2# | D4q E4e F#4e G4q rq | A4h (B4q C#5q) | D5w';

    /** @return iterable<string, array{string, string, array<string, mixed>}> */
    public static function typedMarks(): iterable
    {
        yield 'an up-bow on the third note' => ['1 2.5 V', 'n3', ['direction' => 'up']];
        yield 'a comma for the half beat' => ['1 2,5 up', 'n3', ['direction' => 'up']];
        yield 'a down-bow' => ['2 1 D', 'n6', ['direction' => 'down']];
        yield 'a down-bow, drawn' => ['2 1 ⊓', 'n6', ['direction' => 'down']];
        yield 'an open string' => ['3 1 0', 'n9', ['finger' => 0]];
        yield 'a low second' => ['2 4 L2', 'n8', ['finger' => 2, 'placement' => 'low']];
        yield 'a high third' => ['1 3 h3', 'n4', ['finger' => 3, 'placement' => 'high']];
        yield 'an extended fourth' => ['1 3 X4', 'n4', ['finger' => 4, 'placement' => 'extended']];
        yield 'a hook' => ['1 2.5 Hook', 'n3', ['action' => 'hook']];
        yield 'a struck slur' => ['2 3 strike', 'n7', ['action' => 'strike']];
        yield 'a lift' => ['2 1 lift', 'n6', ['action' => 'lift']];
        yield 'a dynamic' => ['3 1 mf', 'n9', ['dynamic' => 'mf']];
        yield 'an accent' => ['3 1 >', 'n9', ['accent' => true]];
        yield 'words, as they stand' => ['1 1 “Watch me”', 'n1', ['text' => 'Watch me']];
    }

    /** @param array<string, mixed> $fields */
    #[DataProvider('typedMarks')]
    public function test_a_line_is_measure_beat_and_mark(string $typed, string $note, array $fields): void
    {
        [$all, $some] = self::read($typed);
        self::assertSame([], $some);
        self::assertEquals([Decision::onNote($note, $fields)], $all);
        self::assertEquals([[], [Decision::onNote($note, $fields)]], self::read("{$typed} ?"), 'with a question mark: some copies have it');
    }

    /** @return iterable<string, array{string, string}> */
    public static function wrongLines(): iterable
    {
        yield 'no beat' => ["1 1 V\n\n2 V", 'Line 3 (“2 V”) is not “measure, beat, mark”, as in “12 2.5 V”.'];
        yield 'a rest' => ['1 4 V', 'Line 1 (“1 4 V”): no note begins in measure 1 on beat 4.'];
        yield 'no such measure' => ['9 1 V', 'Line 1 (“9 1 V”): no note begins in measure 9 on beat 1.'];
        yield 'no such finger' => ['1 1 5', 'Line 1 (“1 1 5”): “5” is no mark that is known. Bows are V and D, fingers 0 to 4 (low: L2), words stand in quotation marks.'];
        yield 'too much' => [str_repeat("1 1 V\n", TypedMarks::MOST_LINES + 1), 'So many marks are typed in two goes; up to 400 lines at a time.'];
    }

    #[DataProvider('wrongLines')]
    public function test_what_cannot_be_read_is_told_with_its_line(string $typed, string $sentence): void
    {
        $this->expectException(WrongDecision::class);
        $this->expectExceptionMessage($sentence);
        self::read($typed);
    }

    public function test_nothing_typed_is_nothing(): void
    {
        self::assertSame([[], []], self::read(" \n\n"));
    }

    public function test_a_slip_from_an_old_set_rubs_out_first_and_says_check_where_only_some_have_it(): void
    {
        [$all, $some] = self::read("1 1 V\n2 1 D ?");
        $decided = static fn (Decision ...$decisions): PageMarks => PageMarks::of(Marked::tune(self::TUNE, decisions: array_values(array_map(static fn (Decision $one): array => $one->toArray(), $decisions)))->part, false);
        $old = $decided(...$all)->and($decided(...$some)->asPerhapsThere());
        $new = $decided(Decision::onNote('n1', ['direction' => 'down']), Decision::onNote('n6', ['direction' => 'down']));
        $lines = array_filter(TransferSheet::between($old, $new)->lines, static fn (SheetLine $line): bool => $line->kind === 'bow');
        self::assertSame([['n1', 'V', '⊓', false], ['n6', null, '⊓', true]], array_values(array_map(static fn (SheetLine $line): array => [$line->notes[0], $line->erase, $line->write, $line->check], $lines)));
    }

    public function test_a_pages_marks_are_kept_and_read_again_as_they_were(): void
    {
        $marks = PageMarks::of(Marked::tune(self::TUNE, decisions: [['note' => 'n3', 'finger' => 2], ['note' => 'n7', 'action' => 'strike']])->part);
        $kept = json_decode(json_encode($marks->toArray(), JSON_THROW_ON_ERROR), true, flags: JSON_THROW_ON_ERROR);
        self::assertIsArray($kept);
        self::assertEquals($marks, PageMarks::fromArray($kept));
        self::assertSame([], TransferSheet::between($marks, PageMarks::fromArray($kept))->lines);
    }

    public function test_a_kept_note_that_is_none_is_passed_over(): void
    {
        $note = new PageNote('n1', '1', '1', 0, 480, false, true);
        self::assertEquals($note, PageNote::fromArray($note->toArray()));
        foreach ([null, [], 'n1', ['n1', '1', '1', 'soon', 480], [1, 2, 3, 4, 5, 6, 7]] as $kept) {
            self::assertNull(PageNote::fromArray($kept));
        }
    }

    /** @return array{list<Decision>, list<Decision>} */
    private static function read(string $typed): array
    {
        $score = Tune::score(self::TUNE);

        return TypedMarks::read($typed, $score->parts[0], $score->resolution);
    }
}
