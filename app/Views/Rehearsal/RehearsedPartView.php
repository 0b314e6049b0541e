<?php

declare(strict_types=1);

namespace App\Views\Rehearsal;

use App\Views\Typed;

/** A part in rehearsal: what stands in its measures, so that a note completes itself. */
final readonly class RehearsedPartView
{
    /**
     * @param  object  $marks  measure => what is marked in it, in words
     */
    public function __construct(
        public int $id,
        public string $name,
        public bool $decides,
        #[Typed('Record<string, string[]>')]
        public object $marks,
    ) {}
}
