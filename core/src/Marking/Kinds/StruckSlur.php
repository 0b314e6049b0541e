<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;

/** A printed slur is struck out. */
final class StruckSlur extends BowActionKind
{
    public const NAME = 'strike';

    protected function action(): BowAction
    {
        return BowAction::Strike;
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        $to = $page->slurs->struck[$note->note->id] ?? null;

        return $to === null ? [] : [new DrawnMark($note, $this, to: $to, decided: $page->isBowDecided($note->note->id, $to))];
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return 'strike the slur';
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        isset($page->slurs->struck[$note->note->id]) && $edit->dropSlurs('start');
        in_array($note->note->id, $page->slurs->struck, true) && $edit->dropSlurs('stop');
    }

    public function isProposed(): bool
    {
        return true;
    }
}
