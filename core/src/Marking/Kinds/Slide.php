<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Fingering\Grips\FingerLink;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Orders;

/** One finger goes from note to note without leaving the string. */
final class Slide extends HandSign
{
    protected function link(): string
    {
        return 'slide';
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        $value === true ? $orders->links[$note] = FingerLink::Slide : $orders->off[$this->field()][$note] = true;
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        return $note->finger?->slide !== null && $page->writesFinger($note) ? [new DrawnMark($note, $this, from: $note->finger->slide)] : [];
    }

    public function taken(NoteMark $note, MarkedPage $page): array
    {
        return $this->drawn($note, $page) === [] ? [] : [$this->field() => true];
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return 'slide';
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        $note->finger?->slide !== null && $note->finger->written && $edit->say('slide');
    }

    public function isProposed(): bool
    {
        return true;
    }
}
