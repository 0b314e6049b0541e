<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

/** One place that a finger reaches around a hand. */
final readonly class FramePlace
{
    /**
     * @param  int  $finger  1 to 4
     * @param  int  $reach  semitones from the hand (where the regular first finger rests)
     * @param  bool  $opened  the hand is opened for it (cello extension)
     */
    public function __construct(
        public int $finger,
        public Placement $placement,
        public int $reach,
        public bool $opened = false,
    ) {}

    /** “low 2”, “4”, “extended 4”, “harmonic” with any finger. */
    public function name(): string
    {
        return match ($this->placement) {
            Placement::Regular => (string) $this->finger,
            Placement::Harmonic => 'harmonic',
            default => "{$this->placement->value} {$this->finger}",
        };
    }
}
