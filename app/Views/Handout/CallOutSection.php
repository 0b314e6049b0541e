<?php

declare(strict_types=1);

namespace App\Views\Handout;

/** A section on the sheet for the podium. */
final readonly class CallOutSection
{
    /** @param SlipEndView $from what it has */
    public function __construct(
        public string $part,
        public SlipEndView $from,
        public int $changes,
    ) {}
}
