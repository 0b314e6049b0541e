<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Approach;

/** A slide, a bar or a shift that somebody decided is kept whenever any fingers can. */
final class Linked implements MoveTerm
{
    /** More than any fingering of two notes costs otherwise. */
    private const NOT_KEPT = 60.0;

    public static function name(): string
    {
        return 'linked';
    }

    public static function sentence(): string
    {
        return 'A slide, a bar or a shift was decided here.';
    }

    public function fact(Grip $from, Grip $to, Approach $approach): Fact
    {
        return new Fact('a decided slide, bar or shift not kept', 'decided slides, bars or shifts not kept');
    }

    public function cost(Grip $from, Grip $to, Approach $approach): float
    {
        return $approach->link === null || $approach->link->isKept($from, $to) ? 0.0 : self::NOT_KEPT;
    }
}
