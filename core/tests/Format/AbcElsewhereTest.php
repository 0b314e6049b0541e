<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Format\Abc\Writer;
use UprightPencil\Core\Format\Music;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Tests\Support\AbcElsewhere;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune as Melody;

/**
 * The ABC that we write, read by somebody else's reader (a development dependency): it sees the same notes, slurs and signs.
 *
 * @phpstan-import-type Seen from AbcElsewhere
 * @phpstan-import-type Heard from AbcElsewhere
 */
final class AbcElsewhereTest extends TestCase
{
    private const FOLDER = __DIR__.'/../../..';

    #[DataProvider('scores')]
    public function test_another_reader_sees_the_same_music(Score $score): void
    {
        $seen = self::elsewhere(Writer::write($score));

        self::assertSame([], $seen['warnings']);
        self::assertSame([1, $score->title], [$seen['tunes'], $seen['title']]);
        self::assertCount(count($score->parts), $seen['voices']);
        foreach ($score->parts as $index => $part) {
            self::assertSame(self::rhythm($part, $score->resolution), array_map(static fn (array $note): string => ($note['rest'] ? 'r' : count($note['heads'])).' '.round($note['quarters'], 4), $seen['voices'][$index]));
            self::assertSame(self::letters($part), array_map(static fn (array $note): string => strtoupper((string) preg_replace('/[^A-Ga-g]/', '', implode($note['heads']))), array_values(array_filter($seen['voices'][$index], static fn (array $note): bool => ! $note['rest']))));
        }
    }

    /** @return iterable<string, array{Score}> */
    public static function scores(): iterable
    {
        foreach (['line-4-a-slur-for-two', 'line-5-up-before-the-beat', 'mill-wheel-jig', 'over-slate-hill'] as $name) {
            yield $name => [Music::read((string) file_get_contents(self::FOLDER."/demo/{$name}.musicxml"))->score];
        }
        for ($seed = 31; $seed <= 36; $seed++) {
            yield "tune {$seed}" => [Melody::score(RandomTune::of($seed, $seed % 2 === 0))];
        }
        yield 'accidentals, chords and ties' => [Melody::score('2b =84 | Bb4q B4 Eb5 E5 | F#4q +A4 G4h- | G4q Ab4 A4h')];
        yield 'dots and endings' => [Melody::score('6/8 1# | |: G4q. A4q B4e | C5q. D5q. |1 E5h. :|2 G5h.')];
    }

    /** @param list<array<string, mixed>> $decisions */
    #[DataProvider('marks')]
    public function test_it_sees_the_marks(array $decisions, int $note, string $decoration): void
    {
        $marked = Marked::tune('2# =96 D5q E5 F#5 G5 | (A5q B5) A5h', decisions: $decisions, settings: new Settings(instrument: Instrument::Violin));
        $score = MarkedScore::of(new Score('Tune', '', 480, [$marked->part->part]), [$marked->part]);

        self::assertContains($decoration, self::elsewhere(Writer::write($score))['voices'][0][$note]['decorations']);
    }

    /** @return iterable<string, array{list<array<string, mixed>>, int, string}> */
    public static function marks(): iterable
    {
        yield 'up-bow' => [[['note' => 'n2', 'direction' => 'up']], 1, 'upbow'];
        yield 'down-bow' => [[['note' => 'n3', 'direction' => 'down']], 2, 'downbow'];
        yield 'a finger' => [[['note' => 'n2', 'finger' => 4]], 1, '4'];
        yield 'an open string' => [[['note' => 'n2', 'finger' => 0]], 1, '0'];
        yield 'an accent' => [[['note' => 'n4', 'accent' => true]], 3, 'accent'];
        yield 'a fermata' => [[['note' => 'n7', 'fermata' => true]], 6, 'fermata'];
        yield 'a breath' => [[['note' => 'n4', 'breath' => true]], 3, 'breath'];
        yield 'staccato' => [[['note' => 'n4', 'staccato' => true]], 3, 'staccato'];
        yield 'tenuto' => [[['note' => 'n4', 'tenuto' => true]], 3, 'tenuto'];
    }

    public function test_it_sees_slurs_and_ties_and_words(): void
    {
        $marked = Marked::tune('2# =96 D5q E5 F#5 G5 | (A5q B5) A5h- | A5w', decisions: [['note' => 'n2', 'action' => 'join'], ['note' => 'n1', 'text' => 'sing it first']], settings: new Settings(instrument: Instrument::Violin));
        $notes = self::elsewhere(Writer::write(MarkedScore::of(new Score('Tune', '', 480, [$marked->part->part]), [$marked->part])))['voices'][0];

        self::assertSame([0, 4], array_keys(array_filter($notes, static fn (array $note): bool => $note['opens'])));
        self::assertSame([1, 5], array_keys(array_filter($notes, static fn (array $note): bool => $note['closes'])));
        self::assertSame([6], array_keys(array_filter($notes, static fn (array $note): bool => $note['ties'])));
        self::assertContains('sing it first', $notes[0]['above']);
    }

    /** @return Heard */
    private static function elsewhere(string $abc): array
    {
        return AbcElsewhere::reads([$abc])[0];
    }

    /** @return list<string> “2 1.5”: heads (r for a rest) and quarters of each event */
    private static function rhythm(Part $part, int $resolution): array
    {
        $events = [];
        foreach ($part->notes() as $note) {
            if ($note->chord) {
                [$heads, $quarters] = explode(' ', (string) array_pop($events));
                $events[] = ((int) $heads + 1)." {$quarters}";
            } else {
                $events[] = ($note->rest ? 'r' : 1).' '.round($note->duration / $resolution, 4);
            }
        }

        return $events;
    }

    /** @return list<string> the letters of each event’s heads, from low to high */
    private static function letters(Part $part): array
    {
        $letters = [];
        foreach ($part->notes() as $note) {
            if ($note->chord) {
                $letters[] = array_pop($letters).$note->pitch?->letter;
            } elseif (! $note->rest) {
                $letters[] = (string) $note->pitch?->letter;
            }
        }

        return $letters;
    }
}
