<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Tests\Support\Tune;

final class DecisionsTest extends TestCase
{
    /** @param array<string, mixed> $data */
    #[DataProvider('right')]
    public function test_decisions_are_read_in_the_words_of_the_contract(array $data): void
    {
        self::assertEquals($data, Decision::fromArray($data)->toArray());
    }

    /** @return iterable<array{array<string, mixed>}> */
    public static function right(): iterable
    {
        yield [['part' => 'P1', 'note' => 'n12', 'direction' => 'down']];
        yield [['part' => 'P1', 'note' => 'n14', 'finger' => 2, 'string' => 'G']];
        yield [['part' => 'P1', 'note' => 'n15', 'finger' => 4, 'placement' => 'low']];
        yield [['part' => 'P1', 'measures' => '97-98', 'action' => 'as-it-comes']];
        yield [['note' => 'n30', 'action' => 'hook']];
        yield [['note' => 'n31', 'action' => 'retake']];
        yield [['note' => 'n31', 'finger' => null]];
    }

    /** @param array<string, mixed> $data */
    #[DataProvider('wrong')]
    public function test_what_is_no_decision_is_refused(array $data): void
    {
        $this->expectException(WrongDecision::class);
        Decision::fromArray($data);
    }

    /** @return iterable<array{array<string, mixed>}> */
    public static function wrong(): iterable
    {
        yield [[]];
        yield [['note' => 'n1']];
        yield [['direction' => 'down']];
        yield [['note' => 'n1', 'measures' => '1', 'direction' => 'down']];
        yield [['note' => 'n1', 'direction' => 'sideways']];
        yield [['note' => 'n1', 'finger' => 5]];
        yield [['note' => 'n1', 'finger' => '1']];
        yield [['note' => 'n1', 'string' => 'H']];
        yield [['note' => 'n1', 'colour' => 'red']];
        yield [['measures' => '1-2', 'finger' => 1]];
        yield [['note' => 7, 'finger' => 1]];
    }

    public function test_later_decisions_lie_over_earlier_ones_field_by_field(): void
    {
        $part = Tune::score('D4q E4 F#4 G4')->parts[0];
        $decided = PartDecisions::of($part, self::read([
            ['note' => 'n1', 'finger' => 0, 'direction' => 'up'],
            ['note' => 'n1', 'finger' => 4],
            ['note' => 'n2', 'direction' => 'down'],
            ['note' => 'n2', 'direction' => null],
        ]));

        self::assertSame(['n1' => ['direction' => 'up', 'finger' => 4]], $decided->notes);
        self::assertSame(4, $decided->orders([])->fingerWishes(Instrument::Violin, [])->decided['n1']->finger);
        self::assertSame(['n1'], array_keys($decided->orders([])->directions));
    }

    public function test_ranges_of_measures_go_by_their_printed_numbers(): void
    {
        $part = Tune::score('A4q | D4w | E4w | F#4w | G4w')->parts[0];

        self::assertSame(['n3', 'n4'], self::struck($part, [['measures' => '2-3', 'action' => 'as-it-comes']]));
        self::assertSame(['n1'], self::struck($part, [['measures' => '0', 'action' => 'as-it-comes']]));
        self::assertSame(['n3'], self::struck($part, [['measures' => '2-3', 'action' => 'as-it-comes'], ['measures' => '3', 'action' => null]]));
        self::assertCount(5, self::struck($part, [['measures' => 'all', 'action' => 'as-it-comes']]));
        self::assertSame(['n2', 'n3'], self::struck($part, [['note' => 'n2', 'to' => 'n3', 'action' => 'as-it-comes']]));
    }

    /** @param array<string, mixed> $decision */
    #[DataProvider('strangers')]
    public function test_a_decision_that_names_nothing_is_refused(array $decision): void
    {
        $score = Tune::score('D4w');
        $this->expectException(WrongDecision::class);
        PartDecisions::of($score->parts[0], PartDecisions::about($score->parts[0], $score, self::read([$decision])));
    }

    /** @return iterable<array{array<string, mixed>}> */
    public static function strangers(): iterable
    {
        yield [['note' => 'n99', 'direction' => 'down']];
        yield [['part' => 'P9', 'note' => 'n1', 'direction' => 'down']];
        yield [['part' => 'P1', 'note' => 'n99', 'direction' => 'down']];
        yield [['measures' => '7', 'action' => 'as-it-comes']];
        yield [['measures' => '3-1', 'action' => 'as-it-comes']];
    }

    /**
     * @param  list<array<string, mixed>>  $decisions
     * @return list<string>
     */
    private static function struck(Part $part, array $decisions): array
    {
        return array_keys(PartDecisions::of($part, self::read($decisions))->orders([])->struck);
    }

    /**
     * @param  list<array<string, mixed>>  $list
     * @return list<Decision>
     */
    private static function read(array $list): array
    {
        return array_map(Decision::fromArray(...), $list);
    }
}
