<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

enum DirectionKind: string
{
    case Words = 'words';
    case Dynamics = 'dynamics';
    case Wedge = 'wedge';
    case Rehearsal = 'rehearsal';
    case Segno = 'segno';
    case Coda = 'coda';
    case Metronome = 'metronome';
    case Dashes = 'dashes';
    case Other = 'other';
}
