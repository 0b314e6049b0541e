<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Grips\Stop;
use UprightPencil\Core\Fingering\Line\Stance;

/** Such grips are only tried where no other plays the note; the cost finds the one nearest to what is known. */
final class Untaught implements StandTerm
{
    public static function name(): string
    {
        return 'untaught';
    }

    public static function sentence(): string
    {
        return 'The class has not been taught this.';
    }

    public function fact(Grip $grip, Stance $stance): Fact
    {
        return new Fact("{$grip->untaught}, not taught yet", 'notes with what is not taught yet');
    }

    public function cost(Grip $grip, Stance $stance): float
    {
        if ($grip->untaught === null) {
            return 0.0;
        }
        $strain = array_sum(array_map(static fn (Stop $stop): int => $stop->strain, $grip->stops));

        return 20.0 + 0.5 * abs($grip->position - 1) + 2.0 * $strain;
    }
}
