<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Orders;
use UprightPencil\Core\Score\BowSign;

final class Direction extends Kind
{
    public const FIELD = 'direction';

    public static function decided(string $note, ?BowSign $sign): Decision
    {
        return Decision::onNote($note, [self::FIELD => $sign?->value]);
    }

    public function name(): string
    {
        return 'direction';
    }

    public function field(): string
    {
        return self::FIELD;
    }

    public function rule(): string
    {
        return 'A direction is down or up, on one note.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return is_string($value) && BowSign::tryFrom($value) !== null && $reach === Reach::Note;
    }

    public function displaces(): array
    {
        return [MarksWritten::BOW];
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        is_string($value) && $orders->directions[$note] = BowSign::from($value);
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        $printed = $note->note->technical->bow;
        $written = $note->bow !== null && $note->bow->written && $printed !== $note->bow->direction;

        return $written && $note->bow->direction !== null ? [new DrawnMark($note, $this, $note->bow->direction->value)] : [];
    }

    public function taken(NoteMark $note, MarkedPage $page): array
    {
        return $this->drawn($note, $page) === [] ? [] : [self::FIELD => $note->bow?->direction?->value];
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return "{$mark->text}-bow";
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        $changes = $note->bow?->action === BowAction::Change && $note->note->tieStop && $note->bow->changes === [];
        if ($note->said(MarksWritten::BOW) === false) {
            $edit->bow = null;
        } elseif ($note->bow !== null && ($note->bow->written || $changes)) {
            // A change of bow that falls on a note which is held over is written there as a sign.
            $edit->bow = $note->bow->direction;
        }
    }

    public function isProposed(): bool
    {
        return true;
    }
}
