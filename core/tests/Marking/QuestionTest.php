<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Question;
use UprightPencil\Core\Tests\Support\Marked;

/** Two versions of a span, side by side until one is taken. */
final class QuestionTest extends TestCase
{
    private const TUNE = '4/4 2# | D4q E4 F#4 G4 | A4 G4 F#4 E4 | D4w';

    public function test_what_is_to_settle_does_not_count_and_what_is_taken_does(): void
    {
        $asked = self::asked([['note' => 'n5', 'finger' => 4]], [['note' => 'n5', 'finger' => 0]], 'does it ring?');
        $page = Marked::tune(self::TUNE, decisions: [['note' => 'n5', 'finger' => 4], ...$asked]);
        self::assertSame(4, $page->note('n5')->decided['finger'], 'nothing changes while it is open');

        [$question] = Question::all(array_map(Decision::fromArray(...), $asked));
        self::assertSame(['A', 'B'], array_keys($question->versions));
        self::assertSame('does it ring?', $question->listen);
        self::assertNull($question->taken);

        $taken = array_map(static fn (Decision $decision): array => $decision->toArray(), $question->taking('B'));
        $settled = Marked::tune(self::TUNE, decisions: [['note' => 'n5', 'finger' => 4], ...$asked, ...$taken]);
        self::assertSame(0, $settled->note('n5')->decided['finger']);
        self::assertSame('B', Question::all(array_map(Decision::fromArray(...), [...$asked, ...$taken]))[0]->taken);
    }

    public function test_the_first_version_is_the_page_as_it_is_also_where_nothing_was_decided(): void
    {
        $asked = self::asked([], [['note' => 'n5', 'finger' => 0], ['note' => 'n3', 'text' => 'listen']]);
        $first = array_values(array_filter($asked, static fn (array $decision): bool => $decision['version'] === 'A'));
        $plain = Marked::tune(self::TUNE);
        $back = Marked::tune(self::TUNE, decisions: [['note' => 'n5', 'finger' => 0], ['note' => 'n3', 'text' => 'listen'], ...array_map(static fn (array $decision): array => array_diff_key($decision, ['state' => 1]), $first)]);

        self::assertSame($plain->fingers(), $back->fingers());
        self::assertArrayNotHasKey('text', $back->note('n3')->decided);
    }

    public function test_another_version_of_the_same_notes_joins_the_question(): void
    {
        $two = array_map(Decision::fromArray(...), self::asked([], [['note' => 'n5', 'finger' => 0]]));
        $third = Question::asked(Marked::tune(self::TUNE)->part, [Decision::fromArray(['note' => 'n5', 'finger' => 3])], Question::all($two), 'other', '');
        $questions = Question::all([...$two, ...$third]);

        self::assertCount(1, $questions);
        self::assertSame(['A', 'B', 'C'], array_keys($questions[0]->versions));
    }

    /**
     * @param  list<array<string, mixed>>  $decided
     * @param  list<array<string, mixed>>  $other
     * @return list<array<string, mixed>>
     */
    private static function asked(array $decided, array $other, string $listen = ''): array
    {
        return array_map(static fn (Decision $decision): array => $decision->toArray(), Question::asked(Marked::tune(self::TUNE, decisions: $decided)->part, array_map(Decision::fromArray(...), $other), [], 'q1', $listen));
    }
}
