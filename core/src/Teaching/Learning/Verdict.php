<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

/** What a change of the profile makes better and worse, decision by decision. */
final readonly class Verdict
{
    /** Decisions that a change may spoil before it has explained three times as many. */
    private const PATIENCE = 4;

    /**
     * @param  list<Observation>  $better  explained now, and not before
     * @param  list<Observation>  $worse  explained before, and not now
     */
    private function __construct(public array $better, public array $worse) {}

    /**
     * @param  list<Observation>  $observed  part by part
     * @param  float  $least  decisions that it has to explain more; where it cannot any more, the rest is not looked at (−INF: all is)
     */
    public static function of(Lookout $before, Lookout $after, array $observed, float $least): self
    {
        $better = $worse = [];
        $left = count(array_filter($observed, static fn (Observation $one): bool => ! $before->explains($one)));
        $part = null;
        foreach ($observed as $one) {
            if ($one->part !== $part && $least > -INF && (count($better) - count($worse) + $left < $least || 3 * count($worse) > count($better) + self::PATIENCE)) {
                // It comes to nothing any more: to look through the next parts would take its time.
                break;
            }
            $part = $one->part;
            $was = $before->explains($one);
            $left -= $was ? 0 : 1;
            if ($was !== $after->explains($one)) {
                $was ? $worse[] = $one : $better[] = $one;
            }
        }

        return new self($better, $worse);
    }

    public function gain(): int
    {
        return count($this->better) - count($this->worse);
    }

    /**
     * As if some parts had not been looked at.
     *
     * @param  array<int, true>  $parts
     */
    public function besides(array $parts): self
    {
        $elsewhere = static fn (Observation $one): bool => ! isset($parts[$one->part]);

        return new self(array_values(array_filter($this->better, $elsewhere)), array_values(array_filter($this->worse, $elsewhere)));
    }

    public function isClear(int $more, float $mostly): bool
    {
        return $this->gain() >= $more && count($this->better) >= $mostly * (count($this->better) + count($this->worse));
    }
}
