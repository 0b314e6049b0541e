<?php

declare(strict_types=1);

namespace App\Views\Shelf;

/** The one proposal of the day about how somebody marks. */
final readonly class ShelfHabitView
{
    public function __construct(public int $ensemble, public string $name, public string $what, public string $sentence, public string $evidence) {}
}
