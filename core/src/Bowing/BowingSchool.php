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
        return $this === self::AsItComes ? 0.05 : 1.0;
    }

    /** What an up-bow on an entry, an accent or the last note costs, beyond its beat. */
    public function entryCost(): float
    {
        return $this === self::AsItComes ? 1.0 : 0.6;
    }

    /** What an accent on an up-bow costs, beyond its beat. */
    public function accentCost(): float
    {
        return 0.8;
    }

    /** What bowing a long–short rhythm as it comes costs, each time: the short note has to bring the whole bow back. */
    public function marchCost(): float
    {
        return $this === self::AsItComes ? 0.0 : 0.7;
    }

    /** What hooking two plain notes costs. */
    public function hookCost(): float
    {
        return 2.7;
    }

    /** What hooking the short note of a long-short pair costs. */
    public function shortHookCost(): float
    {
        return $this === self::AsItComes ? 1.4 : 0.45;
    }

    /** What hooking the second and third of three equal beats costs. */
    public function pairCost(): float
    {
        return $this === self::Paired ? 0.2 : $this->hookCost();
    }
}
