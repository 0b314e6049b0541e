<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Score\Articulation;

/** Two notes go the same way with a stop between them. */
final class Hook extends BowActionKind
{
    public const NAME = 'hook';

    protected function action(): BowAction
    {
        return BowAction::Hook;
    }

    public function drawn(NoteMark $note, MarkedPage $page): array
    {
        $from = $note->bow?->action === BowAction::Hook && ! $note->isUnderSlur() ? $page->lastOfStrokeBefore($note) : null;

        return $from === null || $note->note->chord ? [] : [new DrawnMark($note, $this, from: $from)];
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return "hook to {$page->place((string) $mark->from)}";
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        if (isset($page->hookStarts[$note->note->id])) {
            $edit->startSlur($page->slurNumber($note, MarkedPage::HOOK));
            $note->note->has(Articulation::Staccato) || $edit->articulations[] = Articulation::Staccato;
        }
        if (in_array($note->note->id, $page->hookEnds, true)) {
            $edit->stopSlur($page->slurNumber($note, MarkedPage::HOOK));
        }
    }

    public function isProposed(): bool
    {
        return true;
    }
}
