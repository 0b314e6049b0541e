<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** A place where the sections can tune. */
final readonly class TuningSpotView
{
    /**
     * @param  list<string>  $sections
     */
    public function __construct(
        public string $pitch,
        public string $measure,
        public string $to,
        public float $seconds,
        public array $sections,
    ) {}
}
