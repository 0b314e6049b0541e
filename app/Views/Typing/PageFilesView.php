<?php

declare(strict_types=1);

namespace App\Views\Typing;

/** The printed pages beside a part. */
final readonly class PageFilesView
{
    /**
     * @param  list<PageFileView>  $files  in the order in which they were brought
     */
    public function __construct(
        public array $files,
    ) {}
}
