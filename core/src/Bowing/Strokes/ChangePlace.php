<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Strokes;

use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Search\ShortestPath;

/**
 * Where a bow change on a held note shows least: near the middle of its value, and on a weak beat rather than a strong
 * one (`bowing.md`, “A long loud note”).
 */
final readonly class ChangePlace
{
    /** What a full strong beat weighs against being half the note away from its middle. */
    private const STRONG_BEAT = 0.4;

    public const MOST_PIECES = 24;

    private const MOST_BEATS = 96;

    /** What a piece weighs that is too long for its bow, for each time over: no place hides a bow that runs out. */
    private const TOO_LONG = 100.0;

    public function __construct(
        private Beats $beats,
        private BowNeed $need,
    ) {}

    /** How many strokes a held note needs so that each, changing on a beat, fits the bow. 1 when it needs no change. */
    public function pieces(Stroke $stroke): int
    {
        $excess = $this->need->excess($stroke);
        if ($excess <= BowNeed::MOST) {
            return 1;
        }
        $beat = $this->beats->beatTicksAt($stroke->start);
        $fits = max(1, (int) floor($stroke->ticks() * BowNeed::MOST / $excess / $beat + 1e-9));

        return min(self::MOST_PIECES, max(2, (int) ceil($stroke->ticks() / ($fits * $beat) - 1e-9)));
    }

    /**
     * @param  int  $pieces  strokes wanted, 2 or more
     * @return list<int> ticks of the changes; fewer than wanted when the note has too few beats
     */
    public function within(Stroke $stroke, int $pieces): array
    {
        $beats = $this->beats->ticksBetween($stroke->start + 1, $stroke->end - 1);
        if ($beats === [] || count($beats) < $pieces - 1) {
            return $beats;
        }
        // A drone of minutes is divided as its first measures are; nobody counts its beats one by one.
        $beats = array_slice($beats, 0, self::MOST_BEATS);
        $most = $stroke->ticks() * BowNeed::MOST / max(0.01, $this->need->excess($stroke));
        $tooLong = static fn (int $ticks): float => self::TOO_LONG * max(0.0, $ticks / $most - 1.0);
        $last = $pieces - 2;

        return ShortestPath::through(
            array_fill(0, $pieces - 1, $beats),
            fn (int $tick, int $change): float => 2 * abs($tick - $stroke->start - $stroke->ticks() * ($change + 1) / $pieces) / $stroke->ticks()
                + self::STRONG_BEAT * $this->beats->strengthAt($tick)
                + ($change === 0 ? $tooLong($tick - $stroke->start) : 0.0)
                + ($change === $last ? $tooLong($stroke->end - $tick) : 0.0),
            static fn (int $from, int $to): float => $to > $from ? $tooLong($to - $from) : 1000.0,
        )->states;
    }
}
