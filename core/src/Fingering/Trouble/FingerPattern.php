<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

/** How the fingers lie on one string for a stretch of music. */
final readonly class FingerPattern
{
    /**
     * @param  int  $string  0 is the lowest
     * @param  string  $name  violin and viola: where the half steps lie (“2-3”), or “whole”; cello “1-3-4”, “1-2-4” or “x”; bass the frame of the school
     */
    public function __construct(
        public int $string,
        public string $name,
        public int $hand,
        public PlayedNote $first,
        public PlayedNote $last,
    ) {}
}
