<?php

declare(strict_types=1);

namespace App\Workbench;

/** What the workbench can be asked. */
enum Asked: string
{
    /** To open a part for what will be asked of it next; nobody waits for an answer. */
    case Open = 'open';

    /** Whether decisions name something in the part. */
    case Check = 'check';

    /** What the desk draws. */
    case Marking = 'marking';

    /** What the desk would draw. */
    case Preview = 'preview';

    /** What takes what is proposed. */
    case Proposals = 'proposals';

    /** Where a figure comes again. */
    case Alike = 'alike';

    /** How the part sounds. */
    case Heard = 'heard';
}
