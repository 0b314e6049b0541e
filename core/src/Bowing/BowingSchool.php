<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

/** What a director wants of the bow (`bowing.md`, “Schools”). The numbers are points of the planner. */
enum BowingSchool: string
{
    case StrongBeat = 'strong-beat';
    case AsItComes = 'as-it-comes';
    case Paired = 'paired';

    /** What an up-bow on the start of a measure costs. */
    public function downbeatCost(): float
    {
        return $this === self::AsItComes ? 0.15 : 1.0;
    }

    /** What an up-bow on an entry, an accent or the last note costs, beyond its beat. */
    public function entryCost(): float
    {
        return 0.6;
    }

    /** What hooking two plain notes costs. */
    public function hookCost(): float
    {
        return $this === self::AsItComes ? 6.0 : 2.6;
    }

    /** What hooking the short note of a long-short pair costs. */
    public function shortHookCost(): float
    {
        return $this === self::AsItComes ? 5.0 : 0.45;
    }

    /** What hooking the second and third of three equal beats costs. */
    public function pairCost(): float
    {
        return $this === self::Paired ? 0.2 : $this->hookCost();
    }
}
