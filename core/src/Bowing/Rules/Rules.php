<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

/** All rules, in one visible list. */
final class Rules
{
    /** @return list<BowingRule> */
    public static function all(): array
    {
        return [
            new PassageBegins,
            new PickupDown,
            new DownbeatUp,
            new SameDirectionUnmarked,
            new RepeatMismatch,
            new RetakeTooShort,
            new RunsOut,
            new StuckAtEnd,
            new AccentWeak,
            new LastNoteUp,
            new TooManyNotes,
            new SlurOverShift,
            new SlurOverSkip,
            new StrokeOffPlace,
            new RestPatternBreaks,
            new UnneededMark,
            new WithoutEffect,
        ];
    }

    public static function named(string $code): BowingRule
    {
        foreach (self::all() as $rule) {
            if ($rule->code() === $code) {
                return $rule;
            }
        }

        throw new \OutOfBoundsException("There is no rule “{$code}”.");
    }

    /**
     * @param  bool  $alongTheBow  whether the case knows where on its length the bow is
     * @return array<string, BowingFinding> by key, in the order of the page
     */
    public static function findings(BowingCase $case, bool $alongTheBow): array
    {
        $findings = [];
        foreach (self::all() as $rule) {
            if ($alongTheBow || ! $rule->needsTravel()) {
                array_push($findings, ...$rule->find($case));
            }
        }
        usort($findings, static fn (BowingFinding $a, BowingFinding $b): int => $a->event->index <=> $b->event->index ?: $b->severity <=> $a->severity);
        $byKey = [];
        foreach ($findings as $finding) {
            $byKey[$finding->key()] ??= $finding;
        }

        return $byKey;
    }
}
