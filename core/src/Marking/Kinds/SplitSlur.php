<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;

/** The bow changes inside a printed slur. */
final class SplitSlur extends BowActionKind
{
    protected function action(): BowAction
    {
        return BowAction::Split;
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return 'change inside the slur';
    }

    public function isProposed(): bool
    {
        return true;
    }
}
