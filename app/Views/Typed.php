<?php

declare(strict_types=1);

namespace App\Views;

/** How a property is typed in the client, where its PHP type says less. */
#[\Attribute(\Attribute::TARGET_PROPERTY | \Attribute::TARGET_PARAMETER)]
final readonly class Typed
{
    public function __construct(public string $type) {}
}
