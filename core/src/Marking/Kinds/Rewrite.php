<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Format\Budget;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Score\Note;

/**
 * A measure that is played otherwise than it is printed, with the notes that somebody typed over it (as in a manuscript). The
 * music itself is made by `Rewriting`, before anything else is asked; here it is only shown.
 */
final class Rewrite extends Kind
{
    public const FIELD = 'rewrite';

    private const WORDS = 'played so';

    public function name(): string
    {
        return self::FIELD;
    }

    public function field(): string
    {
        return self::FIELD;
    }

    public function rule(): string
    {
        return '“rewrite” has the notes of one measure as a manuscript has them, and at least one of them sounds.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return ($reach === Reach::Measures || $reach === Reach::Note) && is_array($value) && array_is_list($value) && count($value) <= Budget::MOST_NOTES_IN_A_MEASURE
            && array_filter($value, is_array(...)) === $value
            && array_filter($value, static fn (array $note): bool => is_array($note['heads'] ?? null) && $note['heads'] !== []) !== [];
    }

    /** It stands at the first note of the measure. */
    public function across(mixed $value, array $notes, ?string $after): array
    {
        return [$notes[0] => $value];
    }

    public function isCarried(): bool
    {
        return false;
    }

    public function isTyped(): bool
    {
        return true;
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        return $note->said(self::FIELD) === null ? [] : [new DrawnMark($note, $this, self::WORDS)];
    }

    /** A sentence, for whoever has the printed part only: “play D quarter, E eighth, rest eighth”. */
    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        $played = [];
        foreach ($page->part->part->measures as $measure) {
            $notes = $measure->notes();
            in_array($mark->note->note->id, array_column($notes, 'id'), true) && $played = $notes;
        }
        $say = $page->style->vocabulary->say(...);
        $told = [];
        foreach ($played as $note) {
            $value = $note->grace ? 'grace note' : trim(str_repeat('dotted ', $note->value->dots ?? 0).self::value($note));
            $told[] = $note->chord ? 'with '.$say((string) $note->pitch?->spoken()) : trim(($note->rest ? 'rest' : $say((string) $note->pitch?->spoken())).' '.$say($value));
        }

        return 'instead of what is printed: '.implode(', ', $told);
    }

    private static function value(Note $note): string
    {
        return $note->value?->type->value ?? 'for the whole measure';
    }
}
