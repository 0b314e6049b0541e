<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use UprightPencil\Core\Format\Manuscript\Played;
use UprightPencil\Core\Format\Manuscript\Reader;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Tests\Support\Manuscripts;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune;

/** What was played to a click is written down as a teacher would write it. */
final class PlayedTest extends TestCase
{
    #[DataProvider('tunes')]
    public function test_a_tune_that_is_played_a_little_unevenly_is_written_as_it_was_meant(int $seed): void
    {
        $tune = Tune::score(preg_replace('/[()]/', '', RandomTune::of($seed)) ?? '', 'Violin');
        $random = new Randomizer(new Mt19937($seed));
        $uneven = static fn (): float => $random->getInt(-60, 60) / 1000;
        $played = [];
        foreach ($tune->parts[0]->measures as $measure) {
            foreach ($measure->notes() as $note) {
                $on = ($measure->start + $note->onset) / $tune->resolution;
                $note->pitch === null || $played[] = ['at' => $note->pitch->letter.$note->pitch->octave, 'on' => $on + $uneven(), 'off' => $on + $note->duration / $tune->resolution - 0.08 + $uneven()];
            }
        }
        $meter = $tune->parts[0]->measures[0]->meter?->name() ?? '4/4';
        $written = self::read($meter, Played::measures((string) json_encode(['meter' => $meter, 'notes' => $played])));

        self::assertSame(self::struck($tune->parts[0]->notes(), $tune->resolution), self::struck($written->parts[0]->notes(), $written->resolution));
        self::assertSame([], Reader::read(self::json($meter, Played::measures((string) json_encode(['meter' => $meter, 'notes' => $played]))))->warnings);
    }

    /** @return iterable<string, array{int}> */
    public static function tunes(): iterable
    {
        for ($seed = 1; $seed <= 30; $seed++) {
            yield "tune {$seed}" => [$seed];
        }
    }

    public function test_a_long_note_is_tied_over_the_barline_and_rests_fill_the_measure(): void
    {
        $measures = Played::measures('{"meter":"3/4","notes":[{"at":"D4","on":2,"off":4.9},{"at":"F4","sign":"#","on":7,"off":7.9}]}');

        self::assertSame([
            ['as' => 2, 'rest' => true], ['as' => 4, 'heads' => [['at' => 'D4']], 'tie' => true],
        ], $measures[0]['notes']);
        self::assertSame(['as' => 2, 'heads' => [['at' => 'D4']]], $measures[1]['notes'][0]);
        self::assertSame([['as' => 4, 'rest' => true], ['as' => 4, 'heads' => [['at' => 'F4', 'sign' => '#']]], ['as' => 4, 'rest' => true]], $measures[2]['notes']);
    }

    #[DataProvider('faults')]
    public function test_what_cannot_be_written_down_is_told(string $json, string $sentence): void
    {
        $this->expectException(UnreadableMusic::class);
        $this->expectExceptionMessage($sentence);
        Played::measures($json);
    }

    /** @return iterable<string, array{string, string}> */
    public static function faults(): iterable
    {
        yield 'nothing heard' => ['{"meter":"4/4","notes":[]}', 'Nothing was heard'];
        yield 'no meter' => ['{"meter":"4/0","notes":[]}', '“meter”'];
        yield 'a time that is none' => ['{"meter":"4/4","notes":[{"at":"D4","on":"x","off":1}]}', '“on”'];
        yield 'far beyond all music' => ['{"meter":"4/4","notes":[{"at":"D4","on":1,"off":1e9}]}', '“off”'];
        yield 'no record' => ['[', 'cannot be read'];
    }

    /** @param list<array{notes: list<array<string, mixed>>}> $measures */
    private static function json(string $meter, array $measures): string
    {
        $ids = 0;
        $named = [];
        foreach ($measures as $index => $measure) {
            $notes = [];
            foreach ($measure['notes'] as $note) {
                $id = ['id' => 'n'.(++$ids)];
                $notes[] = isset($note['heads']) && is_array($note['heads']) ? ['heads' => array_map(static fn (mixed $head): array => $id + (array) $head, $note['heads'])] + $note : $id + $note;
            }
            $named[] = ['notes' => $notes] + ($index === 0 ? ['meter' => $meter, 'key' => 2] : []);
        }

        return Manuscripts::of($named);
    }

    /** @param list<array{notes: list<array<string, mixed>>}> $measures */
    private static function read(string $meter, array $measures): \UprightPencil\Core\Score\Score
    {
        return Reader::read(self::json($meter, $measures))->score;
    }

    /**
     * @param  list<Note>  $notes
     * @return list<mixed> each struck note with its whole length in quarters, ties as one
     */
    private static function struck(array $notes, int $resolution): array
    {
        $struck = [];
        foreach ($notes as $note) {
            $last = array_key_last($struck);
            if ($note->pitch === null) {
                continue;
            }
            if ($note->tieStop && $last !== null) {
                $struck[$last][1] += $note->duration / $resolution;
            } else {
                $struck[] = [$note->pitch->name(), $note->duration / $resolution];
            }
        }

        return $struck;
    }
}
