<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\EntryKind;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\Record;
use UprightPencil\Core\Marking\RecordEntry;
use UprightPencil\Core\Tests\Support\Tune;

/** What counts of a record, whoever wrote what into it and in whatever version. */
final class RecordTest extends TestCase
{
    /**
     * Entries as “who: what”: a finger 0 to 4 decides, “undo e1” and “redo e1” name an entry, “undo” and “redo” alone are of
     * earlier versions.
     *
     * @param  list<string>  $entries
     * @param  list<int>  $fingers  that count, oldest first
     * @param  list<string>  $undoable  by the first person
     * @param  list<string>  $redoable  by the first person
     */
    #[DataProvider('records')]
    public function test_what_counts(array $entries, array $fingers, array $undoable, array $redoable): void
    {
        $record = Record::of(self::entries($entries));

        self::assertSame($fingers, self::fingers($record));
        self::assertSame([$undoable, $redoable], [$record->undoable(1), $record->redoable(1)]);
    }

    /** @return iterable<string, array{list<string>, list<int>, list<string>, list<string>}> */
    public static function records(): iterable
    {
        yield 'nothing' => [[], [], [], []];
        yield 'two decisions' => [['1: 2', '1: 3'], [2, 3], ['e1', 'e2'], []];
        yield 'the last one undone' => [['1: 2', '1: 3', '1: undo e2'], [2], ['e1'], ['e2']];
        yield 'the first one undone' => [['1: 2', '1: 3', '1: undo e1'], [3], ['e2'], ['e1']];
        yield 'undone twice is undone once' => [['1: 2', '1: 3', '1: undo e2', '1: undo e2'], [2], ['e1'], ['e2']];
        yield 'redone' => [['1: 2', '1: 3', '1: undo e2', '1: redo e2'], [2, 3], ['e1', 'e2'], []];
        yield 'what is redone comes last' => [['1: 2', '1: 3', '1: undo e1', '1: redo e1'], [3, 2], ['e2', 'e1'], []];
        yield 'two undone, one redone' => [['1: 2', '1: 3', '1: undo e2', '1: undo e1', '1: redo e1'], [2], ['e1'], ['e2']];
        yield 'a new decision closes the way back' => [['1: 2', '1: 3', '1: undo e2', '1: 4'], [2, 4], ['e1', 'e4'], []];
        yield 'somebody else in between changes nothing of what is undone' => [['1: 2', '2: 3', '1: undo e1'], [3], [], ['e1']];
        yield 'a decision of somebody else leaves the way back open' => [['1: 2', '1: undo e1', '2: 3', '1: redo e1'], [3, 2], ['e1'], []];
        yield 'what another person took back is that person’s to redo' => [['1: 2', '2: undo e1'], [], [], []];
        yield 'undo of what is not there' => [['1: 2', '1: undo e9'], [2], ['e1'], []];
        yield 'redo of what was never undone' => [['1: 2', '1: redo e1', '1: redo e9'], [2], ['e1'], []];
        yield 'a record of an earlier version' => [['1: 1', '1: 2', '1: 3', '1: undo', '1: undo', '1: redo'], [1, 2], ['e1', 'e2'], ['e3']];
        yield 'an earlier version that undoes nothing' => [['1: undo', '1: redo', '1: 4'], [4], ['e3'], []];
    }

    public function test_what_is_not_understood_is_told_and_counts_for_nothing(): void
    {
        $record = Record::of([
            ...self::entries(['1: 2']),
            RecordEntry::read('later', 'decide', 1, null, [['note' => 'n1', 'sparkle' => true], ['note' => 'n1', 'finger' => 4], 'what?']),
            RecordEntry::read('far', 'annotate', 1, null, []),
            RecordEntry::read('end', 'undo', 1, 'e1', []),
        ]);

        self::assertSame([4], self::fingers($record), 'what is understood of an entry counts');
        self::assertSame(['later', 'far'], array_keys($record->unread()));
        self::assertStringContainsString('“sparkle” is nothing that can be decided', $record->unread()['later'][0]);
        self::assertSame(['There is no “annotate” in a record.'], $record->unread()['far']);
    }

    public function test_what_names_nothing_in_the_part_is_skipped_and_told(): void
    {
        $part = Tune::score('D4q E4 F#4 G4')->parts[0];
        $decisions = array_map(Decision::fromArray(...), [['note' => 'n1', 'finger' => 4], ['note' => 'n99', 'finger' => 2], ['measures' => '7', 'action' => 'as-it-comes'], ['note' => 'n2', 'to' => 'n3', 'place' => 'tip']]);
        $read = PartDecisions::leniently($part, $decisions);

        self::assertSame(['n1', 'n2', 'n3'], array_keys($read->notes));
        self::assertCount(2, $read->skipped);
        self::assertStringContainsString('There is no note “n99” in this part', $read->skipped[0]->why);
        self::assertSame(['n1', 'n2', 'n3'], array_keys(PartDecisions::touched($part, $decisions)));
    }

    /** Undo and redo, however they are mixed by two people, always leave what a plain list of names would. */
    public function test_undo_and_redo_go_by_name(): void
    {
        for ($seed = 1; $seed <= 40; $seed++) {
            $random = new Randomizer(new Mt19937($seed));
            $entries = $counts = [];
            for ($number = 1; $number <= 60; $number++) {
                $by = $random->getInt(1, 2);
                $about = 'e'.$random->getInt(1, $number);
                $kind = $random->getInt(0, 3);
                $entries[] = "{$by}: ".match (true) {
                    $kind < 2 => $number % 5,
                    $kind === 2 => "undo {$about}",
                    default => "redo {$about}",
                };
                $decides = array_filter($entries, static fn (string $entry): bool => preg_match('/: \d$/', $entry) === 1);
                $known = isset($decides[(int) substr($about, 1) - 1]);
                $counts = match (true) {
                    $kind < 2 => [...$counts, "e{$number}"],
                    $kind === 2 => array_values(array_diff($counts, [$about])),
                    $known && ! in_array($about, $counts, true) => [...$counts, $about],
                    default => $counts,
                };
            }
            $fingers = array_map(static fn (string $key): int => (int) substr($key, 1) % 5, $counts);

            self::assertSame($fingers, self::fingers(Record::of(self::entries($entries))), implode(', ', $entries));
        }
    }

    /**
     * @param  list<string>  $said
     * @return list<RecordEntry>
     */
    private static function entries(array $said): array
    {
        $entries = [];
        foreach ($said as $index => $entry) {
            [$by, $what] = explode(': ', $entry);
            $words = explode(' ', $what);
            $takes = $words[1] ?? null;
            $known = EntryKind::tryFrom($words[0]) ?? EntryKind::Decide;
            $entries[] = RecordEntry::read('e'.($index + 1), $known->value, (int) $by, $takes, $known === EntryKind::Decide ? [['note' => 'n1', 'finger' => (int) $what]] : []);
        }

        return $entries;
    }

    /** @return list<int> */
    private static function fingers(Record $record): array
    {
        return array_map(static fn (Decision $decision): int => is_int($decision->fields['finger']) ? $decision->fields['finger'] : -1, $record->decisions());
    }
}
