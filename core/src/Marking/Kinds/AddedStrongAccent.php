<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\Revision;
use UprightPencil\Core\Score\Articulation;

/** A strong accent added or struck. */
final class AddedStrongAccent extends AddedOrStruck
{
    public function name(): string
    {
        return 'strong-accent';
    }

    public function revise(Revision $revision, mixed $value): void
    {
        $revision->articulation(Articulation::StrongAccent, $value === true);
    }
}
