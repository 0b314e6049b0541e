<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** The lowest or highest note of a part. */
final readonly class ExtremeView
{
    /**
     * @param  string  $note  id
     */
    public function __construct(
        public string $pitch,
        public string $string,
        public string $finger,
        public string $note,
        public string $measure,
        public float $beat,
    ) {}
}
