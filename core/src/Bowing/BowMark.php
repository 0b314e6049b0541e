<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Travel\TravelledStroke;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Copying;

/** What the bow does at one note head. */
final readonly class BowMark
{
    use Copying;

    /**
     * @param  int  $stroke  numbered through the part
     * @param  BowSign|null  $direction  null when the note is never played
     * @param  bool  $begins  its stroke begins with it
     * @param  bool  $written  the direction is written on the page
     * @param  BowAction|null  $action  what is done with the bow, other than changing direction
     * @param  TravelledStroke|null  $travel  the way of its stroke along the bow
     * @param  int  $lane  where the bow touches the string: 1 over the fingerboard to 5 at the bridge
     * @param  list<HeldChange>  $changes  of the bow while the note is held
     * @param  list<list<HeldChange>>  $stagger  the changes of each player or desk
     * @param  list<string>  $reasons
     */
    public function __construct(
        public int $stroke,
        public ?BowSign $direction,
        public bool $begins = false,
        public bool $written = false,
        public ?BowAction $action = null,
        public ?TravelledStroke $travel = null,
        public int $lane = 3,
        public array $changes = [],
        public array $stagger = [],
        public array $reasons = [],
    ) {}
}
