<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Following;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Score\BowSign;

/** One stroke as it is played on one pass. */
final readonly class BowedStroke
{
    /**
     * @param  int  $stroke  index into the line's strokes
     * @param  int  $visit  index into the playing order
     * @param  BowSign|null  $before  the direction of the stroke played before; null at the start
     * @param  BowAction|null  $action  what brings the direction about when it does not simply alternate
     * @param  bool  $unmarked  the same way as the stroke before with neither hook nor retake nor rest
     * @param  bool  $jumped  comes right after a repeat, an ending or another jump
     * @param  bool  $fresh  comes after a measure or more of silence: the bow starts anew, wherever it was
     */
    public function __construct(
        public int $stroke,
        public int $visit,
        public BowSign $direction,
        public ?BowSign $before,
        public ?BowAction $action,
        public bool $unmarked,
        public bool $jumped,
        public bool $fresh = false,
    ) {}
}
