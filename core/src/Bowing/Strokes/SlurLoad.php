<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Strokes;

use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Pace;
use UprightPencil\Core\Strings\Level;

/** What a class plays cleanly in one bow: how many notes, and how many string crossings when they are fast. */
final readonly class SlurLoad
{
    public function __construct(
        private BowNeed $need,
        private LeftHand $hand,
        private Beats $beats,
        private Level $level,
    ) {}

    public function isTooMuch(Stroke $stroke): bool
    {
        return $stroke->notes() > $this->level->slurNotes() || ($this->isFast($stroke) && $this->crossings($stroke) > $this->level->slurCrossings());
    }

    public function isFast(Stroke $stroke): bool
    {
        return $stroke->notes() > 1 && Pace::isFast($this->need->seconds($stroke) / $stroke->notes());
    }

    public function crossings(Stroke $stroke): int
    {
        $crossings = 0;
        foreach (array_slice($stroke->events, 1) as $index => $event) {
            $crossings += $this->hand->crossing($stroke->events[$index]->index, $event->index) > 0 ? 1 : 0;
        }

        return $crossings;
    }

    /** The first event inside a stroke to which the hand shifts. */
    public function shift(Stroke $stroke): ?Event
    {
        foreach (array_slice($stroke->events, 1) as $index => $event) {
            if (! $event->isTiedOver() && $this->hand->shifts($stroke->events[$index]->index, $event->index)) {
                return $event;
            }
        }

        return null;
    }

    /** The first event inside a stroke for which the bow skips a string. */
    public function skip(Stroke $stroke): ?Event
    {
        foreach (array_slice($stroke->events, 1) as $index => $event) {
            if ($this->hand->crossing($stroke->events[$index]->index, $event->index) > 1) {
                return $event;
            }
        }

        return null;
    }

    /**
     * Where a slur is best begun anew: in equal pieces, on beats rather than between them, never at a note that is held over.
     *
     * @return list<Event> one fewer than pieces, or fewer where there are not so many notes
     */
    public function divided(Stroke $stroke, int $pieces): array
    {
        $at = [];
        $struck = $stroke->struckInside();
        for ($piece = 1; $piece < $pieces; $piece++) {
            $ideal = $stroke->start + $stroke->ticks() * $piece / $pieces;
            $best = null;
            foreach ($struck as $event) {
                $cost = abs($event->start - $ideal) / max(1, $stroke->ticks()) - 0.12 * $this->beats->strength($event);
                if (! in_array($event, $at, true) && ($best === null || $cost < $best[1])) {
                    $best = [$event, $cost];
                }
            }
            if ($best !== null) {
                $at[] = $best[0];
            }
        }
        usort($at, static fn (Event $a, Event $b): int => $a->index <=> $b->index);

        return $at;
    }
}
