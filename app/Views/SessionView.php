<?php

declare(strict_types=1);

namespace App\Views;

/** Whether somebody is signed in. */
final readonly class SessionView
{
    /** @param bool $empty nobody has an account: the school is still to be opened */
    public function __construct(
        public ?DirectorView $director,
        public bool $empty,
    ) {}
}
