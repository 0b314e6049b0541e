<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Score\OrderOfPerformance;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Passages;

/** A stretch of a piece that is talked about: from letter to letter or, where there are none, eight measures. */
final readonly class Passage
{
    private const MEASURES = 8;

    /**
     * @param  string  $name  its letter; “9–16” where it has none
     * @param  string  $from  printed number of its first measure
     * @param  string  $to  of its last
     * @param  int  $start  tick
     * @param  int  $end  tick
     */
    public function __construct(
        public string $name,
        public string $from,
        public string $to,
        public int $start,
        public int $end,
    ) {}

    /**
     * @param  list<array{name: string, from: string, to: string}>|null  $named  those that somebody made; null: its letters
     * @return list<self>
     */
    public static function all(Orchestra $orchestra, ?array $named = null): array
    {
        $part = $orchestra->score->parts[0] ?? null;
        if ($part === null || $part->measures === []) {
            return [];
        }
        $named ??= array_values(array_filter(array_map(Passages::of(...), $orchestra->score->parts)))[0] ?? [];

        return array_values(array_filter(array_map(static fn (array $one): ?self => self::named($part, $one), $named ?: self::eights($part))));
    }

    /** @param array{name: string, from: string, to: string} $one */
    private static function named(Part $part, array $one): ?self
    {
        $span = OrderOfPerformance::span($part, $one['from'], $one['to']);
        if ($span === null) {
            return null;
        }
        [$first, $last] = [$part->measures[$span[0]], $part->measures[$span[1]]];

        return new self($one['name'], $one['from'], $one['to'], $first->start, $last->start + $last->length);
    }

    /** @return list<array{name: string, from: string, to: string}> */
    private static function eights(Part $part): array
    {
        $eights = [];
        $numbers = array_column($part->measures, 'number');
        // A pickup belongs to the measures that it leads to.
        $ahead = $part->measures[0]->implicit ? 1 : 0;
        for ($first = 0; $first < count($numbers); $first = $last + 1) {
            $last = min(count($numbers) - 1, $first + self::MEASURES - 1 + ($first === 0 ? $ahead : 0));
            $eights[] = ['name' => "{$numbers[$first]}–{$numbers[$last]}", 'from' => $numbers[$first], 'to' => $numbers[$last]];
        }

        return $eights;
    }

    /** @param list<int> $ticks */
    public function count(array $ticks): int
    {
        return count(array_filter($ticks, $this->has(...)));
    }

    public function has(int $tick): bool
    {
        return $tick >= $this->start && $tick < $this->end;
    }
}
