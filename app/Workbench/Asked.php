<?php

declare(strict_types=1);

namespace App\Workbench;

/** What the workbench can be asked. */
enum Asked: string
{
    /** To open a part for what will be asked of it next; nobody waits for an answer. */
    case Open = 'open';

    /** What the desk draws. */
    case Marking = 'marking';

    /** What the desk would draw. */
    case Preview = 'preview';

    /** What takes what is proposed. */
    case Proposals = 'proposals';

    /** Where a figure comes again. */
    case Alike = 'alike';

    /** All sections under each other: the map. */
    case LineUp = 'line-up';

    /** What is out of line in it. */
    case OutOfLine = 'out-of-line';

    /** What bows all places of a figure like one. */
    case BowedLike = 'bowed-like';

    /** The map as it would be. */
    case MapPreview = 'map-preview';

    /** Where to tune, where to begin, what each section has to know. */
    case Teaching = 'teaching';

    /** How the part sounds. */
    case Heard = 'heard';
}
