<?php

declare(strict_types=1);

namespace App\Views;

/** A link just made: its address is told this once. */
final readonly class NewLinkView
{
    public function __construct(
        public LinkView $link,
        public string $address,
    ) {}
}
