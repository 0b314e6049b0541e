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
    private const FELT = 0.05;

    /**
     * @param  list<Event>  $events
     * @param  list<Grip>  $grips  one for each event
     * @param  list<Grip>  $chosen  the grips that it would replace, one for each event
     * @param  float  $extra  points that it costs more than the chosen one
     * @param  array<string, float>  $differences  term => points more (or, negative, fewer)
     * @param  array<string, string>  $sentences  term => what it is about
     */
    public function __construct(
        public array $events,
        public array $grips,
        private array $chosen,
        public float $extra,
        public array $differences,
        private array $sentences,
    ) {}

    /** @return list<string> what it saves, in the terms' own words */
    public function gains(): array
    {
        return $this->told(-1);
    }

    /** @return list<string> what it costs */
    public function costs(): array
    {
        return $this->told(1);
    }

    /** “shift +2.6, string-crossing −1.1”: the largest differences first, without their sentences. */
    public function brief(): string
    {
        $found = array_slice($this->largest(static fn (float $points): bool => abs($points) > self::FELT), 0, 3);

        return implode(', ', array_map(static fn (string $term, float $points): string => $term.' '.str_replace('-', '−', sprintf('%+.1f', $points)), array_keys($found), $found));
    }

    /** @return list<string> the largest first */
    private function told(int $sign): array
    {
        $found = $this->largest(static fn (float $points): bool => $sign * $points > self::FELT);

        return array_map(fn (string $term, float $points): string => sprintf('%s %+.1f: %s', $term, $points, $this->sentences[$term] ?? ''), array_keys($found), $found);
    }

    /**
     * @param  \Closure(float): bool  $wanted
     * @return array<string, float> the differences wanted, the largest first
     */
    private function largest(\Closure $wanted): array
    {
        $found = array_filter($this->differences, $wanted);
        uasort($found, static fn (float $a, float $b): int => abs($b) <=> abs($a));

        return $found;
    }

    /** Whether this way plays an event otherwise than the chosen one. */
    public function differsAt(int $index): bool
    {
        $one = $this->grips[$index];
        $other = $this->chosen[$index];

        return $one->id !== $other->id && ($one->stops != $other->stops || ($one->hand !== $other->hand && ! $one->isOpen()));
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
