<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Rehearsing;

/** A place of a piece that something was noted about, once or several times. */
final readonly class NotedPlace
{
    /**
     * @param  int  $from  first measure, counted from 0
     * @param  int  $to  last measure
     * @param  list<int>  $sections  none: all of them
     * @param  list<string>  $keys  of the notes
     */
    public function __construct(
        public int $from,
        public int $to,
        public array $sections = [],
        public array $keys = [],
    ) {}

    /** Whether the same measure and the same players are meant. */
    public function meets(self $other): bool
    {
        return $this->from <= $other->to && $this->to >= $other->from && ($this->sections === [] || $other->sections === [] || array_intersect($this->sections, $other->sections) !== []);
    }

    /** Where both lie, for those whom both mean. */
    public function with(self $other): self
    {
        $sections = $this->sections === [] || $other->sections === [] ? [...$this->sections, ...$other->sections] : array_values(array_intersect($this->sections, $other->sections));

        return new self(max($this->from, $other->from), min($this->to, $other->to), $sections, [...$this->keys, ...$other->keys]);
    }
}
