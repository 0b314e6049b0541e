<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Score;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Format\MusicXml\Writer;
use UprightPencil\Core\Score\Correction;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;

/** A corrected edition: what is still there is known again, and nothing else takes its name. */
final class CorrectionTest extends TestCase
{
    private const MEASURES = ['d2 e2', 'f4', '(ga) b2', 'd e f g', 'a2 z2', 'b a g2', 'c2 c2', 'e3 d'];

    /** @param list<string> $gone “measure pitch” */
    #[DataProvider('corrections')]
    public function test_what_is_gone_is_told(string $before, string $now, int $kept, array $gone): void
    {
        $correction = Correction::of(self::score($before), self::score($now), false);

        self::assertSame($gone, array_map(static fn (array $one): string => "{$one[0]} {$one[3]->pitch?->name()}", $correction->gone));
        self::assertSame($kept, $correction->kept);
    }

    /** @return iterable<string, array{string, string, int, list<string>}> */
    public static function corrections(): iterable
    {
        yield 'nothing changed' => ['d2 e2|f4|', 'd2 e2|f4|', 3, []];
        yield 'a wrong note' => ['d2 e2|f4|', 'd2 f2|f4|', 2, ['1 E5']];
        yield 'a missing accidental' => ['d2 f2|f4|', 'd2 ^f2|f4|', 2, ['1 F5']];
        yield 'another length is the same note' => ['d2 e2|f4|', 'd e2 z|f4|', 2, ['1 E5']];
        yield 'a slur' => ['d2 e2|f4|', '(d2 e2)|f4|', 3, []];
        yield 'a measure put in' => ['d2 e2|f4|g4|', 'd2 e2|a4|f4|g4|', 4, []];
        yield 'a measure taken out' => ['d2 e2|a4|f4|g4|', 'd2 e2|f4|g4|', 4, ['2 A5']];
        yield 'a measure put in and one changed' => ['d2 e2|f4|g2 g2|a4|', 'c4|d2 e2|f4|g2 f2|a4|', 5, ['3 G5']];
        yield 'a note of a chord' => ['[df]4|f4|', '[dg]4|f4|', 2, ['1 F5']];
        yield 'a grace note' => ['{e}d4|f4|', 'd4|f4|', 2, ['1 E5']];
        yield 'everything' => ['d2 e2|f4|', 'a4|b4|', 0, ['1 D5', '1 E5', '2 F5']];
        yield 'alike measures, one less' => ['d4|d4|d4|e4|', 'd4|d4|e4|', 3, ['3 D5']];
    }

    public function test_a_note_with_a_name_is_known_by_it(): void
    {
        $before = Music::read(Writer::write(self::score('d2 e2|f4|')));
        self::assertTrue($before->namesNotes, 'what we write names its notes');
        $now = $before->score->with(parts: [$before->score->parts[0]->with(measures: self::score('d2 g2|f4|')->parts[0]->measures)]);

        self::assertSame([], Correction::of($before->score, $now, true)->gone);
        self::assertCount(1, Correction::of($before->score, $now, false)->gone);
    }

    public function test_names_that_only_count_are_no_names(): void
    {
        $tune = implode('|', self::MEASURES).'|';
        $numbered = static fn (string $music): Score => Music::read(Writer::write(self::score($music)))->score;

        self::assertTrue(Correction::namesHold($numbered($tune), $numbered(str_replace('f4', 'g4', $tune))), 'one wrong note');
        self::assertFalse(Correction::namesHold($numbered($tune), $numbered("c4|{$tune}")), 'a measure put in before all others');
        self::assertFalse(Correction::namesHold($numbered($tune), $numbered('a4|')->with(parts: [new Part('P1', 'Other', [])])));
    }

    public function test_a_new_note_never_has_the_name_of_one_that_is_gone(): void
    {
        $before = self::score('d2 e2|f4|');
        $correction = Correction::of($before, self::score('d2 g2|f4|'), false, ['P1-1-2.2' => true]);
        $ids = array_map(static fn (Note $note): string => $note->id, $correction->part->notes());

        self::assertSame(['P1-1-1', 'P1-1-2.3', 'P1-2-3'], $ids);
    }

    public function test_a_file_that_counts_otherwise_is_the_same_music(): void
    {
        $before = self::score('d2 e2|f4|');
        $coarse = Music::read('<score-partwise><part-list/><part id="P9"><measure number="1"><attributes><divisions>1</divisions><key><fifths>0</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time></attributes><note><pitch><step>D</step><octave>5</octave></pitch><duration>2</duration></note><note><pitch><step>E</step><octave>5</octave></pitch><duration>2</duration></note></measure><measure number="2"><note><pitch><step>F</step><octave>5</octave></pitch><duration>4</duration></note></measure></part></score-partwise>');
        $correction = Correction::of($before, $coarse->score, $coarse->namesNotes);

        self::assertSame([3, [], 'P1', 'Voice 1'], [$correction->kept, $correction->gone, $correction->part->id, $correction->part->name]);
        self::assertSame(480, $coarse->score->resolution, 'it keeps counting as its file does');
        self::assertSame([960, 960, 1920], array_map(static fn (Note $note): int => $note->duration, $correction->part->notes()));
    }

    /** Tunes with measures put in, taken out and changed at random: whatever was not touched has its name, and no name means another pitch. */
    #[DataProvider('seeds')]
    public function test_corrections_at_random(int $seed): void
    {
        $random = new Randomizer(new Mt19937($seed));
        $measures = array_map(static fn (): string => self::MEASURES[$random->getInt(0, 7)], range(1, 24));
        $now = $measures;
        $at = $random->getInt(4, 10);
        array_splice($now, $at, 0, ['^c2 ^d2']);
        $changed = $random->getInt(14, 20);
        $now[$changed] = '^f2 ^g2';
        $before = self::score(implode('|', $measures).'|');
        $correction = Correction::of($before, self::score(implode('|', $now).'|'), false);

        $lost = count(self::score($measures[$changed - 1].'|')->parts[0]->notes());
        $sounding = static fn (Part $part): int => count(array_filter($part->notes(), static fn (Note $note): bool => ! $note->rest));
        self::assertLessThanOrEqual($lost, count($correction->gone));
        self::assertSame($sounding($before->parts[0]), count($correction->gone) + count(array_intersect_key(self::pitches($before->parts[0]), self::pitches($correction->part))));
        $both = array_intersect_key(self::pitches($before->parts[0]), self::pitches($correction->part));
        self::assertSame($both, array_intersect_key(array_replace($both, self::pitches($correction->part)), $both), 'a name means the pitch that it meant');
        self::assertCount(count($correction->part->notes()), array_unique(array_map(static fn (Note $note): string => $note->id, $correction->part->notes())));
    }

    /** @return iterable<array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 25) as $seed) {
            yield [$seed];
        }
    }

    /** @return array<string, string> */
    private static function pitches(Part $part): array
    {
        $pitches = [];
        foreach ($part->notes() as $note) {
            $note->rest || $pitches[$note->id] = (string) $note->pitch?->name();
        }

        return $pitches;
    }

    private static function score(string $music): Score
    {
        return Music::read("X:1\nT:Corrected\nM:4/4\nL:1/4\nK:C\n{$music}\n")->score;
    }
}
