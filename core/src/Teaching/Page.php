<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching;

use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Barline;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Verbatim;

/** Pieces of music that are made here, under each other: each begins a line, has its words over it and a final bar, and measures are numbered on. */
final class Page
{
    /** @var list<Measure> */
    private array $measures = [];

    private int $start = 0;

    private ?Attributes $standing = null;

    /**
     * @param  list<Measure>  $measures  the first carries clef, key and meter; what of them stands already is not written again
     * @param  Direction|null  $over  what is said where it begins
     */
    public function add(array $measures, ?Direction $over): void
    {
        $begins = $this->measures === [];
        foreach ($measures as $index => $measure) {
            $items = $measure->items;
            if ($index === 0) {
                $head = array_values(array_filter($items, static fn (object $item): bool => $item instanceof Attributes && $item->onset === 0));
                $rest = array_values(array_filter($items, static fn (object $item): bool => ! $item instanceof Attributes || $item->onset > 0));
                $items = [...($begins ? [] : [new Verbatim(0, '<print new-system="yes"/>')]), ...array_map($this->changed(...), $head), ...($over === null ? [] : [$over]), ...$rest];
                $this->standing = $head[0] ?? $this->standing;
            }
            $this->measures[] = $measure->with(
                number: (string) (count($this->measures) + 1), start: $this->start, items: $items, implicit: false,
                barlines: $index === count($measures) - 1 ? [new Barline('right', kept: ['before' => '<bar-style>light-heavy</bar-style>'])] : [],
            );
            $this->start += $measure->length;
        }
    }

    private function changed(Attributes $here): Attributes
    {
        $standing = $this->standing;

        return $here->with(key: $here->key == $standing?->key ? null : $here->key, meter: $here->meter == $standing?->meter ? null : $here->meter, clefs: $here->clefs == $standing?->clefs ? [] : $here->clefs);
    }

    /** @return list<Measure> */
    public function measures(): array
    {
        return $this->measures;
    }
}
