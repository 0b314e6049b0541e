<?php

declare(strict_types=1);

namespace App\Views\Account;

/** Codes for paper, shown this once. */
final readonly class CodesView
{
    /**
     * @param  list<string>  $codes
     */
    public function __construct(public array $codes) {}
}
