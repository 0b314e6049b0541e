<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

/** One kind of finding (`bowing.md`, “Findings”), with its sentence and its fixes. */
interface BowingRule
{
    /** The name of its findings, as `contract.md` has it. */
    public function code(): string;

    /** Whether it has to know where on its length the bow is; then it is asked only where that was worked out. */
    public function needsTravel(): bool;

    public function trial(): Trial;

    /** @return list<BowingFinding> */
    public function find(BowingCase $case): array;
}
