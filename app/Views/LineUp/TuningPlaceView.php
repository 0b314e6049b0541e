<?php

declare(strict_types=1);

namespace App\Views\LineUp;

/** Where to stop and tune. */
final readonly class TuningPlaceView
{
    /**
     * @param  list<TuningHolderView>  $parts
     * @param  list<TuningAgainstView>  $against
     * @param  string|null  $start  the measure to come from
     */
    public function __construct(
        public string $measure,
        public float $beat,
        public string $pitch,
        public float $seconds,
        public bool $everybody,
        public array $parts,
        public array $against,
        public ?string $start,
        public ?string $drill,
    ) {}
}
