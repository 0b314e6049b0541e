<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Score;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Bowing\Strokes\Plucked;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Dynamics;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\OrderOfPerformance;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Passages;
use UprightPencil\Core\Score\PlayingOrder;
use UprightPencil\Core\Score\Span;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Score\WrongOrder;
use UprightPencil\Core\Tests\Support\Tune;

final class OrderOfPerformanceTest extends TestCase
{
    private const PLAIN = '4/4 A4w | B4 | C5 | D5 | E5 | F5';

    private const REPEAT = '4/4 A4w | |: B4 | C5 :| D5';

    private const ENDINGS = '4/4 A4w |: B4 |1 C5 :| |2 D5 | E5';

    private const THREE = '4/4 A4w |: B4 |1 C5 :| |2 D5 :| |3 E5 | F5';

    /** @param array<mixed> $order */
    #[DataProvider('orders')]
    public function test_measures_are_played_in_the_order_that_was_decided(string $tune, array $order, string $played): void
    {
        $part = self::played($tune, $order);

        self::assertSame($played, implode(' ', array_map(static fn (int $index): string => $part->measures[$index]->number, PlayingOrder::of($part)->measures())));
    }

    /** @return iterable<string, array{string, array<mixed>, string}> */
    public static function orders(): iterable
    {
        yield 'as printed' => [self::PLAIN, [], '1 2 3 4 5 6'];
        yield 'a cut' => [self::PLAIN, ['cuts' => [['from' => '2', 'to' => '4']]], '1 5 6'];
        yield 'a cut at the beginning' => [self::PLAIN, ['cuts' => [['from' => '1', 'to' => '2']]], '3 4 5 6'];
        yield 'a cut to the end' => [self::PLAIN, ['cuts' => [['from' => '5', 'to' => '6']]], '1 2 3 4'];
        yield 'two cuts' => [self::PLAIN, ['cuts' => [['from' => '2', 'to' => '2'], ['from' => '4', 'to' => '5']]], '1 3 6'];
        yield 'a repeat taken' => [self::REPEAT, [], '1 2 3 2 3 4'];
        yield 'a repeat not taken' => [self::REPEAT, ['straight' => ['3']], '1 2 3 4'];
        yield 'only the last ending' => [self::ENDINGS, ['straight' => ['3']], '1 2 4 5'];
        yield 'both endings' => [self::ENDINGS, [], '1 2 3 2 4 5'];
        yield 'the beginning of a repeat is cut: it goes back to where the music goes on' => [self::REPEAT, ['cuts' => [['from' => '2', 'to' => '2']]], '1 3 3 4'];
        yield 'the end of a repeat is cut: it is not taken' => [self::REPEAT, ['cuts' => [['from' => '3', 'to' => '3']]], '1 2 4'];
        yield 'the first ending is cut: the second is played' => [self::ENDINGS, ['cuts' => [['from' => '3', 'to' => '3']]], '1 2 4 5'];
        yield 'three endings, none repeated' => [self::THREE, ['straight' => ['3']], '1 2 5 6'];
        yield 'three endings, as printed' => [self::THREE, [], '1 2 3 2 4 2 5 6'];
        yield 'the second of three endings is cut' => [self::THREE, ['cuts' => [['from' => '4', 'to' => '4']]], '1 2 5 6'];
        yield 'a cut inside a repeat is a cut each time' => ['4/4 |: A4w | B4 | C5 :| D5', ['cuts' => [['from' => '2', 'to' => '2']]], '1 3 1 3 4'];
    }

    public function test_what_follows_a_cut_follows_at_once(): void
    {
        $part = self::played(self::PLAIN, ['cuts' => [['from' => '2', 'to' => '4']]]);

        self::assertSame([0, 1920, 3840], array_map(static fn (Measure $measure): int => $measure->start, $part->measures));
    }

    public function test_a_dynamic_of_the_cut_holds_where_the_music_goes_on(): void
    {
        $part = self::played('4/4 mf A4w | pp B4 | C5 | D5', ['cuts' => [['from' => '2', 'to' => '3']]]);

        self::assertSame(Dynamics::DEGREES['pp'], Dynamics::of($part)->at(1920));
    }

    public function test_a_sforzando_of_the_cut_is_nobodys(): void
    {
        $part = self::played('4/4 mf A4w | sfz B4 | C5', ['cuts' => [['from' => '2', 'to' => '2']]]);

        self::assertSame([], Dynamics::sforzandos($part));
        self::assertSame(Dynamics::DEGREES['mf'], Dynamics::of($part)->at(1920));
    }

    public function test_a_jump_sign_in_a_cut_jumps_no_more(): void
    {
        $part = self::played('4/4 A4w | B4 Fine | C5 D.C. | D5', ['cuts' => [['from' => '3', 'to' => '3']]]);

        self::assertCount(3, PlayingOrder::of($part)->visits);
    }

    public function test_a_tie_into_a_cut_ends_before_it(): void
    {
        [$before, $after] = self::notes('4/4 A4w- | A4- | A4', ['cuts' => [['from' => '2', 'to' => '2']]]);

        self::assertFalse($before->tieStart);
        self::assertFalse($after->tieStop);
    }

    public function test_a_slur_over_the_beginning_of_a_cut_ends_with_the_note_before_it(): void
    {
        $notes = self::notes('4/4 A4h (B4q C5 | D5 E5) F5h | G5w', ['cuts' => [['from' => '2', 'to' => '2']]]);

        self::assertSame('start', self::slurs($notes[1]));
        self::assertSame('stop', self::slurs($notes[2]));
        self::assertSame('', self::slurs($notes[3]));
    }

    public function test_a_slur_of_one_note_before_a_cut_is_none(): void
    {
        $notes = self::notes('4/4 A4h. (C5q | D5 E5) F5h | (G5h A5)', ['cuts' => [['from' => '2', 'to' => '2']]]);

        self::assertSame(['', '', 'start', 'stop'], array_map(self::slurs(...), $notes));
    }

    public function test_a_slur_out_of_a_cut_begins_with_the_first_note_after_it(): void
    {
        $notes = self::notes('4/4 A4w | B4h. (C5q | D5 E5) F5h', ['cuts' => [['from' => '2', 'to' => '2']]]);

        self::assertSame(['', 'start', 'stop', ''], array_map(self::slurs(...), $notes));
    }

    public function test_a_tied_chord_into_a_cut_ends_in_all_its_notes(): void
    {
        $notes = self::notes('4/4 A4w- +C#5- | A4- +C#5- | A4 +C#5', ['cuts' => [['from' => '2', 'to' => '2']]]);

        self::assertSame([false, false, false, false], [$notes[0]->tieStart, $notes[1]->tieStart, $notes[2]->tieStop, $notes[3]->tieStop]);
    }

    public function test_a_slur_that_was_whole_stays_whole(): void
    {
        $notes = self::notes('4/4 (A4h B4) | C5w | (D5h E5)', ['cuts' => [['from' => '2', 'to' => '2']]]);

        self::assertSame(['start', 'stop', 'start', 'stop'], array_map(self::slurs(...), $notes));
    }

    public function test_a_slur_over_the_whole_of_a_cut_ends_before_it_and_begins_again(): void
    {
        $notes = self::notes('4/4 (A4h B4 | C5w | D5h E5) | F5w', ['cuts' => [['from' => '2', 'to' => '2']]]);

        self::assertSame(['start', 'stop', 'start', 'stop', ''], array_map(self::slurs(...), $notes));
    }

    public function test_plucking_that_begins_in_a_cut_goes_on_after_it(): void
    {
        $part = self::played('4/4 A4w | pizz B4 | C5 | arco D5', ['cuts' => [['from' => '2', 'to' => '2']]]);
        $plucked = Plucked::of($part);

        self::assertSame([false, true, false], array_map(static fn (Event $event): bool => $plucked->is($event), Line::allOf($part)[0]->events));
    }

    public function test_a_tempo_of_the_cut_holds_and_a_pickup_stays_one(): void
    {
        $score = Tune::score('4/4 =60 A4q | A4w | =120 B4 | C5');
        $order = OrderOfPerformance::fromArray(['cuts' => [['from' => '2', 'to' => '2']]]);

        self::assertSame(120.0, TempoMap::of($order->ofAll($score))->at(480 + 1920));
        self::assertTrue($order->of($score->parts[0])->hasPickup($score->resolution));
        self::assertFalse(OrderOfPerformance::fromArray(['cuts' => [['from' => '0', 'to' => '0']]])->of($score->parts[0])->hasPickup($score->resolution));
    }

    public function test_a_tempo_that_was_chosen_keeps_the_proportions(): void
    {
        $map = TempoMap::of(Tune::score('4/4 =60 A4w | =90 B4'))->startingAt(80.0);

        self::assertSame([80.0, 120.0], [$map->first(), $map->at(1920)]);
    }

    public function test_passages_go_from_letter_to_letter(): void
    {
        $part = Tune::score(self::PLAIN)->parts[0];
        $letter = static fn (Measure $measure, string $name): Measure => $measure->with(items: [new Direction(0, [new DirectionSign(DirectionKind::Rehearsal, $name)]), ...$measure->items]);
        $lettered = $part->with(measures: array_map(static fn (Measure $measure): Measure => match ($measure->number) {
            '3' => $letter($measure, 'A'), '5' => $letter($measure, 'B'), default => $measure
        }, $part->measures));

        self::assertSame([], Passages::of($part));
        self::assertSame(['Beginning 1-2', 'A 3-4', 'B 5-6'], array_map(static fn (array $one): string => "{$one['name']} {$one['from']}-{$one['to']}", Passages::of($lettered)));
    }

    public function test_a_silent_section_keeps_its_measures_and_plays_nothing_in_them(): void
    {
        $order = ['tacets' => [['part' => 'violin', 'from' => '2', 'to' => '3']]];
        $part = self::played(self::PLAIN, $order);

        self::assertCount(6, $part->measures);
        self::assertSame(['n1', 'n4', 'n5', 'n6'], array_map(static fn (Note $note): string => $note->id, $part->notes()));
        self::assertSame([1, 2], OrderOfPerformance::fromArray($order)->silent(Tune::score(self::PLAIN)->parts[0]));
        self::assertSame(Tune::score(self::PLAIN, 'Cello')->parts[0]->notes() == self::played(self::PLAIN, $order, 'Cello')->notes(), true);
    }

    public function test_players_are_told_in_words(): void
    {
        $order = OrderOfPerformance::fromArray(['cuts' => [['from' => '1', 'to' => '1'], ['from' => 5, 'to' => 5]], 'straight' => ['3'], 'tacets' => [['part' => 'P1', 'from' => '2', 'to' => '2'], ['part' => 'P9', 'from' => '2', 'to' => '2']]]);

        self::assertSame(
            ['Cut measure 1: go on at 2.', 'Cut measure 5: the piece ends before.', 'Measure 3: no repeat, the last ending only.', 'Measure 2: tacet.'],
            $order->sentences(Tune::score(self::ENDINGS)->parts[0]),
        );
    }

    public function test_it_comes_back_as_it_was_written(): void
    {
        $data = ['cuts' => [['from' => '2', 'to' => '4']], 'straight' => ['3'], 'tacets' => [['part' => 'P1', 'from' => '1', 'to' => '1']]];

        self::assertSame($data, OrderOfPerformance::fromArray($data)->toArray());
    }

    /** @param array<mixed> $order */
    #[DataProvider('wrongOrders')]
    public function test_what_the_piece_does_not_have_is_told(array $order, string $told): void
    {
        $this->expectException(WrongOrder::class);
        $this->expectExceptionMessage($told);

        OrderOfPerformance::fromArray($order)->refuseUnknown(Tune::score(self::REPEAT));
    }

    /** @return iterable<string, array{array<mixed>, string}> */
    public static function wrongOrders(): iterable
    {
        yield 'no such measure' => [['cuts' => [['from' => '2', 'to' => '40']]], 'no measures “2” to “40”'];
        yield 'the end before the beginning' => [['cuts' => [['from' => '3', 'to' => '2']]], 'no measures “3” to “2”'];
        yield 'no repeat there' => [['straight' => ['2']], 'No repeat ends with measure “2”'];
        yield 'no such part' => [['tacets' => [['part' => 'Harp', 'from' => '1', 'to' => '1']]], 'no part “Harp”'];
        yield 'nothing left' => [['cuts' => [['from' => '1', 'to' => '4']]], 'Nothing would be left'];
        yield 'a word too many' => [['encores' => []], 'has no “encores”'];
        yield 'no list' => [['cuts' => 'all'], 'is a list'];
        yield 'no name' => [['cuts' => [['from' => '1']]], 'names its “to”'];
    }

    /** @param array<mixed> $order */
    private static function played(string $tune, array $order, string $name = 'Violin'): Part
    {
        return OrderOfPerformance::fromArray($order)->of(Tune::score($tune, $name)->parts[0]);
    }

    /**
     * @param  array<mixed>  $order
     * @return list<Note>
     */
    private static function notes(string $tune, array $order): array
    {
        return self::played($tune, $order)->notes();
    }

    private static function slurs(Note $note): string
    {
        return implode(' ', array_map(static fn (Span $slur): string => $slur->type, $note->slurs));
    }
}
