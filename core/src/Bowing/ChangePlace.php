<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

/**
 * Where a bow change on a held note shows least: near the middle of its value, and on a weak beat rather than a strong
 * one (`bowing.md`, “A long loud note”).
 */
final readonly class ChangePlace
{
    /** What a full strong beat weighs against being half the note away from its middle. */
    private const STRONG_BEAT = 0.4;

    public function __construct(private Beats $beats) {}

    /**
     * @param  int  $pieces  strokes wanted, 2 or more
     * @return list<int> ticks of the changes; fewer than wanted when the note has too few beats
     */
    public function within(Stroke $stroke, int $pieces): array
    {
        $beats = $this->beats->ticksBetween($stroke->start + 1, $stroke->end - 1);
        $places = [];
        for ($piece = 1; $piece < $pieces; $piece++) {
            $ideal = $stroke->start + $stroke->ticks() * $piece / $pieces;
            $best = null;
            foreach ($beats as $tick) {
                $cost = 2 * abs($tick - $ideal) / $stroke->ticks() + self::STRONG_BEAT * $this->beats->strengthAt($tick);
                if (($best === null || $cost < $best[1] - 1e-9) && $tick > (end($places) ?: 0)) {
                    $best = [$tick, $cost];
                }
            }
            if ($best !== null) {
                $places[] = $best[0];
            }
        }

        return $places;
    }
}
