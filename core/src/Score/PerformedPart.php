<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/**
 * A part with only what is played: what is left out is gone, and what comes after it follows at once. Signs that hold (dynamics,
 * words, tempo) are carried over a cut, as the print means them where the music goes on. Used once and thrown away.
 */
final class PerformedPart
{
    private readonly Jumps $jumps;

    /** @var array<int, true> measures left out */
    private array $out = [];

    /** @var array<int, true> measures in which this part is silent */
    private array $tacet = [];

    /** @var array<int, true> measures whose endings mean nothing any more */
    private array $plain = [];

    /** @var array<int, true> measures whose closing repeat is not taken */
    private array $straight = [];

    /** @var array<int, true> measures at which a repeat begins whose sign was left out */
    private array $starts = [];

    public function __construct(private readonly Part $part, OrderOfPerformance $order)
    {
        $this->jumps = Jumps::of($part);
        foreach ($order->cuts as $cut) {
            $this->out += $this->filled($cut['from'], $cut['to']);
        }
        foreach ($order->tacets as $tacet) {
            $this->tacet += self::isNamed($part, $tacet['part']) ? $this->filled($tacet['from'], $tacet['to']) : [];
        }
        foreach (array_keys($this->jumps->backs) as $back) {
            $this->repeat($back, in_array($part->measures[$back]->number, $order->straight, true));
        }
    }

    public static function isNamed(Part $part, string $name): bool
    {
        return $part->id === $name || mb_strtolower($part->name) === mb_strtolower($name);
    }

    /** @return array<int, true> */
    private function filled(string $from, string $to): array
    {
        $span = OrderOfPerformance::span($this->part, $from, $to);

        return $span === null ? [] : array_fill_keys(range($span[0], $span[1]), true);
    }

    /** What becomes of a repeat: taken, not taken, or cut away at its beginning or its end. */
    private function repeat(int $back, bool $straight): void
    {
        $start = $this->jumps->startOfRepeat($back);
        if (! $straight && ! isset($this->out[$back])) {
            $first = $this->firstPlayed($start);
            $first === $start || $this->starts[$first] = true;

            return;
        }
        $this->straight[$back] = true;
        isset($this->jumps->endings[$back]) && $this->onlyTheLast($back);
    }

    /** Of the endings around a measure the last is played, and is an ending no more. */
    private function onlyTheLast(int $measure): void
    {
        $endings = $this->jumps->endings;
        for ($first = $measure; isset($endings[$first - 1]); $first--);
        for ($last = $measure; isset($endings[$last + 1]); $last++);
        foreach (range($first, $last) as $one) {
            $this->straight[$one] = true;
            if ($endings[$one] === $endings[$last]) {
                $this->plain[$one] = true;
            } else {
                $this->out[$one] = true;
            }
        }
    }

    private function firstPlayed(int $measure): int
    {
        while (isset($this->out[$measure])) {
            $measure++;
        }

        return $measure;
    }

    /** @return list<int> */
    public function silent(): array
    {
        return array_values(array_filter(array_keys($this->part->measures), fn (int $measure): bool => isset($this->out[$measure]) || isset($this->tacet[$measure])));
    }

    public function part(): Part
    {
        if ($this->out === [] && $this->tacet === [] && $this->straight === []) {
            return $this->part;
        }
        $measures = $carried = [];
        $start = 0;
        foreach ($this->part->measures as $index => $measure) {
            if (isset($this->out[$index])) {
                $carried = [...$carried, ...self::holding($measure)];

                continue;
            }
            $items = isset($this->tacet[$index]) ? array_values(array_filter($measure->items, static fn (object $item): bool => ! $item instanceof Note)) : $measure->items;
            $measures[] = $measure->with(start: $start, items: [...$carried, ...$items], barlines: $this->barlines($measure, $index));
            $start += $measure->length;
            $carried = [];
        }

        return $this->part->with(measures: Seams::mended($measures, $this->seams()));
    }

    /** @return array<int, true> performed measures, by their new index, before which something was left out */
    private function seams(): array
    {
        $seams = [];
        $at = 0;
        foreach (array_keys($this->part->measures) as $index) {
            if (isset($this->out[$index])) {
                continue;
            }
            $silent = isset($this->tacet[$index]);
            if ($index > 0 && (isset($this->out[$index - 1]) || isset($this->tacet[$index - 1]) !== $silent)) {
                $seams[$at] = true;
            }
            $at++;
        }

        return $seams;
    }

    /** @return list<Direction> signs of a measure that is left out that hold on after it, at the start of the next */
    private static function holding(Measure $measure): array
    {
        $held = [];
        foreach ($measure->directions() as $direction) {
            $signs = array_values(array_filter($direction->signs, static fn (DirectionSign $sign): bool => self::holds($sign)));
            $sound = array_intersect_key($direction->sound, ['tempo' => 1, 'pizzicato' => 1, 'dynamics' => 1]);
            if (($signs !== [] || $sound !== []) && ! Jumps::isSaidBy($direction)) {
                $held[] = $direction->with(onset: 0, offset: 0, signs: $signs, sound: $sound);
            }
        }

        return $held;
    }

    private static function holds(DirectionSign $sign): bool
    {
        return match ($sign->kind) {
            DirectionKind::Words, DirectionKind::Metronome => true,
            // A sforzando is one note's.
            DirectionKind::Dynamics => isset(Dynamics::DEGREES[$sign->text]),
            default => false,
        };
    }

    /** @return list<Barline> */
    private function barlines(Measure $measure, int $index): array
    {
        $barlines = [];
        foreach ($measure->barlines as $barline) {
            $repeat = $barline->repeat === 'backward' && isset($this->straight[$index]) ? null : $barline->repeat;
            $barlines[] = isset($this->plain[$index]) ? $barline->with(repeat: $repeat, endings: [], endingType: null, kept: array_diff_key($barline->kept, ['ending' => 1])) : $barline->with(repeat: $repeat);
        }

        return isset($this->starts[$index]) ? [new Barline('left', 'forward'), ...$barlines] : $barlines;
    }
}
