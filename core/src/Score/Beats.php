<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** The beats of a part: which printed beat a place is, and how strong it is in its measure. */
final readonly class Beats
{
    /** @var list<int> for each measure the ticks by which its start stands in a full measure: 0 unless it is a pickup or completes one */
    private array $offsets;

    /** @var array<int, true> ticks with a sforzando */
    private array $sforzandos;

    /** @var list<int> ticks at which the measures start */
    private array $starts;

    /** @param int $resolution ticks in a quarter */
    public function __construct(
        private Part $part,
        public int $resolution,
    ) {
        $this->offsets = self::offsetsOf($part, $resolution);
        $this->sforzandos = Dynamics::sforzandos($part);
        $this->starts = array_column($part->measures, 'start');
    }

    /**
     * A short measure is either the end of a full one (a pickup, wherever it stands, and the second half of a measure that a
     * repeat sign divides), or the beginning of one that the next measure completes.
     *
     * @return list<int>
     */
    private static function offsetsOf(Part $part, int $resolution): array
    {
        $offsets = [];
        // How much of a measure has been heard when a short one has just ended; 0 when nothing is open.
        $heard = 0;
        foreach ($part->measures as $index => $measure) {
            $full = $measure->meter?->ticks($resolution) ?? $measure->length;
            $short = $measure->length < $full;
            $offsets[] = $offset = match (true) {
                ! $short => 0,
                $heard > 0 && $heard + $measure->length <= $full => $heard,
                $index === 0, $measure->implicit && $heard === 0 => $full - $measure->length,
                default => 0,
            };
            $heard = $short && $offset + $measure->length < $full ? $offset + $measure->length : 0;
        }

        return $offsets;
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
        $place = $this->offsets[$measure] + $onset;

        return $this->part->measures[$measure]->meter?->strength($place, $this->resolution) ?? ($place === 0 ? 1.0 : 0.0);
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

    /**
     * The printed beat of a place.
     *
     * @param  int  $measure  index into the part's measures
     * @param  int  $onset  ticks from its start
     */
    public function beatIn(int $measure, int $onset): float
    {
        return 1 + round(($this->offsets[$measure] + $onset) / ($this->part->measures[$measure]->meter?->beatTicks($this->resolution) ?? $this->resolution), 4);
    }

    /** @return array{string, float} the printed measure and beat of a tick */
    public function placeAt(int $tick): array
    {
        $measure = $this->measureAt($tick);

        return [$this->part->measures[$measure]->number, $this->beatIn($measure, $tick - $this->part->measures[$measure]->start)];
    }

    /** @return int index of the measure that a tick falls into */
    public function measureAt(int $tick): int
    {
        return max(0, Sorted::lastAtOrBefore($this->starts, $tick));
    }

    /** The printed beat at a place, in ticks. */
    public function beatTicksAt(int $tick): int
    {
        return max(1, $this->part->measures[$this->measureAt($tick)]->meter?->beatTicks($this->resolution) ?? $this->resolution);
    }

    /** A full measure at a place, in ticks; four quarters where there is no meter. */
    public function measureTicksAt(int $tick): int
    {
        return ($this->part->measures[$this->measureAt($tick)] ?? null)?->meter?->ticks($this->resolution) ?? 4 * $this->resolution;
    }

    /** @return list<int> ticks of the beats from one place to another, both included */
    public function ticksBetween(int $from, int $to): array
    {
        $ticks = [];
        for ($measure = $this->measureAt($from); isset($this->part->measures[$measure]) && $this->part->measures[$measure]->start <= $to; $measure++) {
            $bar = $this->part->measures[$measure];
            $beat = max(1, $bar->meter?->beatTicks($this->resolution) ?? $this->resolution);
            $first = $this->offsets[$measure] % $beat;
            for ($tick = $bar->start + ($first === 0 ? 0 : $beat - $first); $tick < $bar->start + $bar->length; $tick += $beat) {
                if ($tick >= $from && $tick <= $to) {
                    $ticks[] = $tick;
                }
            }
        }

        return $ticks;
    }

    /** The beats here are felt in threes (6/8, 9/4 …). */
    public function isCompound(Event $event): bool
    {
        return $this->part->measures[$event->measure]->meter?->isCompound() ?? false;
    }

    public function isAccented(Event $event): bool
    {
        return isset($this->sforzandos[$event->start]) || $event->has(Articulation::Accent, Articulation::StrongAccent);
    }

    /** True for a note before the first full measure of the piece, or before one after a repeat sign. */
    public function inPickup(Event $event): bool
    {
        return $this->offsets[$event->measure] > 0;
    }
}
