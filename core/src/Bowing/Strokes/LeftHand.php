<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Strokes;

/** What the left hand does, as far as the bow has to know: the string and the hand of each event of a line. */
final readonly class LeftHand
{
    /**
     * @param  array<int, int>  $strings  event index => string, 0 is the lowest; chords by their lowest note
     * @param  array<int, int>  $hands  event index => offset of the regular first finger; open strings have their neighbours'
     */
    public function __construct(
        private array $strings = [],
        private array $hands = [],
    ) {}

    /** The same for some events only. */
    public function between(int $first, int $last): self
    {
        $inside = static fn (int $event): bool => $event >= $first && $event <= $last;

        return new self(array_filter($this->strings, $inside, ARRAY_FILTER_USE_KEY), array_filter($this->hands, $inside, ARRAY_FILTER_USE_KEY));
    }

    public function string(int $event): ?int
    {
        return $this->strings[$event] ?? null;
    }

    public function hand(int $event): ?int
    {
        return $this->hands[$event] ?? null;
    }

    /** How many strings the bow goes over from one event to the next; 0 when nothing is known. */
    public function crossing(int $from, int $to): int
    {
        return isset($this->strings[$from], $this->strings[$to]) ? abs($this->strings[$to] - $this->strings[$from]) : 0;
    }

    public function shifts(int $from, int $to): bool
    {
        return isset($this->hands[$from], $this->hands[$to]) && $this->hands[$from] !== $this->hands[$to];
    }
}
