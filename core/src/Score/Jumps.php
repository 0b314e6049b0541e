<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/**
 * The repeats, endings and jumps of a part, read off its barlines, signs and words.
 *
 * A jump counts when the file says so to playback or, failing that, in the usual words (D.C., D.S., To Coda, Fine).
 */
final readonly class Jumps
{
    /**
     * @param  array<int, true>  $starts  measures with a forward repeat
     * @param  array<int, int>  $backs  measures with a backward repeat => how often the passage is played
     * @param  array<int, list<int>>  $endings  measures inside an ending => its passes
     * @param  array<int, int>  $jumps  measures with D.C. or D.S. => the measure they lead to
     * @param  array<int, true>  $fines
     * @param  array<int, true>  $toCodas
     */
    private function __construct(
        public array $starts,
        public array $backs,
        public array $endings,
        public array $jumps,
        public array $fines,
        public array $toCodas,
        public ?int $coda,
    ) {}

    public static function of(Part $part): self
    {
        $starts = $backs = $jumps = $fines = $toCodas = [];
        $codas = $segnos = [];
        foreach ($part->measures as $index => $measure) {
            foreach ($measure->barlines as $barline) {
                if ($barline->repeat === 'forward') {
                    $starts[$index] = true;
                }
                if ($barline->repeat === 'backward') {
                    $backs[$index] = max(2, $barline->times);
                }
            }
            foreach ($measure->directions() as $direction) {
                $said = self::said($direction);
                isset($said['dacapo']) && $jumps[$index] = 0;
                isset($said['dalsegno']) && $jumps[$index] = -1;
                isset($said['fine']) && $fines[$index] = true;
                isset($said['tocoda']) && $toCodas[$index] = true;
                isset($said['segno']) && $segnos[] = $index;
                isset($said['coda']) && $codas[] = $index;
            }
        }
        // A “To Coda” sign often carries a coda sign of its own: the coda itself is the last one.
        $coda = $codas === [] ? null : max($codas);
        if ($coda !== null && isset($toCodas[$coda]) && count(array_unique($codas)) === 1) {
            $coda = null;
        }
        $jumps = array_map(static fn (int $to): int => $to === -1 ? ($segnos === [] ? 0 : min($segnos)) : $to, $jumps);

        return new self($starts, $backs, self::endingsOf($part), $jumps, $fines, $toCodas, $coda);
    }

    /** Those that lead from one of these measures to another of them: what lies around them is not known. */
    public function within(int $from, int $to): self
    {
        $inside = static fn (int $measure): bool => $measure >= $from && $measure <= $to;
        $backs = array_filter(self::between($this->backs, $from, $to), fn (int $measure): bool => $this->startOfRepeat($measure) >= $from, ARRAY_FILTER_USE_KEY);

        return new self(
            self::between($this->starts, $from, $to),
            $backs,
            $backs === [] ? [] : self::between($this->endings, $from, $to),
            array_filter(self::between($this->jumps, $from, $to), $inside),
            self::between($this->fines, $from, $to),
            self::between($this->toCodas, $from, $to),
            $this->coda !== null && $inside($this->coda) ? $this->coda : null,
        );
    }

    /**
     * @template T
     *
     * @param  array<int, T>  $signs  by measure
     * @return array<int, T>
     */
    private static function between(array $signs, int $from, int $to): array
    {
        return array_filter($signs, static fn (int $measure): bool => $measure >= $from && $measure <= $to, ARRAY_FILTER_USE_KEY);
    }

    /** A direction that says where to go on. */
    public static function isSaidBy(Direction $direction): bool
    {
        return array_intersect_key(self::said($direction), ['dacapo' => 1, 'dalsegno' => 1, 'fine' => 1, 'tocoda' => 1, 'coda' => 1, 'segno' => 1]) !== [];
    }

    /** @return array<string, true> the jump words of one direction, named as MusicXML names them */
    private static function said(Direction $direction): array
    {
        $said = array_map(static fn (): bool => true, array_filter($direction->sound, static fn (string $value): bool => $value !== 'no'));
        $words = preg_replace('/[.\s]+/u', ' ', $direction->words()) ?? '';
        $patterns = [
            'dacapo' => '/\b(d ?c|da capo)\b/u',
            'dalsegno' => '/\b(d ?s|dal segno)\b/u',
            'fine' => '/^ ?fine ?$/u',
            'tocoda' => '/\bto coda\b/u',
            'coda' => '/^ ?coda ?$/u',
            'segno' => '/^ ?segno ?$/u',
        ];
        foreach ($patterns as $name => $pattern) {
            if (preg_match($pattern, $words) === 1) {
                $said[$name] = true;
            }
        }
        if ($direction->has(DirectionKind::Segno)) {
            $said['segno'] = true;
        }
        if ($direction->has(DirectionKind::Coda)) {
            $said['coda'] = true;
        }
        // “To Coda” is often printed with the sign of the coda itself.
        if (isset($said['tocoda'])) {
            unset($said['coda']);
        }

        return $said;
    }

    /** @return list<int> the passes of the endings that follow a measure's own without a gap */
    public function endingsAfter(int $measure): array
    {
        $own = $this->endings[$measure] ?? [];
        $later = [];
        for ($next = $measure + 1; isset($this->endings[$next]); $next++) {
            if ($this->endings[$next] !== $own) {
                array_push($later, ...$this->endings[$next]);
            }
        }

        return $later;
    }

    /** The measure to which the repeat around a measure goes back: its sign, or the end of the repeat before. */
    public function startOfRepeat(int $measure): int
    {
        for ($start = $measure; $start > 0; $start--) {
            $afterRepeat = isset($this->backs[$start - 1]) && ! isset($this->endings[$start - 1]);
            $afterEndings = isset($this->endings[$start - 1]) && ! isset($this->endings[$start]);
            if (isset($this->starts[$start]) || $afterRepeat || $afterEndings) {
                return $start;
            }
        }

        return 0;
    }

    /** The last measure before the first of the endings that a measure stands in; null when it stands in none. */
    public function leadOf(int $measure): ?int
    {
        if (! isset($this->endings[$measure])) {
            return null;
        }
        while (isset($this->endings[$measure - 1])) {
            $measure--;
        }

        return $measure - 1;
    }

    /** @return array<int, list<int>> */
    private static function endingsOf(Part $part): array
    {
        $endings = [];
        $open = null;
        foreach ($part->measures as $index => $measure) {
            $closes = false;
            foreach ($measure->barlines as $barline) {
                if ($barline->endingType === 'start') {
                    $open = $barline->endings;
                } elseif ($barline->endingType !== null) {
                    $closes = true;
                }
            }
            if ($open !== null) {
                $endings[$index] = $open;
            }
            if ($closes) {
                $open = null;
            }
        }

        return $endings;
    }
}
