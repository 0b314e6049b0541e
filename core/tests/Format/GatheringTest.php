<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Format;

use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\Gathering;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Format\Warning;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;

/** Several files, one a part, come in as one piece. */
final class GatheringTest extends TestCase
{
    public function test_one_file_a_part_is_one_piece(): void
    {
        $reading = Gathering::of([
            ['Marsh Song - Violin 1.abc', self::tune('Part 1', 'd4|e4|f4|g4|', 'C:Us')],
            ['Marsh Song - Viola.abc', self::tune('Viola', 'D4|E4|F4|G4|')],
            ['Marsh Song - Cello.abc', self::tune('', 'D,4|E,4|F,4|(3D,2E,2F,2|')],
        ]);

        self::assertSame([], self::messages($reading));
        self::assertSame(['Marsh Song', 'Us'], [$reading->score->title, $reading->score->composer]);
        self::assertSame([['P1', 'Violin 1'], ['P2', 'Viola'], ['P3', 'Cello']], array_map(static fn (Part $part): array => [$part->id, $part->name], $reading->score->parts));
        $ids = array_merge(...array_map(static fn (Part $part): array => array_map(static fn (Note $note): string => $note->id, $part->notes()), $reading->score->parts));
        self::assertSame($ids, array_values(array_unique($ids)));
        self::assertEquals($reading->score->parts, Music::read(Writer::write($reading->score))->score->parts, 'it goes out and comes back as one score');
    }

    public function test_files_that_count_otherwise_are_put_on_one_clock(): void
    {
        $fine = '<score-partwise><part-list><score-part id="P1"><part-name>Viola</part-name></score-part></part-list><part id="P1"><measure number="1"><attributes><divisions>11</divisions></attributes><note><pitch><step>D</step><octave>4</octave></pitch><duration>44</duration></note></measure></part></score-partwise>';
        $reading = Gathering::of([['a.abc', self::tune('Violin', 'd4|')], ['b.musicxml', Music::read($fine)]]);

        self::assertSame([4 * $reading->score->resolution, 4 * $reading->score->resolution], array_map(static fn (Part $part): int => $part->notes()[0]->duration, $reading->score->parts));
    }

    public function test_a_part_that_does_not_fit_is_told_and_kept(): void
    {
        $reading = Gathering::of([
            ['violin.abc', self::tune('Violin', 'd4|[P:A]e4|f4|g4|')],
            ['viola.abc', self::tune('Viola', 'd4|[P:A]e4|f4|g4|')],
            ['cello.abc', self::tune('Cello', 'D,4|E,4|[P:A]F,4|')],
        ]);

        self::assertSame([
            '“Cello” (cello.abc) has 3 measures, the others have 4: it does not fit the other parts. Check that all files are of one edition.',
            'In “Cello” (cello.abc) letter A stands at measure 3, in the others at measure 2.',
        ], self::messages($reading));
        self::assertSame(['P3', 'P3'], array_map(static fn (Warning $warning): ?string => $warning->part, $reading->warnings));
        self::assertCount(3, $reading->score->parts);
    }

    public function test_what_was_warned_of_a_file_goes_along_with_its_part(): void
    {
        $reading = Gathering::of([['violin.abc', self::tune('Violin', 'd4|e4|')], ['viola.abc', self::tune('Viola', 'd4|d5|')]]);

        self::assertSame([['P2', '2']], array_map(static fn (Warning $warning): array => [$warning->part, $warning->measure], $reading->warnings));
    }

    public function test_letters_in_one_part_only_are_no_misfit_of_the_others(): void
    {
        $reading = Gathering::of([['violin.abc', self::tune('Violin', 'd4|[P:A]e4|')], ['viola.abc', self::tune('Viola', 'd4|e4|')]]);

        self::assertSame([], self::messages($reading));
    }

    private static function tune(string $name, string $music, string $field = 'N:'): Reading
    {
        $voice = $name === '' ? '' : "V:1 name=\"{$name}\"\n";

        return Music::read("X:1\nT:Marsh Song\n{$field}\nM:4/4\nL:1/4\nK:C\n{$voice}{$music}\n");
    }

    /** @return list<string> */
    private static function messages(Reading $reading): array
    {
        return array_map(static fn (Warning $warning): string => $warning->message, $reading->warnings);
    }
}
