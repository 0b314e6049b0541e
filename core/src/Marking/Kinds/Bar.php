<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Fingering\Grips\FingerLink;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Orders;

/** One finger lies over two strings. */
final class Bar extends HandSign
{
    protected function link(): string
    {
        return 'bar';
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        $value === true ? $orders->onward[$note] = FingerLink::Bar : $orders->off[$this->field()][$note] = true;
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        $to = $note->finger?->bar;

        return $to === null ? [] : [new DrawnMark($note, $this, to: $to)];
    }

    public function taken(NoteMark $note, MarkedPage $page): array
    {
        return $this->drawn($note, $page) === [] ? [] : [$this->field() => true];
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return "one finger over both strings, to {$page->place((string) $mark->to)}";
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        $note->finger?->bar === null || $edit->say('bar');
    }

    public function isProposed(): bool
    {
        return true;
    }
}
