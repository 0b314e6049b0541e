<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering;

use UprightPencil\Core\Fingering\Grips\Fingering;
use UprightPencil\Core\Fingering\Grips\FingerLock;
use UprightPencil\Core\Score\Copying;

/** What the left hand does at one note head. */
final readonly class FingerMark
{
    use Copying;

    /**
     * @param  string  $string  its name
     * @param  bool  $written  the finger is written on the page
     * @param  bool  $moves  the hand comes to a new place here
     * @param  string|null  $slide  id of the note before, from which the finger slides
     * @param  string|null  $bar  id of the last note under the finger that bars two strings from here
     * @param  string|null  $stay  id of the last note for which the finger stays down
     * @param  FingerLock|null  $impossible  a decided finger that cannot be played: it stays on the page all the same
     * @param  list<string>  $reasons
     */
    public function __construct(
        public Fingering $fingering,
        public string $string,
        public bool $written = false,
        public bool $moves = false,
        public ?string $slide = null,
        public ?string $bar = null,
        public ?string $stay = null,
        public ?FingerLock $impossible = null,
        public array $reasons = [],
    ) {}
}
