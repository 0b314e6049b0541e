<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\Revision;
use UprightPencil\Core\Score\Articulation;

/** A staccato dot added or struck. */
final class AddedStaccato extends AddedOrStruck
{
    public function name(): string
    {
        return 'staccato';
    }

    public function revise(Revision $revision, mixed $value): void
    {
        $revision->articulation(Articulation::Staccato, $value === true);
    }
}
