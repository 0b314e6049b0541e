<?php

declare(strict_types=1);

namespace App\Record;

/** An entry names one that is not in the record (yet). */
final class EntryOutOfOrder extends \RuntimeException
{
    public function __construct()
    {
        parent::__construct('What this was decided after is not in the record.');
    }
}
