<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Approach;

final class StringCrossing implements MoveTerm
{
    /** A crossing that comes back at once is worse than one way. */
    private const THERE_AND_BACK = 1.1;

    /** Each string that is skipped, under a slur or fast, and with time and a bow of its own. */
    private const SKIPPED = 1.2;

    private const SKIPPED_AT_LEISURE = 0.6;

    /** Rocking between two strings inside a slur. */
    private const ROCKING = 2.4;

    public static function name(): string
    {
        return 'string-crossing';
    }

    public static function sentence(): string
    {
        return 'The bow changes string; skipping one, there and back, inside a slur or on fast notes is dearer; across a rest it is nearly free.';
    }

    public function fact(Grip $from, Grip $to, Approach $approach): Fact
    {
        $skips = abs($to->lead()->string - $from->lead()->string) > 1;

        return match (true) {
            $skips => new Fact('a skipped string'),
            $approach->slurred => new Fact('a crossing under a slur', 'crossings under slurs'),
            $approach->fast => new Fact('a fast crossing', 'fast crossings'),
            default => new Fact('a crossing'),
        };
    }

    public function cost(Grip $from, Grip $to, Approach $approach): float
    {
        $strings = abs($to->lead()->string - $from->lead()->string);
        if ($strings === 0) {
            return 0.0;
        }
        $cost = 0.55 + ($approach->slurred || $approach->fast ? self::SKIPPED : self::SKIPPED_AT_LEISURE) * ($strings - 1);
        if ($approach->afterRest) {
            return $cost * 0.2;
        }

        $cost *= $approach->returns ? ($approach->slurred && $approach->fast ? self::ROCKING : self::THERE_AND_BACK) : 1.0;

        return $cost * ($approach->slurred ? 1.6 : 1.0) * ($approach->fast ? 1.5 : 1.0);
    }
}
