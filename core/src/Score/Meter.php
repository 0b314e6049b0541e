<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** A time signature. */
final readonly class Meter
{
    /**
     * @param  list<array{string, int}>  $terms  beats (“4”, “3+2”) over the beat's value, one for each printed fraction; empty: unmeasured
     * @param  array<string, string>  $kept  attributes the core does not read
     */
    public function __construct(
        public array $terms,
        public bool $printed = true,
        public array $kept = [],
    ) {}

    public static function of(int $beats, int $value): self
    {
        return new self([[(string) $beats, $value]]);
    }

    public function name(): string
    {
        return $this->terms === []
            ? 'free'
            : implode(' + ', array_map(static fn (array $term): string => "{$term[0]}/{$term[1]}", $this->terms));
    }

    /**
     * The length of a full measure.
     *
     * @return int|null ticks; null when unmeasured
     */
    public function ticks(int $resolution): ?int
    {
        $ticks = 0;
        foreach ($this->terms as [$beats, $value]) {
            $ticks += intdiv(array_sum(array_map(intval(...), explode('+', $beats))) * $resolution * 4, $value);
        }

        return $this->terms === [] ? null : $ticks;
    }

    /**
     * “Measure 3 holds 5 beats; the meter 4/4 has 4.”
     *
     * @param  int  $length  ticks that the measure holds
     * @param  int  $full  ticks of a full one
     */
    public function misfit(string $measure, int $length, int $full, int $resolution): string
    {
        $beat = $this->beatTicks($resolution);
        $beats = rtrim(rtrim(number_format($length / $beat, 3, '.', ''), '0'), '.');

        return "Measure {$measure} holds {$beats} beats; the meter {$this->name()} has ".($full / $beat).'.';
    }

    /** One printed beat (the lower figure) in ticks. */
    public function beatTicks(int $resolution): int
    {
        return intdiv($resolution * 4, $this->terms[0][1] ?? 4);
    }

    /**
     * How strong each place of the measure is: 1 at its start, about a half where a group starts, less on the beats,
     * 0 between them. Compound meters group by three; 5 and 7 by twos with a last three unless the signature says
     * otherwise (“3+2”).
     *
     * @param  int  $onset  ticks from the start of a full measure
     */
    public function strength(int $onset, int $resolution): float
    {
        if ($onset === 0) {
            return 1.0;
        }
        $start = 0;
        foreach ($this->groups($resolution) as [$length, $beat]) {
            if ($onset === $start) {
                return 0.5;
            }
            if ($onset > $start && $onset < $start + $length) {
                return ($onset - $start) % $beat === 0 ? 0.25 : 0.0;
            }
            $start += $length;
        }

        return 0.0;
    }

    /** Beats felt in threes: 6/8, 9/8, 12/8, and 6/4 or 9/4 alike. */
    public function isCompound(): bool
    {
        return count($this->terms) === 1 && ! str_contains($this->terms[0][0], '+') && (int) $this->terms[0][0] > 3 && (int) $this->terms[0][0] % 3 === 0;
    }

    /** @return list<array{int, int}> each group's length and its beat, in ticks */
    private function groups(int $resolution): array
    {
        $groups = [];
        foreach ($this->terms as [$beats, $value]) {
            $beat = max(1, intdiv($resolution * 4, max(1, $value)));
            $sizes = str_contains($beats, '+') ? array_map(intval(...), explode('+', $beats)) : self::sizes((int) $beats);
            foreach ($sizes as $size) {
                $groups[] = [$size * $beat, $beat];
            }
        }

        return $groups;
    }

    /** @return list<int> printed beats in each group */
    private static function sizes(int $beats): array
    {
        return match (true) {
            $beats <= 3 => [max(1, $beats)],
            $beats % 3 === 0 => array_fill(0, intdiv($beats, 3), 3),
            $beats % 2 === 0 => array_fill(0, intdiv($beats, 2), 2),
            $beats === 5 => [3, 2],
            default => [...array_fill(0, intdiv($beats - 3, 2), 2), 3],
        };
    }
}
