<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Dynamics;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Part;

/** How strongly the music asks for a down-bow at each place of a part. */
final readonly class Beats
{
    private bool $pickup;

    /** @var array<int, true> ticks with a sforzando */
    private array $sforzandos;

    /** @param int $resolution ticks in a quarter */
    public function __construct(
        private Part $part,
        public int $resolution,
    ) {
        $this->pickup = $part->hasPickup($resolution);
        $this->sforzandos = Dynamics::sforzandos($part);
    }

    /** 1 at the start of a measure, less inside it, 0 between the beats. */
    public function strength(Event $event): float
    {
        return $this->strengthIn($event->measure, $event->first()->onset);
    }

    /** @param int $tick from the start of the part, as written; the final barline is as strong as any other */
    public function strengthAt(int $tick): float
    {
        $measure = $this->measureAt($tick);
        $onset = $tick - $this->part->measures[$measure]->start;

        return $onset >= $this->part->measures[$measure]->length ? 1.0 : $this->strengthIn($measure, $onset);
    }

    private function strengthIn(int $measure, int $onset): float
    {
        $place = $this->metricPlace($measure, $onset);

        return $this->part->measures[$measure]->meter?->strength($place, $this->resolution) ?? ($place === 0 ? 1.0 : 0.0);
    }

    private function metricPlace(int $measure, int $onset): int
    {
        return $this->part->measures[$measure]->metricPlace($onset, $this->resolution, $this->pickup && $measure === 0);
    }

    public function startsMeasure(Event $event): bool
    {
        return $this->strength($event) >= 1.0;
    }

    /** The printed beat an event falls on, counted from 1; a pickup counts as the end of its measure. */
    public function beat(Event $event): float
    {
        return $this->beatIn($event->measure, $event->first()->onset);
    }

    /** @return array{string, float} the printed measure and beat of a tick */
    public function placeAt(int $tick): array
    {
        $measure = $this->measureAt($tick);

        return [$this->part->measures[$measure]->number, $this->beatIn($measure, $tick - $this->part->measures[$measure]->start)];
    }

    private function beatIn(int $measure, int $onset): float
    {
        return 1 + round($this->metricPlace($measure, $onset) / ($this->part->measures[$measure]->meter?->beatTicks($this->resolution) ?? $this->resolution), 4);
    }

    private function measureAt(int $tick): int
    {
        $low = 0;
        $high = count($this->part->measures) - 1;
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            if ($this->part->measures[$middle]->start <= $tick) {
                $low = $middle;
            } else {
                $high = $middle - 1;
            }
        }

        return $low;
    }

    /** The printed beat at a place, in ticks. */
    public function beatTicksAt(int $tick): int
    {
        return max(1, $this->part->measures[$this->measureAt($tick)]->meter?->beatTicks($this->resolution) ?? $this->resolution);
    }

    /** @return list<int> ticks of the beats from one place to another, both included */
    public function ticksBetween(int $from, int $to): array
    {
        $ticks = [];
        for ($measure = $this->measureAt($from); isset($this->part->measures[$measure]) && $this->part->measures[$measure]->start <= $to; $measure++) {
            $bar = $this->part->measures[$measure];
            $beat = max(1, $bar->meter?->beatTicks($this->resolution) ?? $this->resolution);
            $first = $this->metricPlace($measure, 0) % $beat;
            for ($tick = $bar->start + ($first === 0 ? 0 : $beat - $first); $tick < $bar->start + $bar->length; $tick += $beat) {
                if ($tick >= $from && $tick <= $to) {
                    $ticks[] = $tick;
                }
            }
        }

        return $ticks;
    }

    public function isAccented(Event $event): bool
    {
        return isset($this->sforzandos[$event->start]) || $event->has(Articulation::Accent, Articulation::StrongAccent);
    }

    /** True for a stroke inside the pickup. */
    public function inPickup(Event $event): bool
    {
        return $this->pickup && $event->measure === 0;
    }

    public function isLong(Stroke $stroke): bool
    {
        return $stroke->ticks() >= 2 * $this->resolution;
    }

    /** A silence of a quarter or more. */
    public function isEntry(Stroke $stroke): bool
    {
        return $stroke->gap >= $this->resolution;
    }
}
