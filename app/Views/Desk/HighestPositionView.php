<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** The highest position of a part. */
final readonly class HighestPositionView
{
    /**
     * @param  string  $note  id
     */
    public function __construct(
        public float $position,
        public string $name,
        public string $note,
        public string $measure,
        public float $beat,
    ) {}
}
