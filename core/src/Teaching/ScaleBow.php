<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching;

use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\NoteType;
use UprightPencil\Core\Score\NoteValue;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Span;

/** How a scale is bowed. */
enum ScaleBow: string
{
    case Separate = 'separate';
    case TwoOfEach = 'two-of-each';
    case SlurredTwos = 'slurred-twos';
    case SlurredFours = 'slurred-fours';
    case HookedTwos = 'hooked-twos';

    public function title(): string
    {
        return match ($this) {
            self::Separate => 'separate bows',
            self::TwoOfEach => 'two of each',
            self::SlurredTwos => 'slurred in twos',
            self::SlurredFours => 'slurred in fours',
            self::HookedTwos => 'hooked in twos',
        };
    }

    /** @param Part $scale in quarters, four in a measure */
    public function on(Part $scale): Part
    {
        return match ($this) {
            self::Separate => $scale,
            self::TwoOfEach => $scale->with(measures: array_map(self::doubled(...), $scale->measures)),
            self::SlurredTwos, self::HookedTwos => $scale->with(measures: array_map(fn (Measure $measure): Measure => $this->joined($measure, 2), $scale->measures)),
            self::SlurredFours => $scale->with(measures: array_map(fn (Measure $measure): Measure => $this->joined($measure, 4), $scale->measures)),
        };
    }

    /** Each quarter as two eighths; the last long note stays. */
    private static function doubled(Measure $measure): Measure
    {
        $items = [];
        foreach ($measure->items as $item) {
            $half = $item instanceof Note && $item->value?->type === NoteType::Quarter && $item->value->dots === 0 ? intdiv($item->duration, 2) : 0;
            if (! $item instanceof Note || $half === 0) {
                $items[] = $item;

                continue;
            }
            $eighth = $item->with(duration: $half, value: new NoteValue(NoteType::Eighth));
            $items[] = $eighth->with(kept: [...$item->kept, 'beam' => '<beam number="1">begin</beam>']);
            $items[] = $eighth->with(id: "{$item->id}b", onset: $item->onset + $half, accidental: null, kept: ['beam' => '<beam number="1">end</beam>']);
        }

        return $measure->with(items: $items);
    }

    /** @param int<1, max> $size */
    private function joined(Measure $measure, int $size): Measure
    {
        $quarters = array_values(array_filter($measure->notes(), static fn (Note $note): bool => $note->value?->type === NoteType::Quarter && $note->value->dots === 0));
        $ends = [];
        foreach (array_chunk($quarters, $size) as $group) {
            if (count($group) > 1) {
                $ends[$group[0]->id] = 'start';
                $ends[$group[count($group) - 1]->id] = 'stop';
            }
        }
        $inSlur = array_fill_keys(array_column(array_merge([], ...array_filter(array_chunk($quarters, $size), static fn (array $group): bool => count($group) > 1)), 'id'), true);

        return $measure->with(items: array_map(fn (object $item): object => ! $item instanceof Note ? $item : $item->with(
            slurs: isset($ends[$item->id]) ? [new Span($ends[$item->id])] : [],
            articulations: $this === self::HookedTwos && isset($inSlur[$item->id]) ? [Articulation::Staccato] : [],
        ), $measure->items));
    }
}
