<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

/** All that was observed, and what of it a profile leaves unexplained. */
final readonly class Observations
{
    /** Of the decisions so many may be slips (ours: somewhat more than one in ten). */
    private const SLIPS = 0.15;

    /** @param list<Observation> $all */
    public function __construct(public array $all) {}

    /** @return list<Observation> */
    public function about(Aspect $aspect): array
    {
        return array_values(array_filter($this->all, static fn (Observation $one): bool => $one->of === $aspect));
    }

    public function explainedBy(Lookout $look): int
    {
        return count(array_filter($this->all, $look->explains(...)));
    }

    /** @return list<Observation> */
    public function leftBy(Lookout $look, Aspect $aspect): array
    {
        return array_values(array_filter($this->about($aspect), static fn (Observation $one): bool => ! $look->explains($one)));
    }

    /** @return list<Observation> part by part, those first in which most is left to be explained */
    public function byPromise(Lookout $look, Aspect $aspect): array
    {
        $left = array_count_values(array_map(static fn (Observation $one): int => $one->part, $this->leftBy($look, $aspect)));
        $observed = $this->about($aspect);
        usort($observed, static fn (Observation $one, Observation $other): int => [$left[$other->part] ?? 0, $one->part] <=> [$left[$one->part] ?? 0, $other->part]);

        return $observed;
    }

    /**
     * Nobody is always of one mind: what is left of that is not explained away.
     *
     * @param  int  $least  decisions that have to be left
     * @param  Setting|null  $setting  that could explain them
     */
    public function isWorthATry(Lookout $look, Aspect $aspect, int $least, ?Setting $setting = null): bool
    {
        $left = $this->leftBy($look, $aspect);

        return count($setting === null ? $left : array_filter($left, $setting->isAbout(...))) >= max($least, self::SLIPS * count($this->about($aspect)));
    }
}
