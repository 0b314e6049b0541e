<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Line;

use UprightPencil\Core\Fingering\Grips\FingerLink;

/**
 * How a note is come to from the one before it: all that the cost of moving may depend on besides the two grips, so that
 * moves with the same signature cost the same and are priced once.
 */
final readonly class Approach
{
    /**
     * @param  bool  $fast  so soon after the note before
     * @param  bool  $slurred  in one slur with it
     * @param  bool  $afterRest  there is time to move the hand unheard
     * @param  int  $rise  1 up, −1 down, 0 the same pitch
     * @param  bool  $returns  the note after this one is the one before it again
     * @param  bool  $comesBack  the note before this one is heard again in this measure
     * @param  bool  $returned  it is the note before the one before it again
     * @param  FingerLink|null  $link  how the finger comes here, when somebody decided it
     */
    public function __construct(
        public bool $fast = false,
        public bool $slurred = false,
        public bool $afterRest = false,
        public int $rise = 0,
        public bool $returns = false,
        public bool $comesBack = false,
        public bool $returned = false,
        public ?FingerLink $link = null,
    ) {}

    public function signature(): int
    {
        return ($this->fast ? 1 : 0)
            | ($this->slurred ? 2 : 0)
            | ($this->afterRest ? 4 : 0)
            | $this->rise + 1 << 3
            | ($this->returns ? 32 : 0)
            | ($this->comesBack ? 64 : 0)
            | ($this->returned ? 128 : 0)
            | ($this->link?->number() ?? 0) << 8;
    }
}
