<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

/** All detectors, in one visible list. */
final class Troubles
{
    /** How much a trouble weighs more that comes again and again, for each doubling. */
    private const OFTEN = 0.25;

    /** Notes so close are one place. */
    private const NEAR = 3;

    /** @return list<Detector> */
    public static function all(): array
    {
        return [
            new LowAndRegular,
            new OffTheKey,
            new AccidentalHolds,
            new BothForms,
            new FirstTime,
            new PatternChanges,
            new WideIntervals,
            new HardShifts,
            new Stretches,
            new HardCrossings,
            new FastCrossings,
            new OffTheBeat,
            new NewHand,
        ];
    }

    /**
     * One place, one spot: what several detectors say of the same notes is the most serious of it, and what goes on over a run
     * of notes is one spot with a count.
     *
     * @return list<array{spot: TroubleSpot, places: non-empty-list<TroubleSpot>, seriousness: float}> like spots once, the most serious first
     */
    public static function of(PlayedLine $line): array
    {
        $found = self::found($line);
        usort($found, static fn (TroubleSpot $a, TroubleSpot $b): int => $b->seriousness <=> $a->seriousness ?: $a->at->place <=> $b->at->place);
        $groups = [];
        foreach (self::runs($found) as [, , $places]) {
            $key = $places[0]->key();
            $groups[$key] = [...$groups[$key] ?? [], ...$places];
        }
        $told = array_map(static fn (array $places): array => [
            'spot' => $places[0],
            'places' => $places,
            'seriousness' => round(max(array_map(static fn (TroubleSpot $spot): float => $spot->seriousness, $places)) + self::OFTEN * log(count($places), 2), 2),
        ], array_values($groups));
        usort($told, static fn (array $a, array $b): int => $b['seriousness'] <=> $a['seriousness'] ?: $a['spot']->at->place <=> $b['spot']->at->place);

        return $told;
    }

    /** @return list<TroubleSpot> all that the detectors find */
    public static function found(PlayedLine $line): array
    {
        return array_merge([], ...array_map(static fn (Detector $detector): array => $detector->find($line), self::all()));
    }

    /**
     * @param  list<TroubleSpot>  $found  the most serious first
     * @return list<array{int, int, non-empty-list<TroubleSpot>}> from place to place, and what is told of it
     */
    private static function runs(array $found): array
    {
        $runs = [];
        foreach ($found as $spot) {
            $near = null;
            foreach ($runs as $number => [$from, $to]) {
                if ($spot->at->place >= $from - self::NEAR && $spot->at->place <= $to + self::NEAR) {
                    $near = $number;
                    break;
                }
            }
            if ($near === null) {
                $runs[] = [$spot->at->place, $spot->at->place, [$spot]];
            } elseif ($runs[$near][2][0]->code === $spot->code) {
                $runs[$near] = [min($runs[$near][0], $spot->at->place), max($runs[$near][1], $spot->at->place), [...$runs[$near][2], $spot]];
            }
        }

        return $runs;
    }
}
