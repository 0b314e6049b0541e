<?php

declare(strict_types=1);

namespace App\Views;

/** Whether somebody is signed in. */
final readonly class SessionView
{
    public function __construct(
        public ?DirectorView $director,
    ) {}
}
