<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

/** A decision that names nothing in a part, and why. */
final readonly class SkippedDecision
{
    public function __construct(
        public Decision $decision,
        public string $why,
    ) {}
}
