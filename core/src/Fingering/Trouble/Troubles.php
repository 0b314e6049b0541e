<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

/** All detectors, in one visible list. */
final class Troubles
{
    /** How much a trouble weighs more that comes again and again, for each doubling. */
    private const OFTEN = 0.25;

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
            new NewHand,
        ];
    }

    /**
     * @return list<array{spot: TroubleSpot, places: non-empty-list<TroubleSpot>, seriousness: float}> like spots once, the most serious first
     */
    public static function of(PlayedLine $line): array
    {
        $groups = [];
        foreach (self::all() as $detector) {
            foreach ($detector->find($line) as $spot) {
                $groups[$spot->key()][] = $spot;
            }
        }
        $told = array_map(static fn (array $places): array => [
            'spot' => $places[0],
            'places' => $places,
            'seriousness' => round(max(array_map(static fn (TroubleSpot $spot): float => $spot->seriousness, $places)) + self::OFTEN * log(count($places), 2), 2),
        ], array_values($groups));
        usort($told, static fn (array $a, array $b): int => $b['seriousness'] <=> $a['seriousness'] ?: $a['spot']->at->place <=> $b['spot']->at->place);

        return $told;
    }
}
