<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Bowing\BowMark;
use UprightPencil\Core\Fingering\FingerMark;
use UprightPencil\Core\Fingering\Search\Alternative;
use UprightPencil\Core\Fingering\Search\Alternatives;
use UprightPencil\Core\Fingering\Trouble\PlayedLine;

/** What was worked out for one line. */
final class MarkedLine
{
    /** @var array<string, BowMark> by note id */
    public array $bow = [];

    /** @var array<string, FingerMark> by note id */
    public array $fingers = [];

    /** @var list<Finding> */
    public array $findings = [];

    /** @var list<Alternative> as many for each phrase as the settings want */
    public array $alternatives = [];

    public ?Alternatives $others = null;

    public ?PlayedLine $played = null;

    public int $strokes = 0;

    public float $bowingCost = 0.0;

    public float $fingeringCost = 0.0;
}
