<?php

declare(strict_types=1);

namespace App\Views\Handout;

/** What every section changes, in the order of the piece. */
final readonly class CallOutView
{
    /**
     * @param  list<CallOutSection>  $sections
     * @param  list<CalledView>  $lines
     */
    public function __construct(
        public string $title,
        public string $composer,
        public string $ensemble,
        public array $sections,
        public array $lines,
    ) {}
}
