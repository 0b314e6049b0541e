<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

/** All rules, in one visible list. */
final class Rules
{
    /** @return list<BowingRule> */
    public static function all(): array
    {
        return [
            new Findings\PickupDown,
            new Findings\DownbeatUp,
            new Findings\SameDirectionUnmarked,
            new Findings\RepeatMismatch,
        ];
    }

    /** @return list<BowingFinding> in the order of the page */
    public static function findings(BowingCase $case): array
    {
        $findings = array_merge([], ...array_map(static fn (BowingRule $rule): array => $rule->find($case), self::all()));
        usort($findings, static fn (BowingFinding $a, BowingFinding $b): int => $a->event->index <=> $b->event->index);

        return $findings;
    }
}
