<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** One measure of one part. */
final readonly class Measure
{
    use Copying;

    /**
     * @param  string  $number  as printed (a pickup is 0)
     * @param  int  $start  ticks from the start of the part, as written
     * @param  int  $length  ticks that its contents last
     * @param  Meter|null  $meter  the meter in force; null before the first
     * @param  Key|null  $key  the key in force at its start
     * @param  bool  $implicit  not counted: a pickup or the second half of a divided measure
     * @param  list<Note|Direction|Attributes|Verbatim>  $items  in the order they were written
     * @param  list<Barline>  $barlines
     * @param  bool  $entered  false: only its place is known, nobody typed what is in it; its one rest stands for that
     */
    public function __construct(
        public string $number,
        public int $start,
        public int $length,
        public ?Meter $meter = null,
        public ?Key $key = null,
        public bool $implicit = false,
        public array $items = [],
        public array $barlines = [],
        public bool $entered = true,
    ) {}

    /** @return list<Note> */
    public function notes(): array
    {
        return array_values(array_filter($this->items, static fn (object $item): bool => $item instanceof Note));
    }

    /** @return list<Direction> */
    public function directions(): array
    {
        return array_values(array_filter($this->items, static fn (object $item): bool => $item instanceof Direction));
    }

    /** @return list<Attributes> */
    public function attributes(): array
    {
        return array_values(array_filter($this->items, static fn (object $item): bool => $item instanceof Attributes));
    }
}
