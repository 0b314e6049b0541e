<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

/**
 * What moves came to, term by term, before they are weighed, so that another weight is not worked out from nothing. It holds for the
 * grips of one part and a profile but for its weights; whoever keeps it keeps it for these. Losing it costs time only.
 */
final class TermPoints
{
    /** @var array<int, array<int, array<int, array<int, float>>>> signature of the approach => grip => grip => place of the term => points */
    public array $moves = [];
}
