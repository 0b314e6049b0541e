<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

/** How often fingers are written on the page. */
enum FingersWritten: string
{
    case Every = 'every';
    /** The first time, every change, and reminders. */
    case Changes = 'changes';
    /** Only what a student could get wrong. */
    case Doubtful = 'doubtful';
}
