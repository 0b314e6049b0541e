<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Part;

/** How strongly the music asks for a down-bow at each stroke of a part. */
final readonly class Beats
{
    private bool $pickup;

    /** @param int $resolution ticks in a quarter */
    public function __construct(
        private Part $part,
        private int $resolution,
    ) {
        $this->pickup = $part->hasPickup($resolution);
    }

    /** 1 at the start of a measure, less inside it, 0 between the beats. */
    public function strength(Event $event): float
    {
        $measure = $this->part->measures[$event->measure];
        $place = $measure->metricPlace($event->first()->onset, $this->resolution, $this->pickup && $event->measure === 0);

        return $measure->meter?->strength($place, $this->resolution) ?? ($place === 0 ? 1.0 : 0.0);
    }

    public function startsMeasure(Event $event): bool
    {
        return $this->strength($event) >= 1.0;
    }

    /** The printed beat an event falls on, counted from 1; a pickup counts as the end of its measure. */
    public function beat(Event $event): float
    {
        $measure = $this->part->measures[$event->measure];
        $place = $measure->metricPlace($event->first()->onset, $this->resolution, $this->pickup && $event->measure === 0);

        return 1 + round($place / ($measure->meter?->beatTicks($this->resolution) ?? $this->resolution), 4);
    }

    public function isAccented(Event $event): bool
    {
        return $event->has(Articulation::Accent, Articulation::StrongAccent);
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
