<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Score\BowSign;

/**
 * A rest, a short note and a long one come again and again (a short up and a long down, the bow lifted in every rest), and in
 * one place the same figure comes the other way round.
 */
final class RestPatternBreaks implements BowingRule
{
    /** So many times alike make a pattern. */
    private const TIMES = 3;

    public function code(): string
    {
        return 'rest-pattern-breaks';
    }

    public function needsTravel(): bool
    {
        return false;
    }

    public function trial(): Trial
    {
        return Trial::Bowed;
    }

    public function find(BowingCase $case): array
    {
        $byFigure = [];
        foreach ($case->line->strokes as $index => $stroke) {
            $long = $case->line->strokes[$index + 1] ?? null;
            if ($stroke->gap > 0 && $long !== null && $long->gap === 0 && $long->ticks() >= 2 * $stroke->ticks()) {
                $byFigure["{$stroke->gap}/{$stroke->ticks()}/{$long->ticks()}"][] = $index;
            }
        }
        $findings = [];
        foreach ($byFigure as $places) {
            array_push($findings, ...$this->exceptions($case, $places));
        }

        return $findings;
    }

    /**
     * @param  list<int>  $places  stroke indexes of the short notes
     * @return list<BowingFinding>
     */
    private function exceptions(BowingCase $case, array $places): array
    {
        $ups = array_filter($places, static fn (int $place): bool => $case->line->direction($place) === BowSign::Up);
        $usual = 2 * count($ups) >= count($places) ? BowSign::Up : BowSign::Down;
        $other = array_filter($places, static fn (int $place): bool => $case->line->direction($place) === $usual->other());
        if (count($places) - count($other) < self::TIMES || count($other) !== 1) {
            return [];
        }
        $stroke = $case->line->strokes[array_values($other)[0]];
        $id = $stroke->first()->first()->id;

        return [new BowingFinding(
            $this->code(),
            $stroke->first(),
            "The short note after the rest, elsewhere {$usual->value}, comes {$usual->other()->value} at {$case->place($stroke->first())}.",
            0.8,
            [BowingFix::turn('alternate', $id, $usual)],
        )];
    }
}
