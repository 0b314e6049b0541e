<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Orders;

/** Separate bows, alternating, no slurs. */
final class AsItComes extends BowedRun
{
    protected function value(): string
    {
        return 'as-it-comes';
    }

    public function order(Orders $orders, string $note, mixed $value): void
    {
        $orders->struck[$note] = true;
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        return $this->bracket($note, $page);
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return 'as it comes'.($mark->to === null ? '' : ", to {$page->place($mark->to)}");
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        // The struck slurs say it; the word is for the reader.
        foreach ($this->bracket($note, $page) as $mark) {
            $edit->say('as it comes');
        }
    }
}
