<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Lines;

use UprightPencil\Core\Score\Barline;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Part;

/** How a pickup and a repeat are counted, in a teacher's sentences. */
final class Counting
{
    /**
     * @param  int  $resolution  ticks in a quarter
     * @return list<string>
     */
    public static function sentences(Part $part, int $resolution): array
    {
        $first = $part->measures[0] ?? null;
        $full = $first?->meter?->ticks($resolution);
        if ($first === null || $full === null || ! $part->hasPickup($resolution)) {
            return [];
        }
        $beat = $first->meter->beatTicks($resolution);
        $beats = intdiv($full, $beat);
        $begins = intdiv($full - $first->length, $beat) + 1;
        $sentences = ['It begins on beat '.$begins.': count '.implode(', ', range(1, $begins - 1 ?: 1)).' before you play.'];
        $last = $part->measures[count($part->measures) - 1];
        if ($last->length + $first->length === $full) {
            $sentences[] = 'The last measure has '.self::beats($last->length, $beat).', because the pickup has '.($beats === $begins ? "the {$begins}th" : 'the rest').'.';
        }
        $begin = self::measureWith($part, 'left', 'forward');
        $end = self::measureWith($part, 'right', 'backward');
        if ($end !== null && ($begin === null || $begin === $first)) {
            $sentences[] = 'On the way back the pickup completes the measure before the repeat sign.';
        } elseif ($end !== null && $end->length === $full) {
            $sentences[] = 'The repeat goes back behind the pickup: measure '.$end->number.' is full and holds every beat itself.';
        }

        return array_map(static fn (string $sentence): string => str_replace(['1th', '2th', '3th'], ['1st', '2nd', '3rd'], $sentence), $sentences);
    }

    private static function beats(int $ticks, int $beat): string
    {
        $count = $ticks / $beat;

        return $count.($count === 1 ? ' beat' : ' beats');
    }

    private static function measureWith(Part $part, string $place, string $repeat): ?Measure
    {
        foreach ($part->measures as $measure) {
            if (array_filter($measure->barlines, static fn (Barline $barline): bool => $barline->place === $place && $barline->repeat === $repeat) !== []) {
                return $measure;
            }
        }

        return null;
    }
}
