<?php

declare(strict_types=1);

namespace App\Views\Lesson;

use App\Views\Typed;

/** A line, or a harmony beside it, from which parts for other instruments can be made. */
final readonly class LessonSourceView
{
    /**
     * @param  list<string>  $missing  instruments that have no part of it yet
     */
    public function __construct(
        public int $part,
        public string $name,
        #[Typed("('violin' | 'viola' | 'cello' | 'bass')[]")]
        public array $missing,
    ) {}
}
