<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Travel;

use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Marks\BowPlace;
use UprightPencil\Core\Bowing\Strokes\BowNeed;
use UprightPencil\Core\Bowing\Strokes\LeftHand;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Pace;

/** Where on the bow a stroke is best played, and how much that matters. */
final readonly class WantedPlace
{
    /**
     * @param  float  $from  the stretch of the bow, 0 at the frog, 1 at the tip
     * @param  float  $weight  points for each whole bow that the stroke is away from it
     * @param  BowPlace|null  $named  when a place was asked for in so many words
     */
    private function __construct(
        public float $from,
        public float $to,
        public float $weight,
        public ?BowPlace $named = null,
    ) {}

    public static function of(Stroke $stroke, BowMarks $marks, BowNeed $need, LeftHand $hand, ?Stroke $next): ?self
    {
        $decided = $marks->places[(string) $stroke->id()] ?? null;
        if ($decided !== null) {
            return self::named($decided, 6.0);
        }
        if ($stroke->type?->place() !== null) {
            return self::named($stroke->type->place(), 4.0);
        }
        $event = $stroke->onBeat();
        $seconds = $need->seconds($stroke);
        $soft = $need->degree($stroke) <= 1.0;

        return match (true) {
            $event->has(Articulation::Spiccato) => self::named(BowPlace::BalancePoint, 4.0),
            $stroke->isTremolo() => $soft ? self::named(BowPlace::Tip, 1.0) : new self(0.4, 0.8, 0.5),
            $stroke->isDotted() && $event->has(Articulation::Staccato, Articulation::Staccatissimo) && $seconds < 0.4 => new self(0.2, 0.6, 0.6),
            Pace::isFast($seconds) && self::crosses($event, $hand, $next) => new self(0.3, 0.65, 0.6),
            $soft && $seconds < 0.6 => new self(0.5, 1.0, 0.2),
            default => null,
        };
    }

    /** Wishes with the same key cost the same. */
    public function key(): string
    {
        return "{$this->from} {$this->to} {$this->weight}";
    }

    private static function named(BowPlace $place, float $weight): self
    {
        [$from, $to] = $place->stretch();

        return new self($from, $to, $weight, $place);
    }

    private static function crosses(Event $event, LeftHand $hand, ?Stroke $next): bool
    {
        return $next !== null && $hand->crossing($event->index, $next->first()->index) > 0;
    }

    /** How far the middle of a stroke is from the wanted stretch, in bows. */
    public function distance(float $from, float $to): float
    {
        $middle = ($from + $to) / 2;

        return max(0.0, $this->from - $middle, $middle - $this->to);
    }
}
