<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Ensemble;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use UprightPencil\Core\Ensemble\BowedLike;
use UprightPencil\Core\Ensemble\Figure;
use UprightPencil\Core\Ensemble\FigurePlace;
use UprightPencil\Core\Ensemble\LinedNote;
use UprightPencil\Core\Ensemble\Orchestra;
use UprightPencil\Core\Ensemble\StrokeMap;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Dividing\Division;
use UprightPencil\Core\Marking\Dividing\Seating;
use UprightPencil\Core\Marking\Dividing\Shares;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Tests\Support\Sections;
use UprightPencil\Core\Tests\Support\Tune;

/** What must hold for any sections: made-up pieces in which phrases come again here and there. */
final class SectionsPropertiesTest extends TestCase
{
    private const PHRASES = [
        'D%1$dq E%1$d F#%1$d G%1$d | A%1$dh F#%1$dq E%1$d',
        'D%1$de E%1$d F#%1$d G%1$d A%1$dq F#%1$d | E%1$dh. rq',
        'A%1$dq. G%1$de F#%1$dq E%1$d | (D%1$dq E%1$d) F#%1$dh',
        'D%1$dw | E%1$dh F#%1$dh',
        'rw | rh D%1$dh',
    ];

    #[DataProvider('seeds')]
    public function test_figures_are_what_they_say(int $seed): void
    {
        $orchestra = Sections::orchestra(self::score($seed));
        $taken = [];
        foreach ($orchestra->figures() as $figure) {
            self::assertGreaterThan(1, count($figure->places));
            foreach ($figure->places as $place) {
                self::assertCount($figure->notes(), $place->notes);
                $place->near || self::assertSame(self::rhythm($figure->places[0]), self::rhythm($place), 'the same rhythm and slurs');
                foreach ($place->notes as $note) {
                    self::assertArrayNotHasKey("{$note->part} {$note->id()}", $taken, 'no note is in two figures');
                    $taken["{$note->part} {$note->id()}"] = true;
                }
            }
        }
        self::assertSame(self::named($orchestra), self::named(Sections::orchestra(self::score($seed))), 'the same each time');
    }

    #[DataProvider('seeds')]
    public function test_what_is_offered_mends_and_nothing_else_is_offered(int $seed): void
    {
        $score = self::score($seed);
        $random = new Randomizer(new Mt19937($seed));
        $notes = array_values(array_filter($score->parts[1]->notes(), static fn (Note $note): bool => ! $note->rest));
        $decided = [['note' => $notes[$random->getInt(0, count($notes) - 1)]->id, 'direction' => $random->getInt(0, 1) === 0 ? 'up' : 'down']];
        foreach (Sections::lineUp($score, $decided)['findings'] as $finding) {
            foreach ($finding['fixes'] as $fix) {
                self::assertNotSame([], $fix['decisions']);
                $after = array_filter(Sections::lineUp($score, [...$decided, ...$fix['decisions']])['findings'], static fn (array $one): bool => [$one['code'], $one['from'], $one['parts']] === [$finding['code'], $finding['from'], $finding['parts']]);
                self::assertSame([], $after, "{$finding['message']} {$fix['words']}");
            }
        }
        self::addToAssertionCount(1);
    }

    #[DataProvider('seeds')]
    public function test_a_figure_that_is_bowed_like_one_place_is_bowed_so_everywhere(int $seed): void
    {
        $score = self::score($seed);
        $orchestra = Sections::orchestra($score);
        $figure = $orchestra->figures()[0] ?? null;
        if ($figure === null) {
            self::assertSame([], $orchestra->figures());

            return;
        }
        $like = BowedLike::of($orchestra, $figure, $figure->places[0]);
        $decisions = array_merge([], ...array_map(static fn (array $own): array => array_map(static fn (Decision $one): array => $one->toArray(), $own), array_values($like->decisions)));
        $after = $figure->in(Sections::orchestra($score, $decisions)->sections);
        self::assertNotNull($after);
        foreach ($after->places as $index => $place) {
            in_array($figure->places[$index], $like->taken, true) && ! $place->near && self::assertSame($after->places[0]->directions(), $place->directions());
        }
        self::assertCount(count($figure->places), [...$like->taken, ...$like->left]);
        self::assertTrue($like->suffices($figure, Sections::orchestra($score, $decisions)->sections));
        self::assertLessThanOrEqual(count(array_merge([], ...$like->decisions)), count(array_merge([], ...BowedLike::of($orchestra, $figure, $figure->places[0], false)->decisions)));
    }

    #[DataProvider('seeds')]
    public function test_the_map_has_every_note_once_and_in_time(int $seed): void
    {
        $orchestra = Sections::orchestra(self::score($seed));
        foreach ($orchestra->sections as $section) {
            $at = 0;
            $notes = 0;
            foreach (StrokeMap::of($section) as [$from, $until, $direction, , , $inner]) {
                self::assertGreaterThanOrEqual($at, $from);
                self::assertGreaterThan($from, $until);
                self::assertContains($direction, ['d', 'u', '-']);
                $at = $until;
                $notes += 1 + count($inner);
            }
            self::assertSame(count($section->notes), $notes);
            self::assertLessThanOrEqual($orchestra->end(), $at);
        }
        foreach (StrokeMap::cutOffs($orchestra->sections) as $tick) {
            self::assertSame([], array_filter($orchestra->sections, static fn ($section): bool => $section->at($tick) !== null), 'everybody is silent there');
        }
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 12; $seed++) {
            yield "piece {$seed}" => [$seed];
        }
    }

    #[DataProvider('divisions')]
    public function test_of_divided_notes_each_is_somebodys_and_nobody_has_two(Division $how, int $players): void
    {
        $part = Tune::score('1# | G3h +D4 +B4 A3 +E4 | G3 +D4 B3 | G3 +D4 A3 +E4 | D4w')->parts[0];
        $shares = Shares::of($part, PartDecisions::of($part, [Decision::fromArray(['measures' => '1-3', 'divide' => $how->value])]));
        $seating = Seating::of($players);
        $had = [];
        foreach ($seating->all() as $player) {
            $stems = [];
            foreach ($shares->for($player, $seating)->measures as $measure) {
                foreach ($measure->notes() as $note) {
                    $had[$note->id] = true;
                    $stems["{$measure->number} {$note->onset}"][] = $note->id;
                    self::assertFalse($note->chord, 'what is left on a stem leads');
                }
            }
            self::assertSame(1, max([0, ...array_values(array_map(count(...), $stems))]), "{$player->words()} has two notes at once");
            self::assertSame(7, count($stems), 'everybody plays at every place');
        }
        $players >= 3 && self::assertCount(count($part->notes()), $had, 'a note that nobody has');
        $lines = $shares->passages()[0]->players($seating);
        self::assertCount($players, array_merge([], ...$lines));
        $players >= count($lines) && self::assertNotContains([], $lines, 'an empty line');
    }

    /** @return iterable<string, array{Division, int}> */
    public static function divisions(): iterable
    {
        foreach (Division::cases() as $how) {
            foreach ([1, 2, 3, 4, 5, 7, 8, 11] as $players) {
                yield "{$how->value}, {$players} players" => [$how, $players];
            }
        }
    }

    private static function score(int $seed): Score
    {
        $random = new Randomizer(new Mt19937($seed));
        $tunes = [];
        foreach (['Violin 1' => 5, 'Violin 2' => 5, 'Viola' => 4, 'Cello' => 3] as $name => $octave) {
            $phrases = [];
            for ($phrase = 0; $phrase < 5; $phrase++) {
                $phrases[] = sprintf(self::PHRASES[$random->getInt(0, count(self::PHRASES) - 1)], $octave);
            }
            $tunes[$name] = '2# =96 | '.implode(' | ', $phrases);
        }

        return Sections::score($tunes);
    }

    /** @return list<string> “P1n1 P1n8 …”: where the places of each figure begin */
    private static function named(Orchestra $orchestra): array
    {
        return array_map(static fn (Figure $figure): string => implode(' ', array_map(static fn (FigurePlace $place): string => $place->first()->id(), $figure->places)), $orchestra->figures());
    }

    private static function rhythm(FigurePlace $place): string
    {
        return implode(' ', array_map(static fn (LinedNote $note): string => ($note->tick() - $place->start()).'/'.($note === $place->last() ? '' : $note->ticks()).($note !== $place->first() && $note->slurred ? 's' : ''), $place->notes));
    }
}
