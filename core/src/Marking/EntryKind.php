<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

/** What an entry of a record does. */
enum EntryKind: string
{
    case Decide = 'decide';
    /** Takes an entry that decided something back. */
    case Undo = 'undo';
    /** Decides again what was taken back. */
    case Redo = 'redo';
}
