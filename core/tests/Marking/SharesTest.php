<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Dividing\Player;
use UprightPencil\Core\Marking\Dividing\Seating;
use UprightPencil\Core\Marking\Dividing\Share;
use UprightPencil\Core\Marking\Dividing\Shares;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\Tune;

/** Who plays what where a section is divided, and what a reduction leaves. */
final class SharesTest extends TestCase
{
    private const DOUBLE = '1# =80 | G3h +D4 A3 +E4 | B3 +G4 D4 | G3h +D4 A3 +E4 | G3w';

    /** @param array<string, string> $expected chair => its notes */
    #[DataProvider('divisions')]
    public function test_each_chair_has_its_notes_and_no_line_is_empty(string $how, int $players, array $expected): void
    {
        $part = Tune::score(self::DOUBLE)->parts[0];
        $shares = Shares::of($part, PartDecisions::of($part, [Decision::fromArray(['measures' => '1-3', 'divide' => $how])]));
        $seating = Seating::of($players);
        $told = [];
        foreach ($seating->all() as $player) {
            $told[$player->key()] = self::pitches($shares->for($player, $seating));
        }

        self::assertSame($expected, array_intersect_key($told, $expected));
        $heard = array_unique(array_merge(...array_map(static fn (string $pitches): array => explode(' ', $pitches), array_values($told))));
        $players > 1 && self::assertSame([], array_diff(array_unique(explode(' ', self::pitches($part))), $heard), 'a note that nobody has');
    }

    /** @return iterable<string, array{string, int, array<string, string>}> */
    public static function divisions(): iterable
    {
        [$top, $bottom] = ['D4 E4 G4 D4 D4 E4 G3', 'G3 A3 B3 D4 G3 A3 G3'];
        yield 'outside the top' => ['outside-top', 4, ['1-outside' => $top, '1-inside' => $bottom, '2-outside' => $top]];
        yield 'inside the top' => ['inside-top', 4, ['1-outside' => $bottom, '2-inside' => $top]];
        yield 'by desk' => ['desks', 4, ['1-outside' => $top, '1-inside' => $top, '2-outside' => $bottom]];
        yield 'by turns' => ['turns', 2, ['1-outside' => 'D4 E4 B3 D4 D4 E4 G3', '1-inside' => 'G3 A3 G4 D4 G3 A3 G3']];
        yield 'one desk cannot divide by desk: it is counted off' => ['desks', 2, ['1-outside' => $top, '1-inside' => $bottom]];
        yield 'an odd player at the last stand' => ['outside-top', 3, ['1-inside' => $bottom, '2-outside' => $top]];
        yield 'one alone has the top' => ['outside-top', 1, ['1-outside' => $top]];
    }

    public function test_in_three_is_counted_off_and_the_lowest_of_two_goes_to_who_has_the_third(): void
    {
        $part = Tune::score('1# | G3h +D4 +B4 A3 +E4 | G3w')->parts[0];
        $shares = Shares::of($part, PartDecisions::of($part, [Decision::fromArray(['measures' => '1', 'divide' => 'three'])]));
        $seating = Seating::of(5);

        self::assertSame(['B4 E4 G3', 'D4 A3 G3', 'G3 A3 G3', 'B4 E4 G3', 'D4 A3 G3'], array_map(static fn (Player $player): string => self::pitches($shares->for($player, $seating)), $seating->all()));
        $passage = $shares->passages()[0];
        self::assertSame([null, null, 'stand 2, inside'], array_map(static fn (int $line): ?string => $passage->fallback($line, $seating)?->words(), [0, 1, 2]));
    }

    public function test_a_line_with_one_player_has_somebody_to_fall_back_on(): void
    {
        $part = Tune::score(self::DOUBLE)->parts[0];
        $passage = Shares::of($part, PartDecisions::of($part, [Decision::fromArray(['measures' => '1-3', 'divide' => 'outside-top'])]))->passages()[0];

        self::assertSame('stand 2, outside', $passage->fallback(1, Seating::of(3))?->words());
        self::assertNull($passage->fallback(1, Seating::of(4)), 'two have it');
        self::assertSame('stand 1, outside', $passage->fallback(1, Seating::of(1))?->words());
    }

    public function test_chairs_with_the_same_notes_share_a_page_and_a_name(): void
    {
        $part = Tune::score(self::DOUBLE)->parts[0];
        $outside = ['measures' => '1', 'divide' => 'outside-top'];
        $names = static fn (int $players, array ...$decisions): array => array_values(array_map(static fn (Share $share): string => $share->name, Shares::of($part, PartDecisions::of($part, array_values(array_map(static fn (array $one): Decision => Decision::fromArray($one), $decisions))))->chairs(Seating::of($players))));

        self::assertSame(['Outside', 'Inside'], $names(6, $outside));
        self::assertSame(['Stands 1 and 3', 'Stand 2'], $names(6, ['measures' => '1', 'divide' => 'desks']));
        self::assertSame(['Stand 1, outside', 'Stand 1, inside', 'Stand 2, outside', 'Stand 2, inside'], $names(4, $outside, ['measures' => '3', 'divide' => 'desks']));
        self::assertSame([], $names(4));
    }

    public function test_divided_notes_are_fingered_each_by_itself_over_one_bow(): void
    {
        $tune = '1# =80 | A3h +B3 A3 +B3 | G3w';
        $double = Marked::tune($tune);
        $divided = Marked::tune($tune, decisions: [['measures' => '1', 'divide' => 'outside-top']]);

        self::assertContains('unplayable-chord', array_map(static fn (string $finding): string => explode(' ', $finding)[0], $double->findings()));
        self::assertNotContains('unplayable-chord', array_map(static fn (string $finding): string => explode(' ', $finding)[0], $divided->findings()));
        $directions = array_map(static fn (NoteMark $note): ?string => $note->bow?->direction?->value, $divided->part->notes);
        self::assertSame([$directions[0], $directions[2]], [$directions[1], $directions[3]]);
        self::assertNotContains(null, array_map(static fn (NoteMark $note): ?int => $note->finger?->fingering->stop->finger, $divided->part->notes));
    }

    /** @param array<string, mixed> $decision */
    #[DataProvider('reductions')]
    public function test_a_reduction_changes_what_sounds_and_not_what_is_printed(string $tune, array $decision, string $sounding): void
    {
        $marked = Marked::tune($tune, decisions: [$decision]);

        self::assertSame($sounding, implode(' ', array_map(static fn (NoteMark $note): string => $note->note->pitch?->name().($note->note->tieStop ? '~' : ''), $marked->part->sounding())));
        self::assertCount(count(array_filter($marked->part->printed->notes(), static fn (Note $note): bool => ! $note->rest)), $marked->part->notes, 'all that is printed is still on the page');
        self::assertNotSame([], $marked->drawnAs('reduce'));
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function reductions(): iterable
    {
        yield 'the top note' => ['1# | G3h +D4 A3 +E4', ['measures' => '1', 'reduce' => 'top'], 'D4 E4'];
        yield 'the bottom note of one chord' => ['1# | G3h +D4 A3 +E4', ['note' => 'n1', 'reduce' => 'bottom'], 'G3 A3 E4'];
        yield 'a note left out' => ['1# | G3h A3', ['note' => 'n2', 'reduce' => 'leave-out'], 'G3'];
        yield 'an octave lower' => ['1# | G4h A4', ['note' => 'n1', 'to' => 'n2', 'reduce' => 'octave-down'], 'G3 A3'];
        yield 'one long note for four' => ['1# | G3e G3 G3 G3 A3h', ['note' => 'n1', 'to' => 'n4', 'reduce' => 'held'], 'G3 G3~ G3~ G3~ A3'];
    }

    private static function pitches(Part $part): string
    {
        return implode(' ', array_map(static fn (Note $note): string => (string) $note->pitch?->name(), array_values(array_filter($part->notes(), static fn (Note $note): bool => $note->sounds()))));
    }
}
