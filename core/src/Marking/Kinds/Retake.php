<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;

/** The bow leaves the string and comes back, usually to the frog. */
final class Retake extends BowActionKind
{
    protected function action(): BowAction
    {
        return BowAction::Retake;
    }

    protected function word(): string
    {
        return 'retake';
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return 'retake';
    }

    public function isProposed(): bool
    {
        return true;
    }
}
