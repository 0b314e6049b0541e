<?php

declare(strict_types=1);

namespace App\Views;

/** A link that students can open. */
final readonly class LinkView
{
    /**
     * @param  string  $made  date and time
     * @param  string  $expires  date and time
     */
    public function __construct(
        public int $id,
        public string $made,
        public string $expires,
        public int $openings,
    ) {}
}
