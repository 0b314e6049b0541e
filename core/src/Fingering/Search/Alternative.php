<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Search;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Grips\Stop;
use UprightPencil\Core\Score\Event;

/** Another way to finger a stretch, and how it compares with the one that was chosen. */
final readonly class Alternative
{
    /** Differences smaller than this are not spoken of. */
    public const FELT = 0.05;

    /** A third of a point is no difference that a teacher would defend. */
    private const AS_GOOD = 0.34;

    /**
     * @param  list<Event>  $events
     * @param  list<Grip>  $grips  one for each event
     * @param  list<Grip>  $chosen  the grips that it would replace, one for each event
     * @param  float  $extra  points that it costs more than the chosen one
     * @param  array<string, float>  $differences  term => points more (or, negative, fewer)
     * @param  list<string>  $costs  what it has more than the chosen one, the dearest first
     * @param  list<string>  $gains  what it has less
     */
    public function __construct(
        public array $events,
        public array $grips,
        private array $chosen,
        public float $extra,
        public array $differences,
        public array $costs,
        public array $gains,
    ) {}

    /** As good as the chosen one: which to take is a matter of taste. */
    public function isAsGood(): bool
    {
        return $this->extra < self::AS_GOOD;
    }

    /** What it has more and less, the largest first, in at most so many facts: “a shift up to III; a crossing less”. */
    public function brief(int $facts = 2): string
    {
        $more = array_slice($this->costs, 0, $this->gains === [] ? $facts : max(1, $facts - 1));
        $less = array_map(static fn (string $gain): string => "{$gain} less", array_slice($this->gains, 0, max(0, $facts - count($more))));

        return implode(', ', [...$more, ...$less]);
    }

    /** Whether this way plays an event otherwise than the chosen one. */
    public function differsAt(int $index): bool
    {
        $one = $this->grips[$index];
        $other = $this->chosen[$index];

        return $one->id !== $other->id && ($one->stops != $other->stops || ($one->hand !== $other->hand && ! $one->isOpen()));
    }

    /** Only the stretch in which it differs from the chosen one. */
    public function shortened(): self
    {
        $places = array_values(array_filter(array_keys($this->events), $this->differsAt(...)));
        if ($places === []) {
            return $this;
        }
        [$from, $length] = [$places[0], $places[count($places) - 1] - $places[0] + 1];

        return new self(array_slice($this->events, $from, $length), array_slice($this->grips, $from, $length), array_slice($this->chosen, $from, $length), $this->extra, $this->differences, $this->costs, $this->gains);
    }

    /** @return list<FingerChange> what has to be decided to take it */
    public function changes(): array
    {
        $changes = [];
        foreach ($this->events as $index => $event) {
            foreach ($this->differsAt($index) ? $event->notes : [] as $head => $note) {
                $stop = $this->grips[$index]->stops[$head];
                $changes[] = new FingerChange($note->id, $stop->string, $stop->finger, $stop->placement, $stop->finger === 0 ? null : $this->grips[$index]->position);
            }
        }

        return $changes;
    }

    /** The same fingers on the same strings have the same key. */
    public function key(): string
    {
        return implode(' ', array_map(static fn (Grip $grip): string => implode('+', array_map(static fn (Stop $stop): string => "{$stop->string}/{$stop->finger}/{$stop->placement->value}", $grip->stops))."@{$grip->hand}", $this->grips));
    }
}
