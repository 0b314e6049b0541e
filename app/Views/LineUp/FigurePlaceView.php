<?php

declare(strict_types=1);

namespace App\Views\LineUp;

/** A place where a figure comes. */
final readonly class FigurePlaceView
{
    /**
     * @param  string  $note  its first
     * @param  string  $last  its last note
     * @param  int  $from  tick
     * @param  int  $until  tick
     * @param  int  $transposed  half steps from the first place
     * @param  bool  $near  one note is other
     * @param  bool  $exception  it is meant to differ
     * @param  list<PartDecisionsView>  $apart  what makes it an exception, or none any more
     */
    public function __construct(
        public int $part,
        public string $note,
        public string $last,
        public int $from,
        public int $until,
        public string $measure,
        public float $beat,
        public int $transposed,
        public string $directions,
        public bool $near,
        public bool $exception,
        public array $apart,
    ) {}
}
