<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/**
 * The measures of a part in the order they are played: repeats, endings, D.C., D.S., coda and fine unrolled.
 *
 * After a D.C. or D.S. repeats are not taken again and the last ending is played, as is the custom.
 */
final readonly class PlayingOrder
{
    /** A file whose repeats would play more than this many times its measures is wrong; we stop there. */
    private const MOST_PER_MEASURE = 16;

    /** @param list<Visit> $visits */
    private function __construct(public array $visits) {}

    public static function of(Part $part): self
    {
        return new self((new PlayingOrderWalk(Jumps::of($part), count($part->measures)))->visits(self::MOST_PER_MEASURE));
    }

    /** As far as it is known where only these measures are. */
    public static function within(Jumps $jumps, int $from, int $to): self
    {
        return new self((new PlayingOrderWalk($jumps->within($from, $to), $to + 1, $from))->visits(self::MOST_PER_MEASURE));
    }

    /** @return list<int> measure indexes */
    public function measures(): array
    {
        return array_map(static fn (Visit $visit): int => $visit->measure, $this->visits);
    }
}
