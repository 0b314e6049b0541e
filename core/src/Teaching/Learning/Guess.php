<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

/** A change that would explain decisions better, and how much. */
final readonly class Guess
{
    /** @param float $score decisions that it explains more, less what is held against it */
    public function __construct(public Change $change, public Verdict $verdict, public float $score) {}
}
