<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Fingering\Search\Alternative;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;

/** Works a whole part out, once: for a part that is asked about again, a `MarkingSession` does the same faster. */
final class PartMarker
{
    public static function mark(Score $score, Part $part, PartDecisions $decisions, Settings $settings): MarkedPart
    {
        return (new MarkingSession($score, $part, $settings))->mark($decisions);
    }

    /**
     * Why a note is fingered as it is: the cheapest other way, and for a shift the cheapest way without it.
     *
     * @return array{instead: Alternative|null, withoutShift: Alternative|null}
     */
    public static function why(Score $score, Part $part, PartDecisions $decisions, Settings $settings, string $note): array
    {
        foreach ((new MarkingSession($score, $part, $settings))->others($decisions) as $alternatives) {
            $index = $alternatives->indexOf($note);
            if ($index !== null) {
                return ['instead' => $alternatives->insteadOf($index), 'withoutShift' => $alternatives->withoutShift($index)];
            }
        }

        return ['instead' => null, 'withoutShift' => null];
    }

    /**
     * The cheapest other ways to finger a span of notes, or the phrase around a single one.
     *
     * @return list<Alternative> in order of cost
     */
    public static function ways(Score $score, Part $part, PartDecisions $decisions, Settings $settings, string $from, string $to, int $count): array
    {
        foreach ((new MarkingSession($score, $part, $settings))->others($decisions) as $alternatives) {
            $places = [$alternatives->indexOf($from), $alternatives->indexOf($to)];
            if (is_int($places[0]) && is_int($places[1])) {
                return $alternatives->forSpan(min($places), max($places), $count);
            }
        }

        return [];
    }
}
