<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Rehearsing;

/** One thing to be rehearsed. */
final readonly class PlanItem
{
    /**
     * @param  string  $key  under which it is known
     * @param  float  $once  seconds of playing it once
     * @param  int  $passes  how often it is played
     * @param  int  $talk  seconds of saying what it is about
     */
    public function __construct(
        public string $key,
        public float $once,
        public int $passes,
        public int $talk,
    ) {}

    /** Whole seconds, begun ones counted. */
    public function seconds(): int
    {
        return (int) ceil($this->once * $this->passes) + $this->talk;
    }
}
