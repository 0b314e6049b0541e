<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

/** One kind of finding (`bowing.md`, “Findings”), with its sentence and its fixes. */
interface BowingRule
{
    /** @return list<BowingFinding> */
    public function find(BowingCase $case): array;
}
