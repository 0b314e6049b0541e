<?php

declare(strict_types=1);

namespace App\Views\Typing;

/** What was played to a click, written down. */
final readonly class PlayedView
{
    /**
     * @param  string  $typed  the measures of a manuscript, JSON; their notes have no names yet
     */
    public function __construct(
        public string $typed,
    ) {}
}
