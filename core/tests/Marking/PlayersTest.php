<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Tests\Support\RandomLine;
use UprightPencil\Core\Tests\Support\Tune;

/** One bowing, two fingered editions: front desks know third position, back desks play the same in first. */
final class PlayersTest extends TestCase
{
    private const BACK = ['level' => 'second-year', 'violin' => ['positions' => [1]]];

    /** Third position saves the fourth finger here, and D6 cannot be had in first. */
    private const TUNE = '4/4 2# A5q B5 C#6 D6 | D6h (C#6q B5) | A5q F#5 D5h';

    public function test_the_bow_is_the_same_and_the_fingers_are_their_own(): void
    {
        $tune = '4/4 2# D5q E5 F#5 G5 | A5q B5 A5h | (F#5q E5) D5h';
        $section = self::marked($tune, null, [['note' => 'n5', 'finger' => 1, 'position' => 3]]);
        $back = self::marked($tune, self::BACK, [['note' => 'n5', 'finger' => 1, 'position' => 3]]);

        self::assertSame(self::bows($section), self::bows($back));
        self::assertSame(3.0, $section->notes[4]->finger?->fingering->position);
        self::assertSame([1.0], array_values(array_unique(array_map(static fn (NoteMark $note): ?float => $note->finger?->fingering->position, $back->notes))));
    }

    public function test_what_cannot_be_had_in_what_they_know_is_told(): void
    {
        $codes = static fn (?array $players): array => array_map(static fn ($finding): string => $finding->code, self::marked(self::TUNE, $players)->findings);

        self::assertNotContains('not-taught', $codes(null));
        self::assertContains('not-taught', $codes(self::BACK));
    }

    public function test_a_finger_of_theirs_is_no_finger_of_the_section(): void
    {
        $tune = '4/4 2# D5q E5 F#5 G5 | A5h A5h';
        $decided = [['note' => 'n5', 'finger' => 4, 'string' => 'D', 'players' => 'back']];

        self::assertSame(4, self::marked($tune, self::BACK, $decided, 'back')->notes[4]->finger?->fingering->stop->finger);
        self::assertNotSame(4, self::marked($tune, null, $decided)->notes[4]->finger?->fingering->stop->finger);
        self::assertNotSame(4, self::marked($tune, self::BACK, $decided, 'front')->notes[4]->finger?->fingering->stop->finger);
    }

    public function test_what_was_decided_for_them_holds_though_they_were_not_taught_it(): void
    {
        $decided = [['note' => 'n5', 'finger' => 1, 'position' => 3, 'players' => 'back']];

        self::assertSame(3.0, self::marked('4/4 2# D5q E5 F#5 G5 | A5q B5 A5h', self::BACK, $decided, 'back')->notes[4]->finger?->fingering->position);
    }

    public function test_a_bow_decided_for_a_group_is_everybodys(): void
    {
        $hand = Decision::fromArray(['note' => 'n1', 'finger' => 2]);
        $bow = Decision::fromArray(['note' => 'n1', 'direction' => 'up']);

        self::assertSame('back', $hand->forPlayers('back')->players);
        self::assertNull($bow->forPlayers('back')->players);
        self::assertSame(['note' => 'n1', 'players' => 'back', 'finger' => 2], $hand->forPlayers('back')->toArray());
    }

    public function test_on_any_line_both_editions_have_one_bowing_and_each_its_own_positions(): void
    {
        for ($seed = 1; $seed <= 12; $seed++) {
            $score = Tune::score(RandomLine::of(Instrument::Violin, $seed));
            $mark = static fn (?array $players): MarkedPart => PartMarker::mark($score, $score->parts[0], PartDecisions::of($score->parts[0], []), self::settings($players));
            [$section, $back] = [$mark(null), $mark(self::BACK)];

            self::assertSame(self::bows($section), self::bows($back), "seed {$seed}");
            foreach ($back->notes as $note) {
                $fingering = $note->finger?->fingering;
                self::assertTrue($fingering === null || $fingering->untaught !== null || $fingering->position === 1.0, "seed {$seed}, {$note->note->id}");
            }
        }
    }

    /**
     * @param  array<mixed>|null  $players
     * @param  list<array<string, mixed>>  $decisions
     */
    private static function marked(string $tune, ?array $players, array $decisions = [], ?string $named = null): MarkedPart
    {
        $score = Tune::score($tune);

        return PartMarker::mark($score, $score->parts[0], PartDecisions::leniently($score->parts[0], array_map(Decision::fromArray(...), $decisions), $named), self::settings($players));
    }

    /** @param array<mixed>|null $players */
    private static function settings(?array $players): Settings
    {
        return new Settings(ClassProfile::of(Level::ThirdYear), Instrument::Violin, players: $players === null ? null : ClassProfile::fromArray($players));
    }

    private static function bows(MarkedPart $part): string
    {
        return implode(' ', array_map(static fn (NoteMark $mark): string => "{$mark->bow?->direction?->value}/{$mark->bow?->action?->value}", $part->notes));
    }
}
