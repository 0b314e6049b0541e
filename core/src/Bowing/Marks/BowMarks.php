<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Marks;

use UprightPencil\Core\Score\BowSign;

/** What is fixed about the bow, by note id: printed signs, the director's decisions, or a plan. */
final readonly class BowMarks
{
    /**
     * @param  array<string, BowSign>  $directions
     * @param  array<string, BowAction>  $actions
     * @param  array<string, true>  $struck  notes that are played as they come: a slur over them is struck
     * @param  array<string, true>  $hooked  notes whose dotted pairs are hooked
     * @param  array<string, true>  $paired  notes of which the second and third of three equal beats are hooked
     * @param  array<string, int>  $times  how many changes a held note has, or how many desks a stagger is for
     * @param  array<int, true>  $cuts  ticks at which a change on a held note is printed
     * @param  array<string, BowPlace>  $places
     * @param  array<string, StrokeType>  $types
     * @param  array<string, BowAmount>  $amounts
     * @param  array<string, true>  $alike  notes whose direction nobody gave: passages begin so that are alike elsewhere
     */
    public function __construct(
        public array $directions = [],
        public array $actions = [],
        public array $struck = [],
        public array $hooked = [],
        public array $paired = [],
        public array $times = [],
        public array $cuts = [],
        public array $places = [],
        public array $types = [],
        public array $amounts = [],
        public array $alike = [],
    ) {}

    /** @return array<string, BowSign> those that print or people gave */
    public function given(): array
    {
        return array_diff_key($this->directions, $this->alike);
    }

    /** @param list<string> $notes the heads of one note */
    public function isAlike(array $notes): bool
    {
        foreach ($this->alike === [] ? [] : $notes as $id) {
            if (isset($this->alike[$id])) {
                return true;
            }
        }

        return false;
    }

    /** These marks with others laid over them. */
    public function and(self $others): self
    {
        return new self(
            $others->directions + $this->directions,
            $others->actions + $this->actions,
            $others->struck + $this->struck,
            $others->hooked + $this->hooked,
            $others->paired + $this->paired,
            $others->times + $this->times,
            $others->cuts + $this->cuts,
            $others->places + $this->places,
            $others->types + $this->types,
            $others->amounts + $this->amounts,
            $others->alike + array_diff_key($this->alike, $others->directions),
        );
    }

    /**
     * Those of some notes, and changes on held notes within a stretch.
     *
     * @param  array<string, true>  $notes  by id
     * @param  int  $from  ticks
     */
    public function among(array $notes, int $from, int $to): self
    {
        return new self(
            array_intersect_key($this->directions, $notes),
            array_intersect_key($this->actions, $notes),
            array_intersect_key($this->struck, $notes),
            array_intersect_key($this->hooked, $notes),
            array_intersect_key($this->paired, $notes),
            array_intersect_key($this->times, $notes),
            array_filter($this->cuts, static fn (int $tick): bool => $tick >= $from && $tick <= $to, ARRAY_FILTER_USE_KEY),
            array_intersect_key($this->places, $notes),
            array_intersect_key($this->types, $notes),
            array_intersect_key($this->amounts, $notes),
            array_intersect_key($this->alike, $notes),
        );
    }

    /** @param BowSign|null $sign null: no sign on the note any more */
    public function turned(string $note, ?BowSign $sign): self
    {
        return new self(self::set($this->directions, $note, $sign), $this->actions, $this->struck, $this->hooked, $this->paired, $this->times, $this->cuts, $this->places, $this->types, $this->amounts, array_diff_key($this->alike, [$note => true]));
    }

    /** @param BowAction|null $action null: nothing is done at the note any more */
    public function acted(string $note, ?BowAction $action, ?int $times = null): self
    {
        return new self($this->directions, self::set($this->actions, $note, $action), $this->struck, $this->hooked, $this->paired, self::set($this->times, $note, $times), $this->cuts, $this->places, $this->types, $this->amounts, $this->alike);
    }

    public function placed(string $note, BowPlace $place): self
    {
        return new self($this->directions, $this->actions, $this->struck, $this->hooked, $this->paired, $this->times, $this->cuts, self::set($this->places, $note, $place), $this->types, $this->amounts, $this->alike);
    }

    /**
     * @template T
     *
     * @param  array<string, T>  $marks
     * @param  T|null  $value
     * @return array<string, T>
     */
    private static function set(array $marks, string $note, mixed $value): array
    {
        unset($marks[$note]);

        return $value === null ? $marks : $marks + [$note => $value];
    }
}
