<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

/** A change of bow while a note is held. */
final readonly class HeldChange
{
    /**
     * @param  string  $measure  as printed
     * @param  float  $beat  printed beat, from 1
     * @param  int  $tick  from the start of the part, as written
     * @param  float|null  $from  where on the bow the stroke after it begins: 0 is the frog, 1 the tip
     */
    public function __construct(
        public string $measure,
        public float $beat,
        public int $tick,
        public ?float $from = null,
        public ?float $to = null,
    ) {}

    /** @return array{measure: string, beat: float, tick: int, from: float|null, to: float|null} */
    public function toArray(): array
    {
        return ['measure' => $this->measure, 'beat' => $this->beat, 'tick' => $this->tick, 'from' => $this->from, 'to' => $this->to];
    }
}
