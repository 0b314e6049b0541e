<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;

/** The stroke goes on though no slur is printed, or a piece of a struck slur is left. */
final class AddedSlur extends BowActionKind
{
    protected function action(): BowAction
    {
        return BowAction::Join;
    }

    public function name(): string
    {
        return 'slur';
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        $to = $page->slurs->added[$note->note->id] ?? null;

        return $to === null ? [] : [new DrawnMark($note, $this, to: $to, decided: $page->isBowDecided($note->note->id, $to))];
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return "slur to {$page->place((string) $mark->to)}";
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        if (in_array($note->note->id, $page->slurs->added, true)) {
            $edit->stopSlur($page->slurNumber($note, MarkedPage::PENCIL));
        }
        if (isset($page->slurs->added[$note->note->id])) {
            $edit->startSlur($page->slurNumber($note, MarkedPage::PENCIL));
        }
    }

    public function isProposed(): bool
    {
        return true;
    }
}
