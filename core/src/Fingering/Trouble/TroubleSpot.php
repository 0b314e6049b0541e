<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

/** A place that students stumble over, with the reason and, where it helps, a drill. */
final readonly class TroubleSpot
{
    /**
     * @param  string  $about  what is the same in like spots of one part: they are told once
     * @param  float  $seriousness  from 0 (good to know) to 3 (stops the class)
     */
    public function __construct(
        public string $code,
        public string $about,
        public float $seriousness,
        public PlayedNote $at,
        public string $message,
        public ?string $drill = null,
    ) {}

    public function key(): string
    {
        return "{$this->code} {$this->about}";
    }
}
