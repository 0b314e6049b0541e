<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Handing;

/** A note as far as it matters to what is told of a page: where it stands, and which marks it could have. */
final readonly class PageNote
{
    /**
     * @param  string  $voice  notes of one voice follow each other
     * @param  int  $tick  from the start of the part
     * @param  int  $duration  ticks
     * @param  bool  $tied  held over from the note before
     * @param  bool  $slurs  a printed slur begins at it
     */
    public function __construct(
        public string $id,
        public string $voice,
        public string $measure,
        public int $tick,
        public int $duration,
        public bool $tied,
        public bool $slurs,
    ) {}

    /** @return list<scalar> in the order of its properties */
    public function toArray(): array
    {
        return [$this->id, $this->voice, $this->measure, $this->tick, $this->duration, $this->tied, $this->slurs];
    }

    /** @return self|null null where what was kept is none */
    public static function fromArray(mixed $kept): ?self
    {
        [$id, $voice, $measure, $tick, $duration, $tied, $slurs] = (is_array($kept) ? array_values($kept) : []) + array_fill(0, 7, null);

        return is_string($id) && is_string($voice) && is_string($measure) && is_int($tick) && is_int($duration)
            ? new self($id, $voice, $measure, $tick, $duration, $tied === true, $slurs === true)
            : null;
    }
}
