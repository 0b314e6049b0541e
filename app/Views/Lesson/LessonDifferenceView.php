<?php

declare(strict_types=1);

namespace App\Views\Lesson;

/** Where instruments on one line do different things. */
final readonly class LessonDifferenceView
{
    /**
     * @param  list<string>  $measures
     */
    public function __construct(
        public array $measures,
        public string $words,
    ) {}
}
