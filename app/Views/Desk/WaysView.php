<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** Other ways to finger a span. */
final readonly class WaysView
{
    /**
     * @param  list<WayView>  $ways  in order of cost
     */
    public function __construct(
        public array $ways,
    ) {}
}
