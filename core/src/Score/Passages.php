<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** The passages that a part has of itself: from one rehearsal letter to the next. */
final class Passages
{
    /** @return list<array{name: string, from: string, to: string}> measures as they are printed; empty where there are no letters */
    public static function of(Part $part): array
    {
        $starts = self::letters($part);
        if ($starts === []) {
            return [];
        }
        isset($starts[0]) || $starts = [0 => 'Beginning'] + $starts;
        $passages = [];
        $at = array_keys($starts);
        foreach ($at as $index => $start) {
            $end = ($at[$index + 1] ?? count($part->measures)) - 1;
            $passages[] = ['name' => $starts[$start], 'from' => $part->measures[$start]->number, 'to' => $part->measures[$end]->number];
        }

        return $passages;
    }

    /**
     * The stretches of a part that are entered, where not all of it is.
     *
     * @return list<array{name: string, from: string, to: string}>
     */
    public static function entered(Part $part): array
    {
        return array_map(static function (array $run) use ($part): array {
            [$from, $to] = [$part->measures[$run[0]]->number, $part->measures[$run[1]]->number];

            return ['name' => $from === $to ? $from : "{$from}–{$to}", 'from' => $from, 'to' => $to];
        }, self::runs($part));
    }

    /** @return list<array{int, int}> first and last measure of each run that is entered; empty where all of them are */
    public static function runs(Part $part): array
    {
        $runs = [];
        $from = null;
        foreach ([...$part->measures, null] as $index => $measure) {
            if ($measure?->entered === true) {
                $from ??= $index;
            } elseif ($from !== null) {
                $runs[] = [$from, $index - 1];
                $from = null;
            }
        }

        return $runs === [[0, count($part->measures) - 1]] ? [] : $runs;
    }

    /** @return array<int, string> measure index => its letter */
    public static function letters(Part $part): array
    {
        $letters = [];
        foreach ($part->measures as $index => $measure) {
            foreach ($measure->directions() as $direction) {
                foreach ($direction->signs as $sign) {
                    $sign->kind === DirectionKind::Rehearsal && $sign->text !== '' && $letters[$index] = $sign->text;
                }
            }
        }

        return $letters;
    }
}
