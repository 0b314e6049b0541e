<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering;

use UprightPencil\Core\Strings\Placement;

/** Any part of a fingering that somebody decided for one note head. */
final readonly class FingerLock
{
    /**
     * @param  int|null  $finger  0 (open) to 4
     * @param  int|null  $string  0 is the lowest string
     * @param  float|null  $position  half is 0.5; it asks for a finger on the string, unless the open string is decided too
     */
    public function __construct(
        public ?int $finger = null,
        public ?int $string = null,
        public ?Placement $placement = null,
        public ?float $position = null,
    ) {}

    public function admits(Stop $stop, float $position): bool
    {
        return ($this->finger === null || $this->finger === $stop->finger)
            && ($this->string === null || $this->string === $stop->string)
            && ($this->placement === null || $this->placement === $stop->placement)
            && ($this->position === null || ($this->position === $position && ($stop->finger !== 0 || $this->finger === 0)));
    }

    public function isEmpty(): bool
    {
        return $this->finger === null && $this->string === null && $this->placement === null && $this->position === null;
    }
}
