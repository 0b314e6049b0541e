<?php

declare(strict_types=1);

namespace App\Record;

/** Others wrote in between, again and again: the same may be asked again. */
final class TurnLost extends \RuntimeException
{
    public function __construct()
    {
        parent::__construct('The record is busy just now.');
    }
}
