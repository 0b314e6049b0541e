<?php

declare(strict_types=1);

namespace App\Views\Lesson;

/** Scales of one instrument that start on one finger and have one pattern. */
final readonly class ScalePatternView
{
    /**
     * @param  string  $starts  the finger
     * @param  string  $patterns  where the half steps lie, string by string
     * @param  string  $where  “G: A, B♭; D: E, F”
     */
    public function __construct(
        public string $instrument,
        public string $starts,
        public string $patterns,
        public string $where,
    ) {}
}
