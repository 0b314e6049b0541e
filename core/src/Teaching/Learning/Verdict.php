<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Learning;

/** What a change of the profile makes better and worse, decision by decision. */
final readonly class Verdict
{
    /**
     * @param  list<Observation>  $better  explained now, and not before
     * @param  list<Observation>  $worse  explained before, and not now
     */
    private function __construct(public array $better, public array $worse, public int $all) {}

    /** @param list<Observation> $observed */
    public static function of(Lookout $before, Lookout $after, array $observed): self
    {
        $better = $worse = [];
        foreach ($observed as $one) {
            $was = $before->explains($one);
            $is = $after->explains($one);
            if ($was !== $is) {
                $is ? $better[] = $one : $worse[] = $one;
            }
        }

        return new self($better, $worse, count($observed));
    }

    public function isOfTheBow(): bool
    {
        return ($this->better[0] ?? null)?->ofTheBow === true;
    }

    public function gain(): int
    {
        return count($this->better) - count($this->worse);
    }

    public function isClear(int $more, float $mostly): bool
    {
        return $this->gain() >= $more && count($this->better) >= $mostly * (count($this->better) + count($this->worse));
    }
}
