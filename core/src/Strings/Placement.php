<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

/** Where a finger lies against its usual place in the hand. */
enum Placement: string
{
    case Open = 'open';
    case Low = 'low';
    case Regular = 'regular';
    case High = 'high';
    case Extended = 'extended';
    case Harmonic = 'harmonic';
}
