<?php

declare(strict_types=1);

namespace App\Views\Typing;

use App\Views\Typed;

/** A file with pictures of the printed page. */
final readonly class PageFileView
{
    /** @param object $look how it is turned and cropped, and which measure stands where */
    public function __construct(
        public string $key,
        public string $name,
        public bool $pdf,
        #[Typed('Record<string, unknown>')]
        public object $look,
    ) {}
}
