<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Line;

use UprightPencil\Core\Fingering\Grips\FingerLock;

/**
 * How a note is held: all that the cost of a grip in itself may depend on, so that grips under the same signature cost the
 * same and are priced once.
 */
final readonly class Stance
{
    /**
     * @param  float  $seconds  that the note lasts
     * @param  bool  $fast  so soon after the note before
     * @param  bool  $inSlur  in one slur with the note before and the note after
     * @param  bool  $soft  p or softer
     * @param  list<FingerLock|null>  $printed  printed fingers that are suggestions only, one for each note head
     * @param  bool  $loud  f or louder
     * @param  Flow  $flow  how the line goes through it
     */
    public function __construct(
        public float $seconds,
        public bool $fast = false,
        public bool $inSlur = false,
        public bool $soft = false,
        public array $printed = [],
        public bool $loud = false,
        public Flow $flow = Flow::Free,
    ) {}

    public function signature(): string
    {
        return "{$this->seconds} {$this->fast} {$this->inSlur} {$this->soft} {$this->loud} {$this->flow->value} ".($this->printed === [] ? '' : serialize($this->printed));
    }
}
