<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Views\Typed;

/** A place that is worth a decision. */
final readonly class OpenPlaceView
{
    /** @param float $weight the more, the harder */
    public function __construct(
        public string $note,
        public string $measure,
        public float $beat,
        #[Typed("'finding' | 'settle' | 'either' | 'hard'")]
        public string $kind,
        public string $why,
        public float $weight,
    ) {}
}
