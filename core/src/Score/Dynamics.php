<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** How loud the music is, place by place: marks hold until the next, wedges lead from one to the other. */
final readonly class Dynamics
{
    /** The degrees of loudness: pp is 0, ff is 5. */
    public const DEGREES = ['pppp' => 0.0, 'ppp' => 0.0, 'pp' => 0.0, 'p' => 1.0, 'mp' => 2.0, 'mf' => 3.0, 'f' => 4.0, 'ff' => 5.0, 'fff' => 5.0, 'ffff' => 5.0];

    private const UNMARKED = 3.0;

    /** A wedge without a mark at its end leads to the next degree. */
    private const WEDGE_STEP = 1.0;

    /** @var list<int> where the marks stand */
    private array $marked;

    /** @var list<int> where the wedges begin */
    private array $opened;

    /**
     * @param  list<array{int, float}>  $marks  ticks from the start as written, degree
     * @param  list<array{int, int, float}>  $wedges  start, end, +1 or −1
     */
    private function __construct(
        private array $marks,
        private array $wedges,
    ) {
        $this->marked = array_column($marks, 0);
        $this->opened = array_column($wedges, 0);
    }

    public static function of(Part $part): self
    {
        $marks = $wedges = [];
        $open = null;
        foreach ($part->measures as $measure) {
            foreach ($measure->directions() as $direction) {
                $tick = $measure->start + $direction->time();
                foreach ($direction->signs as $sign) {
                    if ($sign->kind === DirectionKind::Dynamics) {
                        array_push($marks, ...self::marksOf($sign->text, $tick));
                    } elseif ($sign->kind === DirectionKind::Wedge && $sign->text === 'stop' && $open !== null) {
                        $wedges[] = [$open[0], $tick, $open[1]];
                        $open = null;
                    } elseif ($sign->kind === DirectionKind::Wedge && $sign->text !== 'continue') {
                        $open = [$tick, $sign->text === 'crescendo' ? 1.0 : -1.0];
                    }
                }
            }
        }

        // A mark that stands later in the file may take effect earlier; of two at one place the later one holds.
        usort($marks, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        usort($wedges, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return new self($marks, $wedges);
    }

    /** @return list<array{int, float}> “fp” is loud for its note only, sforzandos change nothing after them */
    private static function marksOf(string $text, int $tick): array
    {
        return match (true) {
            isset(self::DEGREES[$text]) => [[$tick, self::DEGREES[$text]]],
            $text === 'fp' => [[$tick, 4.0], [$tick + 1, 1.0]],
            default => [],
        };
    }

    /** The degree at a place, from 0 (pp) to 5 (ff). */
    public function at(int $tick): float
    {
        $degree = $this->markAt($tick);
        // Wedges follow one another: only the last that has begun can still hold here.
        [$start, $end, $way] = $this->wedges[Sorted::lastAtOrBefore($this->opened, $tick)] ?? [0, 0, 0.0];
        if ($tick >= $end) {
            return $degree;
        }
        $goal = $this->markedWithin($start + 1, $end + 1) ? $this->markAt($end) : $degree + $way * self::WEDGE_STEP;

        return max(0.0, min(5.0, $degree + ($goal - $degree) * ($tick - $start) / ($end - $start)));
    }

    private function markAt(int $tick): float
    {
        return $this->marks[$this->lastMark($tick)][1] ?? self::UNMARKED;
    }

    private function markedWithin(int $from, int $to): bool
    {
        return $this->lastMark($to) > $this->lastMark($from - 1);
    }

    private function lastMark(int $tick): int
    {
        return Sorted::lastAtOrBefore($this->marked, $tick);
    }

    /**
     * Places with a sforzando of any kind.
     *
     * @return array<int, true> ticks
     */
    public static function sforzandos(Part $part): array
    {
        $ticks = [];
        foreach ($part->measures as $measure) {
            foreach ($measure->directions() as $direction) {
                foreach ($direction->signs as $sign) {
                    if ($sign->kind === DirectionKind::Dynamics && preg_match('/^(s?f+z|sf+p?p?|sfzp|rf|rfz|fz)$/', $sign->text) === 1) {
                        $ticks[$measure->start + $direction->time()] = true;
                    }
                }
            }
        }

        return $ticks;
    }
}
