<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Approach;

/**
 * What the terms came to for one part, before they are weighed, so that another weight is not worked out from nothing. It holds for
 * a part as it is printed and a profile but for its weights; whoever keeps it keeps it for these. Losing it costs time only.
 */
final class TermPoints
{
    /** @var array<int, array<int, array<int, array<int, float>>>> signature of the approach => grip => grip => place of the term => points */
    private array $moves = [];

    /**
     * @param  \Closure(Grip, Grip, Approach): array<int, float>  $made
     * @return array<int, float> place of the term => points
     */
    public function move(Grip $from, Grip $to, Approach $approach, \Closure $made): array
    {
        return $this->moves[$approach->signature()][$from->id][$to->id] ??= $made($from, $to, $approach);
    }
}
