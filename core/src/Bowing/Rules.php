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
            new Findings\RetakeTooShort,
            new Findings\RunsOut,
            new Findings\StuckAtEnd,
            new Findings\AccentWeak,
            new Findings\TooManyNotes,
            new Findings\SlurOverShift,
            new Findings\SlurOverSkip,
            new Findings\StrokeOffPlace,
            new Findings\RestPatternBreaks,
            new Findings\UnneededMark,
        ];
    }

    /** @return array<string, BowingFinding> by key, in the order of the page */
    public static function findings(BowingCase $case): array
    {
        $findings = array_merge([], ...array_map(static fn (BowingRule $rule): array => $rule->find($case), self::all()));
        usort($findings, static fn (BowingFinding $a, BowingFinding $b): int => $a->event->index <=> $b->event->index ?: $b->severity <=> $a->severity);
        $byKey = [];
        foreach ($findings as $finding) {
            $byKey[$finding->key()] ??= $finding;
        }

        return $byKey;
    }
}
