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

/** Something done with the bow at one note. A note has one such action; a later one takes its place. */
abstract class BowActionKind extends Kind
{
    public const FIELD = 'action';

    abstract protected function action(): BowAction;

    /** The word in which it goes out and is heard again; null when a sign says it. */
    protected function word(): ?string
    {
        return null;
    }

    public static function decided(string $note, BowAction $action): Decision
    {
        return Decision::onNote($note, [self::FIELD => $action->value]);
    }

    public static function takenBack(string $note): Decision
    {
        return Decision::onNote($note, [self::FIELD => null]);
    }

    public function name(): string
    {
        return $this->action()->value;
    }

    public function field(): string
    {
        return self::FIELD;
    }

    public function rule(): string
    {
        return 'An action at a note is one of '.implode(', ', array_column(BowAction::cases(), 'value')).'.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return $value === $this->action()->value && $reach === Reach::Note;
    }

    public function isSignOfTheBow(): bool
    {
        return true;
    }

    public function displaces(): array
    {
        return [MarksWritten::BOW];
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        $orders->actions[$note] = $this->action();
    }

    public function heard(string $words): array
    {
        return $words === $this->word() ? [self::FIELD => $this->action()->value] : [];
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        $word = $note->bow?->action === $this->action() && ! $note->note->chord ? $this->word() : null;
        $word === null || $edit->say($word);
    }

    public function taken(NoteMark $note, MarkedPage $page): array
    {
        return $note->bow?->action === $this->action() && ! $note->note->chord ? [self::FIELD => $this->action()->value] : [];
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        return $note->bow?->action === $this->action() && $note->bow->begins && ! $note->note->chord ? [new DrawnMark($note, $this)] : [];
    }
}
