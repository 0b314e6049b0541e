<?php

declare(strict_types=1);

namespace App\Views\Skills;

/** A habit that was made the rule, and still is. */
final readonly class TakenHabitView
{
    /**
     * @param  string  $what  names it
     * @param  string  $at  date and time
     */
    public function __construct(public string $what, public string $sentence, public string $at) {}
}
