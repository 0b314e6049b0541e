<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Line;

/**
 * Tries fixes before they are offered: the measures around a finding are bowed again with the fix decided, and it is
 * offered only when the finding is gone and nothing worse has come up.
 */
final readonly class FixTrial
{
    private const MEASURES_BEFORE = 2;

    private const MEASURES_AFTER = 5;

    public function __construct(
        private BowingContext $context,
        private Line $line,
        private BowMarks $fixed,
        private BowedLine $followed,
    ) {}

    /**
     * @param  bool  $planning  whether the plan works around the fix
     * @return list<BowingFix> those that hold, cheapest first
     */
    public function holding(BowingFinding $finding, bool $planning): array
    {
        $fixes = $finding->code === 'repeat-mismatch' ? $finding->fixes : $this->tried($finding, $planning);
        usort($fixes, static fn (BowingFix $a, BowingFix $b): int => $a->cost <=> $b->cost);

        return $fixes;
    }

    /** @return list<BowingFix> */
    private function tried(BowingFinding $finding, bool $planning): array
    {
        if ($finding->fixes === []) {
            return [];
        }
        $around = $this->line->measures($finding->event->measure - self::MEASURES_BEFORE, $finding->event->measure + self::MEASURES_AFTER);
        $before = $this->directionBefore($around->events[0]->index ?? 0);
        $known = self::findingsOf($this->run($around, $this->fixed, $before), $planning);

        return array_values(array_filter($finding->fixes, function (BowingFix $fix) use ($finding, $around, $before, $known, $planning): bool {
            $after = self::findingsOf($this->run($around, $fix->on($this->fixed), $before), $planning);
            $new = array_filter(array_diff_key($after, $known), static fn (BowingFinding $other): bool => $other->severity > $finding->severity);

            return ! isset($after[$finding->key()]) && $new === [];
        }));
    }

    private function run(Line $around, BowMarks $fixed, ?BowSign $before): BowingRun
    {
        return BowingRun::of($this->context, $around, $fixed, new BowFollower, $before);
    }

    /** @return array<string, BowingFinding> */
    private static function findingsOf(BowingRun $run, bool $planning): array
    {
        return $planning ? $run->left : $run->found;
    }

    private function directionBefore(int $event): ?BowSign
    {
        $directions = $this->followed->directions();
        for ($index = $event - 1; $index >= 0; $index--) {
            if (isset($directions[$index])) {
                return $directions[$index];
            }
        }

        return null;
    }
}
