<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteEdit;
use UprightPencil\Core\Marking\NoteMark;

/** The bow leaves the string and comes back, usually to the frog. */
final class Retake extends BowActionKind
{
    protected function action(): BowAction
    {
        return BowAction::Retake;
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return 'retake';
    }

    public function heard(string $words): array
    {
        return $words === 'retake' ? [self::FIELD => BowAction::Retake->value] : [];
    }

    public function write(NoteEdit $edit, NoteMark $note, MarkedPage $page): void
    {
        $note->bow?->action === BowAction::Retake && ! $note->note->chord && $edit->say('retake');
    }

    public function isProposed(): bool
    {
        return true;
    }
}
