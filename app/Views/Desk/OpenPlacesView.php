<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** What is worth deciding in a piece, part by part. */
final readonly class OpenPlacesView
{
    /**
     * @param  list<OpenPartView>  $parts
     */
    public function __construct(public string $title, public array $parts) {}
}
