<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** One section's line. */
final readonly class Part
{
    use Copying;

    /**
     * @param  list<Measure>  $measures
     * @param  array<string, string>  $kept  slot => the format's own words
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $measures,
        public ?string $abbreviation = null,
        public ?string $instrumentSound = null,
        public array $kept = [],
    ) {}

    /** @return list<Note> note heads and rests of all measures, in the order they were written */
    public function notes(): array
    {
        return array_merge([], ...array_map(static fn (Measure $measure): array => $measure->notes(), $this->measures));
    }

    /**
     * The same with each note changed.
     *
     * @param  \Closure(Note): Note  $change
     */
    public function withNotes(\Closure $change): self
    {
        return $this->with(measures: array_map(static fn (Measure $measure): Measure => $measure->with(items: array_map(static fn (object $item): object => $item instanceof Note ? $change($item) : $item, $measure->items)), $this->measures));
    }

    /** @return list<Clef> every clef of the part, as they come */
    public function clefs(): array
    {
        $clefs = [];
        foreach ($this->measures as $measure) {
            foreach ($measure->attributes() as $attributes) {
                array_push($clefs, ...$attributes->clefs);
            }
        }

        return $clefs;
    }

    public function transposition(): ?Transposition
    {
        foreach ($this->measures as $measure) {
            foreach ($measure->attributes() as $attributes) {
                if ($attributes->transposition !== null) {
                    return $attributes->transposition;
                }
            }
        }

        return null;
    }

    /** True when the part starts with less than a full measure. */
    public function hasPickup(int $resolution): bool
    {
        $first = $this->measures[0] ?? null;
        $full = $first?->meter?->ticks($resolution);

        return $first !== null && ($full === null ? $first->implicit : $first->length < $full);
    }
}
