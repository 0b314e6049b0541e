<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** What is worth deciding in a part. */
final readonly class OpenPartView
{
    /**
     * @param  list<OpenPlaceView>  $places  the hardest first
     */
    public function __construct(
        public int $part,
        public string $name,
        public array $places,
    ) {}
}
