<?php

declare(strict_types=1);

namespace App\Views;

/** The open links of a part. */
final readonly class LinksView
{
    /**
     * @param  list<LinkView>  $links
     */
    public function __construct(
        public array $links,
    ) {}
}
