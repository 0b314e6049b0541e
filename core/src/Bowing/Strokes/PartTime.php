<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Strokes;

use UprightPencil\Core\Score\Beats;

/** What a part says of its beats, its plucked places, and how much bow its notes take: all that strokes are read by. */
final readonly class PartTime
{
    public function __construct(
        public Beats $beats,
        public Plucked $plucked,
        public BowNeed $need,
        public ChangePlace $changes,
    ) {}
}
