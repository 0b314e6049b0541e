<?php

declare(strict_types=1);

namespace App\Views\Lesson;

use UprightPencil\Core\Marking\Vocabulary;
use UprightPencil\Core\Teaching\Knowing\Demand;

/** One thing that a line asks of its players, where it first comes. */
final readonly class DemandView
{
    /** @param int $times how often it comes */
    public function __construct(
        public string $kind,
        public string $what,
        public string $measure,
        public int $times,
    ) {}

    public static function of(Demand $demand, Vocabulary $words): self
    {
        return new self($demand->kind, $words->say($demand->what), $demand->first->place->measure, $demand->times);
    }
}
