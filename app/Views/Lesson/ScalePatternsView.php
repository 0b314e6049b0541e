<?php

declare(strict_types=1);

namespace App\Views\Lesson;

/** One-octave major scales of a class by the finger that they start on. */
final readonly class ScalePatternsView
{
    /**
     * @param  list<ScalePatternView>  $patterns
     */
    public function __construct(
        public array $patterns,
    ) {}
}
