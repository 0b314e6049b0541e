<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Rules;

use UprightPencil\Core\Score\BowSign;

/** A passage follows measures that nobody entered: which way the bow comes into it is asked, until somebody has said so. */
final class PassageBegins implements BowingRule
{
    public function code(): string
    {
        return 'passage-begins';
    }

    public function needsTravel(): bool
    {
        return false;
    }

    public function trial(): Trial
    {
        return Trial::Certain;
    }

    public function find(BowingCase $case): array
    {
        $first = ($case->line->strokes[0] ?? null)?->first();
        $planned = $first === null ? null : $case->line->direction(0);
        if ($first === null || $planned === null || isset($case->fixed->given()[$first->first()->id])) {
            return [];
        }
        $begins = $first->measure;
        while ($case->part->measures[$begins - 1]->entered ?? false) {
            $begins--;
        }
        if ($begins === 0) {
            return [];
        }
        $id = $first->first()->id;
        $number = $case->part->measures[$begins]->number ?? '';

        return [new BowingFinding(
            $this->code(),
            $first,
            "What comes before measure {$number} is not entered. Which way does the bow begin there? It is taken as {$planned->value}-bow.",
            0.3,
            [BowingFix::turn('begin-down', $id, BowSign::Down), BowingFix::turn('begin-up', $id, BowSign::Up)],
        )];
    }
}
