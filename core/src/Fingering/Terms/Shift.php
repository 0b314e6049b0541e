<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Approach;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Placement;

final class Shift implements MoveTerm
{
    /** Up to another finger than the first: the hand has less of the new place to play in. */
    private const UP_TO_ANOTHER_FINGER = 1.6;

    /** The same on cello and bass, whose hands hold fewer notes anyway. */
    private const UP_ON_LOW_STRINGS = 0.3;

    /** Down from another finger than the first: the hand goes home without a guide (violin, viola). */
    private const LEFT_FROM_ANOTHER_FINGER = 2.0;

    /** @param bool $chromatic cello and bass: the hand moves by half steps as a matter of course */
    public function __construct(private readonly bool $chromatic = false) {}

    public static function name(): string
    {
        return 'shift';
    }

    public static function sentence(): string
    {
        return 'The hand moves; farther, inside a slur or on short notes is dearer; after a rest, an open string or a harmonic, or with one finger to guide, cheaper.';
    }

    public function fact(Grip $from, Grip $to, Approach $approach): Fact
    {
        $way = $from->position === $to->position ? 'a half step of the hand' : 'a shift '.($to->hand > $from->hand ? 'up' : 'back').' to '.Instrument::positionNumeral($to->position);
        $plural = $from->position === $to->position ? 'half steps of the hand' : 'shifts '.($to->hand > $from->hand ? 'up' : 'back').' to '.Instrument::positionNumeral($to->position);

        return match (true) {
            $approach->slurred => new Fact("{$way} inside a slur", "{$plural} inside slurs"),
            $approach->fast => new Fact("{$way} on a short note", "{$plural} on short notes"),
            default => new Fact($way, $plural),
        };
    }

    public function cost(Grip $from, Grip $to, Approach $approach): float
    {
        $way = abs($to->hand - $from->hand);
        if ($way === 0) {
            return 0.0;
        }
        $guided = self::isGuided($from, $to);
        $crawls = $way === 1 && ($this->chromatic || $guided || $from->position === $to->position || min($from->position, $to->position) < 1);
        $cost = $crawls ? 1.2 : 1.8 + 0.25 * $way;
        $cost += $way > 1 && $to->hand > $from->hand && $to->lead()->finger > 1 && $to->lead()->placement !== Placement::Harmonic && ($this->chromatic ? ! $guided : true) ? ($this->chromatic ? self::UP_ON_LOW_STRINGS : self::UP_TO_ANOTHER_FINGER) : 0.0;
        $cost += $way > 1 && $to->hand < $from->hand && $from->lead()->finger > 1 && ! $this->chromatic ? self::LEFT_FROM_ANOTHER_FINGER : 0.0;
        $cost *= $approach->slurred ? 1.5 : 1.0;
        $cost *= $approach->fast ? 1.4 : 1.0;
        if ($approach->afterRest) {
            return $cost * 0.3;
        }
        if ($from->isOpen() || $from->lead()->placement === Placement::Harmonic) {
            return $cost * 0.4;
        }

        return $guided ? $cost * 0.85 : $cost;
    }

    /** One finger stays on its string and goes as far as the hand. */
    private static function isGuided(Grip $from, Grip $to): bool
    {
        [$a, $b] = [$from->lead(), $to->lead()];

        return $a->finger === $b->finger && $a->string === $b->string && $b->place() - $a->place() === $to->hand - $from->hand;
    }
}
