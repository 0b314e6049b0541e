<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Orders;

/** A finger stays down while others play. */
final class StayDown extends HandSign
{
    protected function link(): string
    {
        return 'stay';
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        $value === true ? $orders->stays[$note] = true : $orders->off[$this->field()][$note] = true;
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        $to = $note->finger?->stay;

        return $to === null ? [] : [new DrawnMark($note, $this, to: $to)];
    }

    public function taken(NoteMark $note, MarkedPage $page): array
    {
        return $this->drawn($note, $page) === [] ? [] : [$this->field() => true];
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return "finger stays down, to {$page->place((string) $mark->to)}";
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        $note->finger?->stay === null || $edit->say('stay down');
    }

    public function isProposed(): bool
    {
        return true;
    }
}
