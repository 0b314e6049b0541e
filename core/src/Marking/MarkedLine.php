<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

/** What was worked out for one line; null what the settings did not ask for. */
final readonly class MarkedLine
{
    public function __construct(
        public ?LineBow $bow,
        public ?LineFingers $fingers,
    ) {}
}
