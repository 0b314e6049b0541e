<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Marking\DrawnMark;
use UprightPencil\Core\Marking\MarkedPage;

/** The bow leaves the string in a rest and is set down elsewhere. */
final class Lift extends BowActionKind
{
    protected function action(): BowAction
    {
        return BowAction::Lift;
    }

    protected function word(): string
    {
        return 'lift';
    }

    public function words(DrawnMark $mark, MarkedPage $page): string
    {
        return 'lift';
    }

    public function isProposed(): bool
    {
        return true;
    }
}
