<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Teaching\Learning;

use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Teaching\Learning\Aspect;
use UprightPencil\Core\Teaching\Learning\Lookouts;
use UprightPencil\Core\Teaching\Learning\Observation;
use UprightPencil\Core\Teaching\Learning\TaughtPart;
use UprightPencil\Core\Tests\Support\Tune;

/** What counts as evidence of a part: what was decided, for good, also in print where it is the director's. */
final class TaughtPartTest extends TestCase
{
    private const UP = '2# | F#4q G4 A4 B4 | D4w';

    private const BASE = ['level' => 'second-year'];

    public function test_a_decision_is_seen_beside_what_would_have_been_proposed(): void
    {
        self::assertSame(['n3 Hand 4 on D / 0 on A'], self::seen(self::UP, [['note' => 'n3', 'finger' => 4]]));
        self::assertSame(['n3 Hand 0 on A / 0 on A'], self::seen(self::UP, [['note' => 'n3', 'finger' => 0]]), 'what is proposed may be taken');
        self::assertSame([], self::seen(self::UP, []), 'what was left standing says nothing');
        self::assertSame([], self::seen(self::UP, [['note' => 'n3', 'dynamic' => 'p']]), 'and so does what is neither hand nor bow');
    }

    public function test_of_the_bow_it_is_seen_whether_it_turns_or_goes_on(): void
    {
        $march = '4/4 | A4q. B4e C5q. D5e | A4w';
        self::assertSame(['n2 Bow turns / goes on, hook'], self::seen($march, [['note' => 'n2', 'direction' => 'up']]));
        self::assertSame(['n2 Bow goes on, hook / goes on, hook'], self::seen($march, [['note' => 'n2', 'action' => 'hook']]));
    }

    public function test_what_is_written_or_not_is_seen(): void
    {
        self::assertSame(['n2 FingersWritten written / not written'], self::seen(self::UP, [['note' => 'n2', 'fingerMark' => true]]));
        self::assertSame(['n1 BowWritten not written / written'], self::seen(self::UP, [['note' => 'n1', 'bowMark' => false]]));
    }

    public function test_for_this_once_it_says_nothing_until_it_is_decided_for_good(): void
    {
        $once = ['note' => 'n3', 'finger' => 4, 'once' => true];
        self::assertSame([], self::seen(self::UP, [$once]));
        self::assertSame([], self::seen(self::UP, [['note' => 'n3', 'finger' => 4], $once]), 'said afterwards');
        self::assertSame(['n3 Hand 4 on D / 0 on A'], self::seen(self::UP, [$once, ['note' => 'n3', 'finger' => 4]]));

        $kept = Decision::fromArray($once);
        self::assertTrue($kept->isOnce());
        self::assertSame($once, $kept->toArray());
        self::assertTrue(Decision::fromArray($kept->toArray())->isOnce(), 'it comes back as it was');
        self::assertFalse(Decision::fromArray(['once' => false] + $once)->isOnce());
        $this->expectExceptionObject(new WrongDecision('“once” of a decision is true or false: {"once":"maybe","note":"n3","finger":4}'));
        Decision::fromArray(['once' => 'maybe'] + $once);
    }

    public function test_a_print_that_is_the_directors_is_read_as_decided(): void
    {
        $printed = '2# | F#4q!d G4 A4^4 B4!u | D4w^0';
        self::assertSame([], self::seen($printed, []), 'nobody’s until somebody says so');
        self::assertSame(['n3 Hand 4 on D / 0 on A', 'n5 Hand 0 on D / 0 on D', 'n1 Bow down / down', 'n4 Bow turns / turns'], self::seen($printed, [], withPrint: true));
        self::assertSame(['n3 Hand 0 on A / 0 on A', 'n5 Hand 0 on D / 0 on D', 'n1 Bow down / down', 'n4 Bow turns / turns'], self::seen($printed, [['note' => 'n3', 'finger' => 0]], withPrint: true), 'what was decided since goes before it');
    }

    public function test_a_part_is_looked_at_as_its_section_and_piece_are_set(): void
    {
        self::assertSame(['n3 Hand 4 on D / 4 on D'], self::seen(self::UP, [['note' => 'n3', 'finger' => 4]], own: ['open' => 'four']));
        self::assertSame(['n2 Bow turns / turns'], self::seen('4/4 | A4q. B4e C5q. D5e | A4w', [['note' => 'n2', 'direction' => 'up']], own: ['bowing' => 'as-it-comes']));
    }

    /**
     * @param  list<array<string, mixed>>  $decided
     * @param  array<string, mixed>  $own
     * @return list<string> “n3 Hand 4 on D / 0 on A”
     */
    private static function seen(string $tune, array $decided, bool $withPrint = false, array $own = []): array
    {
        $score = Tune::score($tune);
        $part = new TaughtPart($score, $score->parts[0], array_map(Decision::fromArray(...), $decided), 'Tune', $own);
        $look = (new Lookouts([$withPrint ? $part->withItsPrint() : $part]))->through(self::BASE);
        $observed = $look->observations();
        foreach ($observed as $one) {
            self::assertSame($one->chosen === $one->proposed, $look->explains($one));
        }

        return array_map(static fn (Observation $one): string => "{$one->note} {$one->of->name} {$one->chosen} / {$one->proposed}", $observed);
    }

    public function test_hand_and_bow_are_aspects_of_their_own(): void
    {
        self::assertSame([Aspect::Bow, Aspect::BowWritten], array_values(array_filter(Aspect::cases(), static fn (Aspect $one): bool => $one->isOfTheBow())));
    }
}
