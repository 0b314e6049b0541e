<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\Heard;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\Tune;

/** What a marked part sounds like. */
final class HeardTest extends TestCase
{
    public function test_a_new_bow_is_an_attack_and_a_slur_is_none(): void
    {
        self::assertSame(['bow', 'slur', 'bow', 'bow'], self::attacks('=60 2# | (D4q E4) F#4 G4 | A4w'));
        self::assertSame('pluck', self::heard('=60 pizz 2# | D4q E4 F#4 G4')['notes'][0]['attack']);
    }

    public function test_times_are_seconds_at_the_tempo(): void
    {
        $heard = self::heard('=120 2# | D4q E4 F#4h | A4w');
        self::assertSame([0.0, 0.5, 1.0, 2.0], array_column($heard['notes'], 'at'));
        self::assertSame([0.5, 0.5, 1.0, 2.0], array_column($heard['notes'], 'for'));
        self::assertSame([0.0, 0.5, 1.0, 1.5, 2.0, 2.5, 3.0, 3.5], array_column($heard['beats'], 'at'));
        self::assertSame([true, false, false, false], array_slice(array_column($heard['beats'], 'strong'), 0, 4));
        self::assertSame(4.0, $heard['seconds']);
    }

    public function test_a_tie_is_one_note_and_a_bow_change_on_it_is_heard(): void
    {
        self::assertSame([['n1', 1.5]], array_map(static fn (array $note): array => [$note['id'], $note['for']], array_slice(self::heard('=120 2# | D4h- D4q E4')['notes'], 0, 1)));
        $changed = self::heard('=60 2# | D4w', [['note' => 'n1', 'action' => 'change']])['notes'];
        self::assertSame(['bow', 'bow'], array_column($changed, 'attack'));
        self::assertSame(['down', 'up'], array_column($changed, 'direction'));
        self::assertSame(4.0, array_sum(array_column($changed, 'for')));
    }

    public function test_repeats_and_endings_are_played(): void
    {
        $ids = array_column(self::heard('=60 2# | |: D4h E4 | |1 F#4w :| | |2 G4w')['notes'], 'id');
        self::assertSame(['n1', 'n2', 'n3', 'n1', 'n2', 'n4'], $ids);
    }

    public function test_dots_are_short_and_marks_change_how_loud_it_is(): void
    {
        $notes = self::heard("=60 2# | p D4q' E4 ff F#4 G4")['notes'];
        self::assertLessThan($notes[1]['length'], $notes[0]['length']);
        self::assertLessThan($notes[2]['loud'], $notes[1]['loud']);
    }

    public function test_a_bass_sounds_an_octave_lower(): void
    {
        $part = Marked::tune('=60 D3w', Instrument::Bass)->part;
        self::assertSame([38], Heard::of($part, Tune::score('=60 D3w'))['notes'][0]['pitches']);
    }

    /** @return list<string> of the first measure */
    private static function attacks(string $tune): array
    {
        return array_slice(array_column(self::heard($tune)['notes'], 'attack'), 0, 4);
    }

    /**
     * @param  list<array<string, mixed>>  $decisions
     * @return array{tempo: float, seconds: float, notes: list<array{id: string, at: float, for: float, pitches: list<int>, attack: string, direction: string|null, length: float, loud: float}>, beats: list<array{at: float, measure: string, strong: bool}>}
     */
    private static function heard(string $tune, array $decisions = []): array
    {
        $score = Tune::score($tune);

        return Heard::of(Marked::tune($tune, decisions: $decisions)->part, $score);
    }
}
