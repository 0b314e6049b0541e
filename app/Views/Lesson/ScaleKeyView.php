<?php

declare(strict_types=1);

namespace App\Views\Lesson;

/** A key of a piece of the next concert. */
final readonly class ScaleKeyView
{
    /** @param string $key tonic and mode, “D:major” */
    public function __construct(
        public string $key,
        public string $name,
        public string $title,
    ) {}
}
