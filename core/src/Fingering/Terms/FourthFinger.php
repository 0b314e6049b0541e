<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Stance;

/** Violin and viola only: on cello and bass the fourth finger is as good as any. */
final class FourthFinger implements StandTerm
{
    private const ON_A_SHORT_NOTE = 1.3;

    /** There is time to place it, and it can be vibrated. */
    private const ON_A_LONG_NOTE = 0.6;

    /** Seconds. */
    private const LONG = 1.0;

    /** @param float $cost points, by level */
    public function __construct(private readonly float $cost) {}

    public static function name(): string
    {
        return 'fourth-finger';
    }

    public static function sentence(): string
    {
        return 'The fourth finger is weak in the first years, most of all on short notes.';
    }

    public function fact(Grip $grip, Stance $stance): Fact
    {
        return $stance->fast ? new Fact('a short note with the fourth finger', 'short notes with the fourth finger') : new Fact('a fourth finger');
    }

    public function cost(Grip $grip, Stance $stance): float
    {
        foreach ($grip->stops as $stop) {
            if ($stop->finger === 4) {
                return $this->cost * match (true) {
                    $stance->fast => self::ON_A_SHORT_NOTE,
                    $stance->seconds >= self::LONG => self::ON_A_LONG_NOTE,
                    default => 1.0,
                };
            }
        }

        return 0.0;
    }
}
