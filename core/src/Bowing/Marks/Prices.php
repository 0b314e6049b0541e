<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Marks;

/**
 * What it costs to change something about the bow, in points, wherever it is proposed: by a plan or as a fix. Estimates of
 * ours: 1 is about an up-bow on a downbeat in the strong-beat school.
 */
final class Prices
{
    public const UNMARK = 0.1;

    /** A retake in a rest that has all the time it needs. */
    public const RETAKE = 0.5;

    public const HOOK = 0.45;

    public const CHANGE = 0.7;

    /** Down where up was, or up where down was, and nothing else. */
    public const TURN = 0.9;

    public const PLACE = 1.0;

    public const STAGGER = 1.5;

    public const SPLIT = 1.9;

    public const STRIKE = 2.6;
}
