<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** A beat of the click. */
final readonly class HeardBeatView
{
    /** @param float $at seconds from the start */
    public function __construct(
        public float $at,
        public string $measure,
        public bool $strong,
    ) {}
}
