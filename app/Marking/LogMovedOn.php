<?php

declare(strict_types=1);

namespace App\Marking;

/** A decision was made on a page that is no longer the newest: somebody else, or another window, decided first. */
final class LogMovedOn extends \RuntimeException
{
    public function __construct()
    {
        parent::__construct('This part was changed in another window. The page has been brought up to date.');
    }
}
