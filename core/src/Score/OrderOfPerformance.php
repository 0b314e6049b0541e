<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/**
 * What of a piece will be played: measures left out, repeats not taken, sections that are silent. Decided once for all
 * sections (`orchestra.md`, “Cuts and order”). Measures are named as they are printed.
 */
final readonly class OrderOfPerformance
{
    /** So many of each are more than any piece has. */
    private const MOST = 200;

    /**
     * @param  list<array{from: string, to: string}>  $cuts  first and last measure left out
     * @param  list<string>  $straight  measures at whose end the repeat is not taken; of endings the last is played
     * @param  list<array{part: string, from: string, to: string}>  $tacets  by id or name of the part
     */
    private function __construct(
        public array $cuts,
        public array $straight,
        public array $tacets,
    ) {}

    public static function asPrinted(): self
    {
        return new self([], [], []);
    }

    /**
     * @param  array<mixed>  $data  {"cuts": [{"from": "17", "to": "24"}], "straight": ["32"], "tacets": [{"part": "Viola", "from": "1", "to": "8"}]}
     *
     * @throws WrongOrder
     */
    public static function fromArray(array $data): self
    {
        $unknown = array_diff_key($data, ['cuts' => 1, 'straight' => 1, 'tacets' => 1]);
        if ($unknown !== []) {
            throw new WrongOrder('An order of performance has no “'.array_key_first($unknown).'”; it has cuts, straight and tacets.');
        }

        return new self(
            array_map(static fn (mixed $cut): array => ['from' => self::word($cut, 'from'), 'to' => self::word($cut, 'to')], self::listed($data, 'cuts')),
            array_map(static fn (mixed $measure): string => self::word(['measure' => $measure], 'measure'), self::listed($data, 'straight')),
            array_map(static fn (mixed $one): array => ['part' => self::word($one, 'part'), 'from' => self::word($one, 'from'), 'to' => self::word($one, 'to')], self::listed($data, 'tacets')),
        );
    }

    /** @return array{cuts: list<array{from: string, to: string}>, straight: list<string>, tacets: list<array{part: string, from: string, to: string}>} */
    public function toArray(): array
    {
        return ['cuts' => $this->cuts, 'straight' => $this->straight, 'tacets' => $this->tacets];
    }

    public function isAsPrinted(): bool
    {
        return $this->cuts === [] && $this->straight === [] && $this->tacets === [];
    }

    /** The part as it will be played; the very same where nothing of it is changed. */
    public function of(Part $part): Part
    {
        return $this->isAsPrinted() ? $part : (new PerformedPart($part, $this))->part();
    }

    public function ofAll(Score $score): Score
    {
        return $this->isAsPrinted() ? $score : $score->with(parts: array_map($this->of(...), $score->parts));
    }

    /** @return list<int> measures of a part that nobody plays from it, by index: cut, passed over with a repeat, or silent */
    public function silent(Part $part): array
    {
        return $this->isAsPrinted() ? [] : (new PerformedPart($part, $this))->silent();
    }

    /**
     * Whether a piece has all that is named.
     *
     * @throws WrongOrder what it does not have
     */
    public function refuseUnknown(Score $score): void
    {
        if ($this->isAsPrinted()) {
            return;
        }
        $part = $score->parts[0] ?? throw new WrongOrder('This piece has no parts.');
        foreach ([...$this->cuts, ...$this->tacets] as $span) {
            self::span($part, $span['from'], $span['to']) ?? throw new WrongOrder("This piece has no measures “{$span['from']}” to “{$span['to']}”.");
        }
        foreach ($this->straight as $measure) {
            in_array($measure, self::repeats($part), true) || throw new WrongOrder("No repeat ends with measure “{$measure}”.");
        }
        foreach ($this->tacets as ['part' => $name]) {
            $score->part($name) ?? throw new WrongOrder("This piece has no part “{$name}”.");
        }
        if ($this->of($part)->measures === []) {
            throw new WrongOrder('Nothing would be left to play.');
        }
    }

    /** @return list<string> the measures with which a repeat ends, as they are printed */
    public static function repeats(Part $part): array
    {
        return array_map(static fn (int $measure): string => $part->measures[$measure]->number, array_keys(Jumps::of($part)->backs));
    }

    /** @return array{int, int}|null indexes of the first and the last measure; null when the part has no such measures */
    public static function span(Part $part, string $from, string $to): ?array
    {
        $numbers = array_map(static fn (Measure $measure): string => $measure->number, $part->measures);
        $first = array_search($from, $numbers, true);
        $last = array_search($to, array_reverse($numbers, true), true);

        return $first === false || $last === false || $last < $first ? null : [$first, $last];
    }

    /** @return list<string> what a player of a part is told, as the pencil would write it on top of the page */
    public function sentences(Part $part): array
    {
        $told = [];
        foreach ($this->cuts as $cut) {
            [, $last] = self::span($part, $cut['from'], $cut['to']) ?? [0, null];
            $next = $last === null ? null : $part->measures[$last + 1] ?? null;
            $measures = self::measures($cut['from'], $cut['to']);
            $last === null || $told[] = $next === null ? "Cut {$measures}: the piece ends before." : "Cut {$measures}: go on at {$next->number}.";
        }
        foreach (array_intersect($this->straight, self::repeats($part)) as $measure) {
            $told[] = "Measure {$measure}: no repeat".(isset(Jumps::of($part)->endings[self::span($part, $measure, $measure)[0] ?? 0]) ? ', the last ending only.' : '.');
        }
        foreach ($this->tacets as $tacet) {
            $told = PerformedPart::isNamed($part, $tacet['part']) ? [...$told, ucfirst(self::measures($tacet['from'], $tacet['to'])).': tacet.'] : $told;
        }

        return $told;
    }

    private static function measures(string $from, string $to): string
    {
        return $from === $to ? "measure {$from}" : "measures {$from} to {$to}";
    }

    /**
     * @param  array<mixed>  $data
     * @return list<mixed>
     */
    private static function listed(array $data, string $name): array
    {
        $list = $data[$name] ?? [];

        return is_array($list) && count($list) <= self::MOST ? array_values($list) : throw new WrongOrder("“{$name}” of an order of performance is a list.");
    }

    private static function word(mixed $of, string $name): string
    {
        $word = is_array($of) ? $of[$name] ?? null : null;
        if ((! is_string($word) && ! is_int($word)) || trim((string) $word) === '' || strlen((string) $word) > 100) {
            throw new WrongOrder("An order of performance names its “{$name}” in a word, as it is printed.");
        }

        return trim((string) $word);
    }
}
