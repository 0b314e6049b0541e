<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Marking;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\Finding;
use UprightPencil\Core\Marking\Kinds\Kind;
use UprightPencil\Core\Marking\Kinds\Kinds;
use UprightPencil\Core\Marking\Kinds\Reach;
use UprightPencil\Core\Marking\SheetLine;
use UprightPencil\Core\Marking\TransferSheet;
use UprightPencil\Core\Tests\Support\Marked;
use UprightPencil\Core\Tests\Support\RandomDecisions;
use UprightPencil\Core\Tests\Support\RandomTune;
use UprightPencil\Core\Tests\Support\Tune;

/** Nobody decides anything in vain: it is drawn at its note, or the page says why it cannot be. */
final class EveryDecisionIsSeenTest extends TestCase
{
    /** They are drawn as the finger, string and position that come of them. */
    private const IN_THE_HAND = ['finger', 'choice', 'string', 'position', 'shift'];

    #[DataProvider('decisions')]
    public function test_it_is_drawn_or_told(string $field, mixed $value, int $seed): void
    {
        $tune = RandomTune::of($seed, $seed % 2 === 0);
        $notes = array_values(array_filter(Tune::score($tune)->parts[0]->notes(), static fn ($note): bool => ! $note->rest));
        $note = $notes[($seed * 7 + crc32($field.json_encode($value))) % count($notes)]->id;
        $marked = Marked::tune($tune, decisions: [['note' => $note, $field => $value]]);
        $kind = Kinds::accepting($field, $value, Reach::Note);
        $kinds = in_array($field, self::IN_THE_HAND, true) ? self::IN_THE_HAND : [$kind?->name()];
        $drawn = array_filter($marked->drawn(), static fn (DrawnMark $mark): bool => in_array($mark->kind->name(), $kinds, true) && ($mark->note->note->id === $note || $mark->to === $note));
        $told = array_filter($marked->part->findings, static fn (Finding $finding): bool => $finding->note === $note && in_array($finding->code, ['impossible-decision', 'no-choice'], true));

        self::assertNotSame([], [...$drawn, ...$told], "{$tune} {$note} ".json_encode([$field => $value], JSON_UNESCAPED_UNICODE));
        self::assertSame($value, $marked->note($note)->decided[$field], 'the note still knows what was decided');
        foreach ($drawn as $mark) {
            self::assertNotSame([], array_filter(TransferSheet::of($marked->part)->lines, static fn (SheetLine $line): bool => in_array($mark->note->note->id, $line->notes, true)), 'the sheet says it too');
        }
    }

    /** @return iterable<string, array{string, mixed, int}> */
    public static function decisions(): iterable
    {
        foreach (RandomDecisions::AT_A_NOTE as $field => $values) {
            foreach (array_filter($values, static fn (mixed $value): bool => ! in_array($value, [false, 'none'], true)) as $value) {
                // A rest is counted only where there is one: KindsTest.
                for ($seed = 1; $seed <= ($field === 'count' ? 0 : 4); $seed++) {
                    yield "{$field} ".json_encode($value, JSON_UNESCAPED_UNICODE)." in tune {$seed}" => [$field, $value, $seed];
                }
            }
        }
    }

    /** @param string|null $there the tune with the sign printed */
    #[DataProvider('signs')]
    public function test_a_sign_is_struck_where_it_is_printed_and_added_where_it_is_not(string $field, ?string $there): void
    {
        $without = '=96 mf D5q E5 F#5 G5 | A5w';
        foreach ([true, false] as $value) {
            $added = Marked::tune($without, decisions: [['note' => 'n2', $field => $value]]);
            self::assertSame($value ? ['n2' => $field] : [], $added->drawnAs($field));
            $struck = $there === null ? null : Marked::tune($there, decisions: [['note' => 'n2', $field => $value]]);
            $struck === null || self::assertSame($value ? [] : ['n2' => DrawnMark::STRUCK], $struck->drawnAs($field));
        }
    }

    /** @return iterable<string, array{string, string|null}> */
    public static function signs(): iterable
    {
        yield 'accent' => ['accent', '=96 mf D5q E5> F#5 G5 | A5w'];
        yield 'staccato' => ['staccato', "=96 mf D5q E5' F#5 G5 | A5w"];
        foreach (['strongAccent', 'tenuto', 'fermata', 'breath'] as $field) {
            yield $field => [$field, null];
        }
    }

    public function test_a_dynamic_is_struck_only_where_one_is_printed(): void
    {
        $marked = Marked::tune('=96 mf D5q E5 F#5 G5 | A5w', decisions: [['note' => 'n1', 'dynamic' => 'none'], ['note' => 'n3', 'dynamic' => 'none'], ['note' => 'n4', 'dynamic' => 'p']]);

        self::assertSame(['n1' => DrawnMark::STRUCK, 'n4' => 'p'], $marked->drawnAs('dynamic'));
    }

    public function test_each_kind_that_is_decided_about_a_note_is_tried_here(): void
    {
        $elsewhere = ['desks', 'times', 'placement', 'bar', 'staffText', 'bowMark', 'fingerMark', 'apart', 'know', 'rewrite'];
        $fields = array_unique(array_map(static fn (Kind $kind): string => $kind->field(), Kinds::all()));

        self::assertEqualsCanonicalizing($fields, [...array_keys(RandomDecisions::AT_A_NOTE), ...$elsewhere]);
    }
}
