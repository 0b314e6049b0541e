<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Derived;

/** Notes of a derived part that were moved by octaves so that the instrument has them, or that it does not have. */
final readonly class Shift
{
    /**
     * @param  string  $from  id of the first note
     * @param  string  $to  id of the last note
     * @param  string  $measure  printed number of the measure where it begins
     * @param  string  $last  and where it ends
     * @param  int  $octaves  0: they stay where they are, out of reach
     */
    public function __construct(
        public string $from,
        public string $to,
        public string $measure,
        public string $last,
        public int $notes,
        public int $octaves,
        public string $because,
    ) {}

    /** @return array{from: string, to: string, measure: string, last: string, notes: int, octaves: int, because: string} */
    public function toArray(): array
    {
        return ['from' => $this->from, 'to' => $this->to, 'measure' => $this->measure, 'last' => $this->last, 'notes' => $this->notes, 'octaves' => $this->octaves, 'because' => $this->because];
    }
}
