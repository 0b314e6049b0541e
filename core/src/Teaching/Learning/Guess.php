<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

use UprightPencil\Core\Bowing\Marks\BowingSchool;

/** A profile that would explain decisions better, and how much. */
final readonly class Guess
{
    /**
     * @param  array<mixed>  $profile  as a file has it
     * @param  float  $score  decisions that it explains more, less what is held against it
     */
    public function __construct(
        public array $profile,
        public BowingSchool $school,
        public Lookout $look,
        public float $score,
        public Understood $understood,
    ) {}
}
