<?php

declare(strict_types=1);

namespace App\Views\Lesson;

/** A scale as one instrument plays it. */
final readonly class ScaleSectionView
{
    /**
     * @param  string  $starts  “open D”, “1 on G”
     * @param  string  $fingers  on the way up
     * @param  string  $patterns  “D 2-3, A 2-3”
     */
    public function __construct(
        public string $instrument,
        public string $starts,
        public string $fingers,
        public string $patterns,
    ) {}
}
