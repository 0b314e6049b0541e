<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Travel;

use UprightPencil\Core\Bowing\Following\BowedLine;
use UprightPencil\Core\Bowing\Following\BowedStroke;
use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Bowing\Strokes\BowNeed;
use UprightPencil\Core\Bowing\Strokes\LeftHand;
use UprightPencil\Core\Bowing\Strokes\Phrasing;
use UprightPencil\Core\Bowing\Strokes\Stroke;
use UprightPencil\Core\Search\ShortestPath;

/**
 * Follows the bow along its length. Every stroke wants its amount (BowNeed); the bow may go faster or slower than that to
 * get back where it is needed, and that is spread as evenly as it can be: the cheapest path over places, a twentieth of the
 * bow apart. In rests the bow travels through the air, as far as there is time.
 */
final readonly class BowTravel
{
    public function __construct(
        private BowNeed $need,
        private LeftHand $hand,
        private BowGrid $grid,
    ) {}

    /**
     * @param  float|null  $entry  where the bow is when the line begins; null: anywhere, as at the start of a part
     * @return list<TravelledStroke> in playing order
     */
    public function along(BowedLine $line, BowMarks $marks, ?float $entry = null): array
    {
        $tables = $needs = $wanted = $ends = [];
        foreach ($line->played as $number => $bowed) {
            $stroke = $line->strokes[$bowed->stroke];
            $needs[] = $this->need->amount($stroke, $marks);
            $wanted[] = WantedPlace::of($stroke, $marks, $this->need, $this->hand, $line->strokes[$bowed->stroke + 1] ?? null);
            $seconds = $number === 0 && $entry === null ? 0.0 : $this->airSeconds($bowed, $stroke, $line);
            $seconds === 0.0 || $tables[] = $this->grid->air($seconds);
            $tables[] = $this->grid->stroke($bowed->direction, $needs[$number], $wanted[$number]);
            $ends[] = count($tables);
        }
        $opening = $line->played === [] || $entry !== null ? BowGrid::entered($entry ?? 0.0) : BowGrid::opening($line->played[0]->direction);
        // Being at a place costs nothing; how the bow came there does.
        $free = array_fill(0, count($opening), 0.0);
        $places = ShortestPath::overTables([$opening, ...array_fill(0, count($tables), $free)], $tables)->states;
        $travelled = [];
        foreach ($line->played as $number => $bowed) {
            [$from, $to] = [$places[$ends[$number] - 1] / BowGrid::PLACES, $places[$ends[$number]] / BowGrid::PLACES];
            $travelled[] = new TravelledStroke($bowed, $from, $to, $needs[$number], $wanted[$number]?->distance($from, $to) ?? 0.0, $wanted[$number]);
        }

        return $travelled;
    }

    /** Time to move in the air: the rest, or for a retake without one its share of the note before. */
    private function airSeconds(BowedStroke $bowed, Stroke $stroke, BowedLine $line): float
    {
        $rest = $bowed->jumped ? 0.0 : $this->need->gapSeconds($stroke);
        $before = $line->strokes[$bowed->stroke - 1] ?? null;
        if ($rest > 0.0 || $bowed->action !== BowAction::Retake || $before === null) {
            return $bowed->jumped && $bowed->action === BowAction::Retake ? max($rest, $this->grid->circle) : $rest;
        }

        return max(0.05, $this->need->seconds($before) * Phrasing::LIFTED_SHARE);
    }
}
