<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use UprightPencil\Core\Score\Resolution;
use UprightPencil\Core\Score\Score;

/** The stored parts of a piece as one score: each is kept alone, and may count in ticks of its own. */
final class PieceScore
{
    /**
     * @param  non-empty-list<Part>  $parts
     * @return Score its parts are called P and the stored part's id
     */
    public static function of(array $parts): Score
    {
        return Resolution::together(array_map(static function (Part $part): Score {
            $score = CachedScores::of($part->music);

            return $score->with(parts: [$score->parts[0]->with(id: "P{$part->id}", name: $part->name)]);
        }, $parts));
    }
}
