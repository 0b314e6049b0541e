<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Line;

/**
 * Tries fixes before they are offered: the measures around a finding are bowed again with the fix decided, and it is
 * offered only when the finding is gone and nothing worse has come up.
 */
final class FixTrial
{
    /** What these fixes do is plain: a sign at the jump, and a sign less where it says nothing. */
    private const CERTAIN = ['repeat-mismatch', 'unneeded-mark'];

    private const MEASURES_BEFORE = 2;

    private const MEASURES_AFTER = 5;

    /** @var array<int, BowSign> event index => its direction in the whole line */
    private readonly array $directions;

    /** @var array<int, array<string, BowingFinding>> measure => what is found around it without any fix */
    private array $known = [];

    /** @param  bool  $planning  whether the plan works around a fix, or the line is only followed */
    public function __construct(
        private readonly BowingContext $context,
        private readonly Line $line,
        private readonly BowMarks $fixed,
        BowingRun $run,
        private readonly bool $planning,
    ) {
        $this->directions = ($planning ? $run->planned : $run->followed)->directions();
    }

    /** @return list<BowingFix> those that hold, cheapest first */
    public function holding(BowingFinding $finding): array
    {
        $fixes = in_array($finding->code, self::CERTAIN, true) ? $finding->fixes : $this->tried($finding);
        usort($fixes, static fn (BowingFix $a, BowingFix $b): int => $a->cost <=> $b->cost);

        return $fixes;
    }

    /** @return list<BowingFix> */
    private function tried(BowingFinding $finding): array
    {
        if ($finding->fixes === []) {
            return [];
        }
        $measure = $finding->event->measure;
        $around = $this->line->measures($measure - self::MEASURES_BEFORE, $measure + self::MEASURES_AFTER);
        $before = $this->directionBefore($around->events[0]->index ?? 0);
        $known = $this->known[$measure] ??= $this->found($around, $this->fixed, $before);

        return array_values(array_filter($finding->fixes, function (BowingFix $fix) use ($finding, $around, $before, $known): bool {
            $after = $this->found($around, $fix->on($this->fixed), $before);
            $worse = array_filter(array_diff_key($after, $known), static fn (BowingFinding $other): bool => $other->severity > $finding->severity);

            return ! isset($after[$finding->key()]) && $worse === [];
        }));
    }

    /** @return array<string, BowingFinding> */
    private function found(Line $around, BowMarks $fixed, ?BowSign $before): array
    {
        return BowingRun::of($this->context, $around, $fixed, new BowFollower, $before)->findings($this->planning);
    }

    private function directionBefore(int $event): ?BowSign
    {
        for ($index = $event - 1; $index >= 0; $index--) {
            if (isset($this->directions[$index])) {
                return $this->directions[$index];
            }
        }

        return null;
    }
}
