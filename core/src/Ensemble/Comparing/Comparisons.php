<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Comparing;

use UprightPencil\Core\Ensemble\Orchestra;

/** All ways in which sections are compared, in one visible list. */
final class Comparisons
{
    /** @return list<Comparison> */
    public static function all(): array
    {
        return [
            new BowsDiffer,
            new FigureDiffers,
            new EntriesDiffer,
            new CutOffsDiffer,
            new Covered,
            new AccentNotShared,
            new GapInHandingOn,
        ];
    }

    /**
     * What is out of line and not meant to be, in the order of time within each kind.
     *
     * @param  Remedies|null  $remedies  tries what is offered; null: nothing is offered
     * @return list<OutOfLine>
     */
    public static function of(Orchestra $orchestra, ?Remedies $remedies = null): array
    {
        $found = [];
        foreach (self::all() as $comparison) {
            $told = array_values(array_filter($comparison->of($orchestra), static fn (OutOfLine $one): bool => ! $one->isApart()));
            array_push($found, ...$remedies === null ? array_map(static fn (OutOfLine $one): OutOfLine => $one->with([]), $told) : $remedies->that($orchestra, $comparison, $told));
        }

        return $found;
    }
}
