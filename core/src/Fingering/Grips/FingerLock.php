<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Grips;

use UprightPencil\Core\Strings\Placement;

/** Any part of a fingering that somebody decided for one note head. */
final readonly class FingerLock
{
    /** How far from what was asked each part is that differs. */
    private const OTHER_STRING = 3.0;

    private const OTHER_FINGER = 1.5;

    private const OTHER_PLACEMENT = 0.5;

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

    /** This lock with the finger and string of a printed one, unless this one says a finger or a string itself. */
    public function beside(self $printed): self
    {
        return $this->finger === null && $this->string === null
            ? new self($printed->finger, $printed->string, $this->placement ?? $printed->placement, $this->position)
            : $this;
    }

    /** How far a way to play the note is from what was asked; 0 when it is just that. */
    public function distance(Stop $stop, float $position): float
    {
        return ($this->finger === null || $this->finger === $stop->finger ? 0.0 : self::OTHER_FINGER)
            + ($this->string === null ? 0.0 : self::OTHER_STRING * abs($this->string - $stop->string))
            + ($this->placement === null || $this->placement === $stop->placement ? 0.0 : self::OTHER_PLACEMENT)
            + ($this->position === null ? 0.0 : abs($this->position - $position));
    }

    public function isEmpty(): bool
    {
        return $this->finger === null && $this->string === null && $this->placement === null && $this->position === null;
    }
}
