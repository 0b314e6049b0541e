<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** A trouble spot. */
final readonly class SpotView
{
    /**
     * @param  list<string>  $measures
     * @param  string  $note  id
     */
    public function __construct(
        public string $code,
        public float $seriousness,
        public string $message,
        public ?string $drill,
        public int $times,
        public array $measures,
        public string $note,
        public string $measure,
        public float $beat,
    ) {}
}
