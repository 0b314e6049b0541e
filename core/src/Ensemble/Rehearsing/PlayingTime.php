<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Rehearsing;

use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\TempoMap;

/** How long measures take to be played once, as they are written. */
final readonly class PlayingTime
{
    /** @var array<string, int> printed number => place */
    private array $places;

    /** @var list<float> seconds */
    private array $seconds;

    /**
     * @param  float|null  $tempo  of practice, in quarters a minute, the same throughout: what is slower in the print is practised in time; null: as it is printed
     */
    public function __construct(Score $score, ?float $tempo)
    {
        $printed = TempoMap::of($score);
        $places = $seconds = [];
        foreach ($score->parts[0]->measures ?? [] as $place => $measure) {
            $places[$measure->number] ??= $place;
            $seconds[] = $tempo === null ? $printed->seconds($measure->length, $measure->start) : $measure->length / $score->resolution * 60 / $tempo;
        }
        [$this->places, $this->seconds] = [$places, $seconds];
    }

    /** @return list<float> of each measure */
    public function ofEach(): array
    {
        return $this->seconds;
    }

    /** Seconds of a run of printed measures; 0 where there are none of these numbers. */
    public function of(string $from, string $to): float
    {
        [$first, $last] = [$this->places[$from] ?? null, $this->places[$to] ?? null];

        return $first === null || $last === null ? 0.0 : array_sum(array_slice($this->seconds, min($first, $last), abs($last - $first) + 1));
    }
}
