<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Part;

/** What the rules look at: a line followed as it is marked, and the plan for it. */
final readonly class BowingCase
{
    /**
     * @param  BowedLine  $followed  by printed and decided marks alone
     * @param  BowedLine  $planned  with the plan's marks too
     */
    public function __construct(
        public Part $part,
        public Beats $beats,
        public BowedLine $followed,
        public BowedLine $planned,
        public Plan $plan,
    ) {}

    public function measureNumber(Event $event): string
    {
        return $this->part->measures[$event->measure]->number;
    }

    /** “measure 5, beat 3”. */
    public function place(Event $event): string
    {
        $beat = rtrim(rtrim(number_format($this->beats->beat($event), 2, '.', ''), '0'), '.');

        return "measure {$this->measureNumber($event)}, beat {$beat}";
    }
}
