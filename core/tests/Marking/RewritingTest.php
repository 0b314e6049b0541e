<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use UprightPencil\Core\Format\Manuscript\Writer as ManuscriptWriter;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Rewriting;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\TransferSheet;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune;

/** A measure that is played otherwise than it is printed: a decision, with the print kept. */
final class RewritingTest extends TestCase
{
    private const TUNE = '4/4 2# | D4q E4 F#4 G4 | (A4e B4) C#5q- C#5e D5 E5q | D5h (A4q | B4q) A4h. | D4w';

    /** Two half notes for a measure of quick ones. */
    private const SIMPLER = [['as' => 2, 'heads' => [['id' => 'r1', 'at' => 'A4']]], ['as' => 2, 'heads' => [['id' => 'r2', 'at' => 'C5']]]];

    public function test_what_is_typed_is_bowed_and_fingered_as_if_it_had_been_printed(): void
    {
        $over = self::marked(Tune::score(self::TUNE), [['measures' => '2', 'rewrite' => self::SIMPLER]]);
        $printed = self::marked(Tune::score('4/4 2# | D4q E4 F#4 G4 | A4h C#5 | D5h (A4q | B4q) A4h. | D4w'), []);
        $told = static fn (MarkedPart $part): array => array_map(static fn (NoteMark $note): array => [$note->place->measure, $note->note->pitch?->name(), $note->bow?->direction?->value, $note->finger?->fingering?->stop->finger], $part->notes);

        self::assertSame($told($printed), $told($over));
        self::assertSame(['r1', 'r2'], array_values(array_filter(array_map(static fn (NoteMark $note): string => $note->note->id, $over->notes), static fn (string $id): bool => $id[0] === 'r')));
    }

    public function test_slurs_and_ties_over_its_barlines_are_not_left_hanging(): void
    {
        $over = self::marked(Tune::score(self::TUNE), [['measures' => '4', 'rewrite' => [['as' => 1, 'heads' => [['id' => 'r1', 'at' => 'D5']]]]]]);
        $slurs = static fn (Note $note): array => array_map(static fn ($slur): string => $slur->type, $note->slurs);
        $of = array_column(array_map(static fn (NoteMark $note): array => [$note->note->id, $slurs($note->note)], $over->notes), 1, 0);

        self::assertSame([], array_merge(...array_values(array_intersect_key($of, ['n11' => 1, 'n12' => 1, 'r1' => 1]))));
        self::assertCount(1, array_filter($over->notes, static fn (NoteMark $note): bool => $note->place->measure === '4'));
    }

    public function test_the_print_comes_back_when_it_is_taken_back_and_decisions_on_its_notes_hold_again(): void
    {
        $score = Tune::score(self::TUNE);
        $finger = ['note' => 'n6', 'finger' => 4, 'string' => 'D'];
        $over = ['measures' => '2', 'rewrite' => self::SIMPLER];
        $then = self::marked($score, [$finger]);

        self::assertNotContains('n6', array_map(static fn (NoteMark $note): string => $note->note->id, self::marked($score, [$finger, $over])->notes));
        foreach ([['measures' => '2'], ['note' => 'n5'], ['note' => 'r2']] as $about) {
            self::assertEquals($then->toArray(), self::marked($score, [$finger, $over, [...$about, 'rewrite' => null]])->toArray());
        }
        $again = self::marked($score, [$over, ['note' => 'r1', 'rewrite' => [['as' => 1, 'heads' => [['id' => 'r9', 'at' => 'E4']]]]]]);
        self::assertSame(['E4'], array_values(array_map(static fn (NoteMark $note): ?string => $note->note->pitch?->name(), array_filter($again->notes, static fn (NoteMark $note): bool => $note->place->measure === '2'))));
    }

    public function test_the_sheet_says_it_in_a_sentence_and_a_file_has_what_is_played(): void
    {
        $part = self::marked(Tune::score(self::TUNE), [['measures' => '2', 'rewrite' => self::SIMPLER], ['note' => 'r2', 'direction' => 'up']]);
        $lines = TransferSheet::of($part, false)->lines;

        self::assertSame([['2', 'rewrite', 'instead of what is printed: A4 half, C♯5 half'], ['2', 'bow', 'up-bow']], array_map(static fn ($line): array => [$line->measure, $line->kind, $line->words], $lines));
        $file = Reader::read(Writer::write(MarkedScore::of(new Score('', '', 10080, [$part->written]), [$part])))->score;
        self::assertSame(['A4', 'C#5'], array_map(static fn (Note $note): ?string => $note->pitch?->name(), $file->parts[0]->measures[1]->notes()));
    }

    public function test_what_is_no_measure_is_refused_and_does_not_close_a_part(): void
    {
        $score = Tune::score(self::TUNE);
        foreach (['not as long' => [['as' => 4, 'heads' => [['id' => 'r1', 'at' => 'A4']]]], 'cannot be written over' => [['as' => 3, 'heads' => [['id' => 'r1', 'at' => 'A4']]]]] as $why => $notes) {
            $decisions = [Decision::fromArray(['measures' => '2', 'rewrite' => $notes])];
            self::assertSame($score, Rewriting::leniently($score, $decisions)->score);
            try {
                Rewriting::of($score, $decisions);
                self::fail('It was taken.');
            } catch (WrongDecision $refused) {
                self::assertStringContainsString($why, $refused->getMessage());
            }
        }
        self::assertSame($score, Rewriting::of($score, [Decision::fromArray(['measures' => '2', 'rewrite' => self::SIMPLER, 'state' => 'to-settle'])])->score);
    }

    public function test_the_print_is_a_small_piece_of_music_by_itself(): void
    {
        $score = Tune::score(self::TUNE);
        $beside = Rewriting::beside($score, Rewriting::of($score, [Decision::fromArray(['measures' => '2', 'rewrite' => self::SIMPLER])])->printed['r1']);
        $read = Reader::read(Writer::write($beside))->score->parts[0];

        self::assertSame(['A4', 'B4', 'C#5', 'C#5', 'D5', 'E5'], array_map(static fn (Note $note): ?string => $note->pitch?->name(), $read->notes()));
        self::assertSame([2, 'G'], [$read->measures[0]->key?->fifths, $read->measures[0]->attributes()[0]->clefs[0]->sign]);
    }

    public function test_any_measure_typed_as_it_is_printed_changes_nothing_that_is_heard(): void
    {
        foreach (range(1, 20) as $seed) {
            $random = new Randomizer(new Mt19937($seed));
            $score = Tune::score(RandomTune::of($seed));
            $measure = $random->getInt(0, count($score->parts[0]->measures) - 1);
            $notes = ManuscriptWriter::write($score)['measures'][$measure]['notes'] ?? [];
            $number = $score->parts[0]->measures[$measure]->number;
            if (! is_array($notes) || array_filter($notes, static fn (mixed $note): bool => is_array($note) && isset($note['heads'])) === []) {
                continue;
            }
            $over = self::marked($score, [['measures' => $number, 'rewrite' => $notes]]);
            $told = static fn (MarkedPart $part): array => array_map(static fn (NoteMark $note): array => [$note->note->id, $note->place->beat, $note->note->pitch?->name(), $note->bow?->direction?->value, $note->finger?->string], $part->notes);
            self::assertSame($told(self::marked($score, [])), $told($over), "seed {$seed}, measure {$number}");
        }
    }

    /** @param list<array<string, mixed>> $decided */
    private static function marked(Score $score, array $decided): MarkedPart
    {
        [$played, $decisions] = Rewriting::ofAll($score, array_map(Decision::fromArray(...), $decided));

        return PartMarker::mark($played, $played->parts[0], PartDecisions::of($played->parts[0], $decisions), new Settings);
    }
}
