<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** A piece in parts. Time is whole ticks, `resolution` of them in a quarter. */
final readonly class Score
{
    use Copying;

    /**
     * @param  int  $resolution  ticks in a quarter, fine enough for every tuplet of the score
     * @param  list<Part>  $parts
     * @param  array<string, string>  $kept  slot => the format's own words
     */
    public function __construct(
        public string $title,
        public string $composer,
        public int $resolution,
        public array $parts,
        public array $kept = [],
    ) {}

    /** The part with this id or, failing that, this name (letter case aside). */
    public function part(string $idOrName): ?Part
    {
        foreach ($this->parts as $part) {
            if ($part->id === $idOrName) {
                return $part;
            }
        }
        foreach ($this->parts as $part) {
            if (mb_strtolower($part->name) === mb_strtolower($idOrName)) {
                return $part;
            }
        }

        return null;
    }

    /** One part as a score of its own, with the tempo marks that the other parts carry for it. */
    public function alone(Part $part): self
    {
        $measures = $part->measures;
        foreach (TempoMap::marksOf($this) as $index => $marks) {
            if (isset($measures[$index]) && ! TempoMap::isMarkedIn($measures[$index])) {
                $measures[$index] = $measures[$index]->with(items: [...$marks, ...$measures[$index]->items]);
            }
        }

        return $this->with(parts: [$part->with(measures: $measures)], kept: array_diff_key(
            $this->kept,
            array_filter($this->kept, static fn (string $slot): bool => str_starts_with($slot, 'group-'), ARRAY_FILTER_USE_KEY),
        ));
    }
}
