<?php

declare(strict_types=1);

namespace App\Views\Lesson;

/** A lesson line that prepares what is not ready yet. */
final readonly class PreparedView
{
    /**
     * @param  list<string>  $what
     * @param  list<string>  $measures  in which that comes
     */
    public function __construct(
        public int $piece,
        public string $title,
        public array $what,
        public array $measures,
    ) {}
}
