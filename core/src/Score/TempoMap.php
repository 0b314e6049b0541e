<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** How fast the music goes, place by place. */
final readonly class TempoMap
{
    /** Quarters a minute where a file gives no tempo (`contract.md`). */
    public const DEFAULT_TEMPO = 96.0;

    /** @var list<int> where the changes stand */
    private array $changed;

    /** @param list<array{int, float}> $changes ticks from the start as written, quarters a minute */
    private function __construct(
        private array $changes,
        private int $resolution,
    ) {
        $this->changed = array_column($changes, 0);
    }

    /** Tempo marks often stand in the top part only, so all parts are asked. */
    public static function of(Score $score, float $default = self::DEFAULT_TEMPO): self
    {
        $changes = [];
        foreach ($score->parts as $part) {
            foreach ($part->measures as $measure) {
                foreach ($measure->directions() as $direction) {
                    $tempo = self::tempoOf($direction);
                    if ($tempo !== null) {
                        $changes[$measure->start + $direction->time()] ??= $tempo;
                    }
                }
            }
        }
        ksort($changes);
        $listed = [];
        foreach ($changes as $tick => $tempo) {
            $listed[] = [$tick, $tempo];
        }

        return new self($listed === [] ? [[0, $default]] : $listed, $score->resolution);
    }

    /**
     * The tempo changes of a score as bare playback instructions, by measure.
     *
     * @return array<int, list<Direction>>
     */
    public static function marksOf(Score $score): array
    {
        $marks = [];
        foreach ($score->parts as $part) {
            foreach ($part->measures as $index => $measure) {
                foreach ($measure->directions() as $direction) {
                    $tempo = self::tempoOf($direction);
                    if ($tempo !== null && ! isset($marks[$index]) && $direction->time() === 0) {
                        $marks[$index] = [new Direction(0, sound: ['tempo' => (string) $tempo], soundOnly: true)];
                    }
                }
            }
        }

        return $marks;
    }

    public static function isMarkedIn(Measure $measure): bool
    {
        foreach ($measure->directions() as $direction) {
            if (self::tempoOf($direction) !== null) {
                return true;
            }
        }

        return false;
    }

    /** Quarters a minute, as a direction says it. */
    public static function tempoOf(Direction $direction): ?float
    {
        $tempo = Bounds::tempo($direction->sound['tempo'] ?? null);
        foreach ($tempo === null ? $direction->signs : [] as $sign) {
            $tempo ??= Bounds::tempo($sign->tempo);
        }

        return $tempo;
    }

    /**
     * The same changes from another tempo: what was half as fast again stays so.
     *
     * @param  float  $tempo  quarters a minute at the start
     */
    public function startingAt(float $tempo): self
    {
        $factor = $tempo / $this->first();

        return new self(array_map(static fn (array $change): array => [$change[0], $change[1] * $factor], $this->changes), $this->resolution);
    }

    /** Quarters a minute at the start. */
    public function first(): float
    {
        return $this->changes[0][1];
    }

    /** Quarters a minute at a place; before the first mark the first mark holds. */
    public function at(int $tick): float
    {
        // Most parts have one tempo, and it is asked for at every note.
        return count($this->changes) === 1 ? $this->changes[0][1] : $this->changes[max(0, Sorted::lastAtOrBefore($this->changed, $tick))][1];
    }

    /** How long some ticks last at the tempo of a place, in seconds. */
    public function seconds(int $ticks, int $at): float
    {
        return $ticks / $this->resolution * 60 / $this->at($at);
    }
}
