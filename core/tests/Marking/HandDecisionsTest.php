<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Fingering\Grips\FingerLink;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\EntryKind;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\Record;
use UprightPencil\Core\Marking\RecordEntry;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\Placement;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\Tune;

/** What a director may decide about the left hand, how it is taken back, and what is refused. */
final class HandDecisionsTest extends TestCase
{
    /** @param array<string, mixed> $fields */
    #[DataProvider('rightOnes')]
    public function test_any_part_of_a_fingering_and_any_mark_of_the_hand_may_be_decided(array $fields): void
    {
        $decision = Decision::fromArray(['note' => 'n1'] + $fields);

        self::assertSame($fields, $decision->fields);
        self::assertSame(['note' => 'n1'] + $fields, $decision->toArray());
    }

    /** @return iterable<array{array<string, mixed>}> */
    public static function rightOnes(): iterable
    {
        yield [['finger' => 0]];
        yield [['finger' => 2, 'string' => 'G']];
        yield [['finger' => 4, 'placement' => 'low']];
        yield [['placement' => 'harmonic']];
        yield [['position' => 0.5]];
        yield [['position' => 2.5, 'string' => 'A']];
        yield [['slide' => true]];
        yield [['bar' => true, 'stay' => false]];
        yield [['choice' => true]];
        yield [['choice' => null, 'finger' => null]];
        yield [['fingerMark' => false]];
    }

    /** @param array<string, mixed> $fields */
    #[DataProvider('wrongOnes')]
    public function test_what_cannot_be_is_refused_with_what_was_said(array $fields, string $named): void
    {
        $this->expectException(WrongDecision::class);
        $this->expectExceptionMessage("“{$named}” cannot be that in a decision");

        Decision::fromArray(['note' => 'n1'] + $fields);
    }

    /** @return iterable<array{array<string, mixed>, string}> */
    public static function wrongOnes(): iterable
    {
        yield [['finger' => 5], 'finger'];
        yield [['finger' => 'two'], 'finger'];
        yield [['string' => 'H'], 'string'];
        yield [['position' => 0], 'position'];
        yield [['position' => 13], 'position'];
        yield [['placement' => 'sideways'], 'placement'];
        yield [['slide' => 'yes'], 'slide'];
        yield [['bar' => 1], 'bar'];
        yield [['stay' => 'n3'], 'stay'];
        yield [['choice' => [0, 4]], 'choice'];
    }

    public function test_a_run_of_measures_has_no_finger(): void
    {
        $this->expectException(WrongDecision::class);
        Decision::fromArray(['measures' => '1-4', 'finger' => 2]);
    }

    public function test_decisions_become_wishes_of_the_fingering(): void
    {
        $part = Tune::score('D5q E5 F#5 E5 D5 C#5 B4 A4')->parts[0];
        $wishes = PartDecisions::of($part, array_map(Decision::fromArray(...), [
            ['note' => 'n1', 'finger' => 1, 'string' => 'A', 'placement' => 'regular', 'position' => 3],
            ['note' => 'n2', 'slide' => true],
            ['note' => 'n3', 'bar' => true],
            ['note' => 'n4', 'choice' => true],
            ['note' => 'n5', 'stay' => true],
            ['note' => 'n6', 'slide' => false],
        ]))->orders([])->fingerWishes(Instrument::Violin, []);

        self::assertEquals(['n1'], array_keys($wishes->decided));
        self::assertSame([1, 2, Placement::Regular, 3.0], [$wishes->decided['n1']->finger, $wishes->decided['n1']->string, $wishes->decided['n1']->placement, $wishes->decided['n1']->position]);
        self::assertSame(['n2' => FingerLink::Slide], $wishes->links);
        self::assertSame(['n3' => FingerLink::Bar], $wishes->onward);
        self::assertSame(['n4' => true], $wishes->open);
        self::assertTrue($wishes->isDecided('n3'));
        self::assertFalse($wishes->isDecided('n5'), 'a finger that stays down chooses no finger');
    }

    public function test_null_takes_a_part_back_and_leaves_the_rest(): void
    {
        $tune = '2# =96 | D5q E5 F#5 E5';
        $both = Marked::tune($tune, decisions: [['note' => 'n2', 'finger' => 4, 'fingerMark' => true], ['note' => 'n2', 'finger' => null]]);

        self::assertSame(Marked::tune($tune)->fingers(), $both->fingers());
        self::assertSame(['fingerMark' => true], $both->note('n2')->decided);
    }

    public function test_undo_and_redo_bring_hand_marks_back_and_forth(): void
    {
        self::assertSame(['stay' => true], self::counting('stay'));
        self::assertSame([], self::counting('stay', 'undo'));
        self::assertSame(['stay' => true], self::counting('stay', 'undo', 'redo'));
        self::assertSame(['stay' => true, 'slide' => true], self::counting('stay', 'bar', 'undo', 'slide'));
    }

    /** @return array<string, mixed> the fields that count after these entries: a field is decided, or undo, or redo */
    private static function counting(string ...$entries): array
    {
        $log = [];
        foreach (array_values($entries) as $index => $entry) {
            $kind = EntryKind::tryFrom($entry) ?? EntryKind::Decide;
            $log[] = RecordEntry::read("entry {$index}", $kind->value, 1, null, $kind === EntryKind::Decide ? [['note' => 'n1', $entry => true]] : []);
        }

        return array_merge([], ...array_map(static fn (Decision $decision): array => $decision->fields, Record::of($log)->decisions()));
    }

    #[DataProvider('instruments')]
    public function test_a_string_that_the_instrument_lacks_is_reported(Instrument $instrument, string $string): void
    {
        $tune = $instrument === Instrument::Bass ? 'A2q B2 C3 D3' : 'D4q E4 F4 G4';
        $marked = Marked::score(Tune::score($tune), new Settings(ClassProfile::of(Level::ThirdYear), $instrument), [['note' => 'n2', 'string' => $string]]);

        self::assertContains('impossible-decision 1', $marked->findings());
        self::assertNotNull($marked->note('n2')->finger?->fingering, 'the nearest is used');
    }

    /** @return iterable<array{Instrument, string}> */
    public static function instruments(): iterable
    {
        yield [Instrument::Violin, 'C'];
        yield [Instrument::Viola, 'E'];
        yield [Instrument::Cello, 'E'];
        yield [Instrument::Bass, 'C'];
    }
}
