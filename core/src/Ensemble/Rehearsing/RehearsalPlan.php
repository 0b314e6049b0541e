<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Rehearsing;

/** What is rehearsed in the time that there is: in the order given, what does not fit any more is left out and listed. */
final readonly class RehearsalPlan
{
    /**
     * @param  list<PlanItem>  $taken
     * @param  list<PlanItem>  $leftOut
     */
    private function __construct(public array $taken, public array $leftOut) {}

    /**
     * @param  list<PlanItem>  $items  what comes first is taken first; something shorter may still fit after one that does not
     * @param  int  $minutes  of the rehearsal
     */
    public static function of(array $items, int $minutes): self
    {
        $left = 60 * $minutes;
        $taken = $out = [];
        foreach ($items as $item) {
            if ($item->seconds() <= $left) {
                $taken[] = $item;
                $left -= $item->seconds();
            } else {
                $out[] = $item;
            }
        }

        return new self($taken, $out);
    }

    public function seconds(): int
    {
        return array_sum(array_map(static fn (PlanItem $item): int => $item->seconds(), $this->taken));
    }
}
