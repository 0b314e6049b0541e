<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Following;

use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Score\BowSign;

/** A line with the bow followed through it in playing order. */
final readonly class BowedLine
{
    /** @var array<int, BowedStroke> stroke index => the stroke on its first pass */
    public array $firstPass;

    /**
     * @param  list<Stroke>  $strokes  in written order
     * @param  list<BowedStroke>  $played  in playing order
     */
    public function __construct(
        public array $strokes,
        public array $played,
    ) {
        $first = [];
        foreach ($played as $bowed) {
            $first[$bowed->stroke] ??= $bowed;
        }
        $this->firstPass = $first;
    }

    /** The direction of a stroke (by index) on its first pass; null when it is never played. */
    public function direction(int $stroke): ?BowSign
    {
        return ($this->firstPass[$stroke] ?? null)?->direction;
    }

    /** @return array<int, BowSign> event index => the direction in which it begins, on the first pass */
    public function directions(): array
    {
        $directions = [];
        foreach ($this->strokes as $index => $stroke) {
            $direction = $this->direction($index);
            if ($direction === null) {
                continue;
            }
            foreach ($stroke->events as $event) {
                $directions[$event->index] ??= $direction;
            }
        }

        return $directions;
    }

    public function strokeBefore(int $stroke): ?Stroke
    {
        return $this->strokes[$stroke - 1] ?? null;
    }
}
