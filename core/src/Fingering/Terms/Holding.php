<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Approach;

/** The figure goes there and back: a finger that can stay down in between is at rest. */
final class Holding implements MoveTerm
{
    private const LIFTED = 0.25;

    public static function name(): string
    {
        return 'holding';
    }

    public static function sentence(): string
    {
        return 'A finger is lifted that the next note but one needs again.';
    }

    public function fact(Grip $from, Grip $to, Approach $approach): Fact
    {
        return new Fact('a finger lifted that comes again', 'fingers lifted that come again');
    }

    public function cost(Grip $from, Grip $to, Approach $approach): float
    {
        $held = $from->lead();
        if (! $approach->returns || $held->finger === 0) {
            return 0.0;
        }
        $stays = $from->hand === $to->hand && match (true) {
            $held->string !== $to->lead()->string => $held->finger !== $to->lead()->finger || $held->place() === $to->lead()->place(),
            default => $held->finger < $to->lead()->finger,
        };

        return $stays ? 0.0 : self::LIFTED;
    }
}
