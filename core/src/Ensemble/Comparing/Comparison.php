<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Comparing;

use UprightPencil\Core\Ensemble\Orchestra;

/** One way in which sections can be out of line with each other (`orchestra.md`, “Findings across sections”). All stand in `Comparisons`. */
abstract class Comparison
{
    abstract public function code(): string;

    /** Whether it is only told: on screens it stays folded. */
    public function isFolded(): bool
    {
        return false;
    }

    /** @return list<OutOfLine> in the order of time, with remedies that nobody has tried yet */
    abstract public function of(Orchestra $orchestra): array;
}
