<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Comparing;

use UprightPencil\Core\Ensemble\Orchestra;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\MarkedPart;

/**
 * Tries remedies before they are offered: the parts are marked with them, and compared again. All first remedies of one kind are
 * tried together, then all second ones; those that do not help so are tried by themselves.
 */
final class Remedies
{
    /** Remedies that are tried by themselves, in one comparison: what is never tried is never offered. */
    private const MOST_ALONE = 4;

    /** @param \Closure(int, list<Decision>): MarkedPart $marked a part with more decided */
    public function __construct(private readonly \Closure $marked) {}

    /**
     * @param  list<OutOfLine>  $found
     * @return list<OutOfLine> the same, with the remedies that help
     */
    public function that(Orchestra $orchestra, Comparison $comparison, array $found): array
    {
        $helping = array_fill_keys(array_keys($found), []);
        $alone = $fewer = self::MOST_ALONE;
        for ($rank = 0; ($tried = array_filter($found, static fn (OutOfLine $one): bool => isset($one->remedies[$rank]) && array_filter($one->remedies[$rank]->decisions) !== [])) !== []; $rank++) {
            $after = $this->after($orchestra, $comparison, array_map(static fn (OutOfLine $one): Remedy => $one->remedies[$rank], $tried));
            foreach ($tried as $number => $one) {
                $helps = ! self::isStillThere($one, $after);
                if (! $helps && count($tried) > 1 && $alone-- > 0) {
                    $helps = $this->helps($orchestra, $comparison, $one, $one->remedies[$rank]);
                }
                if ($helps) {
                    $less = $fewer-- > 0 ? $one->remedies[$rank]->withLess() : null;
                    $helping[$number][] = $less !== null && $this->helps($orchestra, $comparison, $one, $less) ? $less : $one->remedies[$rank];
                }
            }
        }

        return array_map(static fn (OutOfLine $one, array $remedies): OutOfLine => $one->with($remedies), $found, $helping);
    }

    private function helps(Orchestra $orchestra, Comparison $comparison, OutOfLine $one, Remedy $remedy): bool
    {
        return ! self::isStillThere($one, $this->after($orchestra, $comparison, [$remedy]));
    }

    /**
     * @param  array<int, Remedy>  $remedies
     * @return list<OutOfLine> what the comparison tells then
     */
    private function after(Orchestra $orchestra, Comparison $comparison, array $remedies): array
    {
        $decisions = [];
        foreach ($remedies as $remedy) {
            foreach ($remedy->decisions as $section => $own) {
                $decisions[$section] = [...$decisions[$section] ?? [], ...$own];
            }
        }
        $parts = [];
        foreach ($decisions as $section => $own) {
            $parts[$section] = ($this->marked)($section, $own);
        }

        return $comparison->of($orchestra->with($parts));
    }

    /** @param list<OutOfLine> $after */
    private static function isStillThere(OutOfLine $one, array $after): bool
    {
        return array_filter($after, $one->isStillIn(...)) !== [];
    }
}
