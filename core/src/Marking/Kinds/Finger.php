<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Fingering\Search\FingerChange;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Orders;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Placement;

final class Finger extends Kind
{
    public const FIELD = 'finger';

    /** Another finger, string and place of the hand, as an other way has it. */
    public static function decided(FingerChange $change, Instrument $instrument): Decision
    {
        return Decision::onNote($change->note, [
            OnString::FIELD => $instrument->stringName($change->string),
            self::FIELD => $change->finger,
            FingerPlace::FIELD => $change->placement->value,
        ] + ($change->position === null ? [] : [Position::FIELD => $change->position]));
    }

    public function name(): string
    {
        return 'finger';
    }

    public function field(): string
    {
        return self::FIELD;
    }

    public function rule(): string
    {
        return 'A finger is a number from 0 (open) to 4, on one note.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return is_int($value) && $value >= 0 && $value <= 4 && $reach === Reach::Note;
    }

    public function displaces(): array
    {
        return [Choice::FIELD, MarksWritten::FINGER, FingerPlace::FIELD];
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        is_int($value) && $orders->lock($note)->finger = $value;
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        return $page->writesFinger($note) ? [new DrawnMark($note, $this, $page->finger($note))] : [];
    }

    public function taken(NoteMark $note, MarkedPage $page): array
    {
        $stop = $note->finger?->fingering->stop;

        return match (true) {
            $stop === null || ! $page->writesFinger($note) => [],
            $note->finger->fingering->choice => [Choice::FIELD => true],
            default => [self::FIELD => $stop->finger, FingerPlace::FIELD => $stop->placement->value],
        };
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return 'finger '.str_replace('/', ' or ', (string) $mark->text);
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        $mark = $note->finger;
        if ($mark === null || ! $mark->written) {
            return;
        }
        $stop = $mark->fingering->stop;
        $finger = $mark->impossible->finger ?? $stop->finger;
        $edit->finger = $mark->fingering->choice ? Choice::PRINTED : ($finger > 0 ? (string) $finger : null);
        $edit->open = $finger === 0 && ! $mark->fingering->choice;
        $edit->harmonic = $edit->harmonic || $stop->placement === Placement::Harmonic;
        // The element has only the number; what is low, high or stretched is said in words as the page has it: “L2”.
        $placement = $mark->impossible->placement ?? $stop->placement;
        $said = $page->finger($note);
        if ($finger > 0 && $said !== null && in_array($placement, [Placement::Low, Placement::High, Placement::Extended], true)) {
            $edit->say($said);
        }
    }

    public function isProposed(): bool
    {
        return true;
    }

    public function isOfTheHand(): bool
    {
        return true;
    }
}
