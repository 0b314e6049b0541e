<?php

declare(strict_types=1);

namespace App\Record;

use App\Marking\Players;
use App\Models\Part;

/** An entry, and the part into whose record it is to go. */
final readonly class Entering
{
    /** @param Players|null $players decided for some of its players: fingers are theirs, bows everybody's */
    public function __construct(public Part $part, public NewEntry $entry, public ?Players $players = null) {}
}
