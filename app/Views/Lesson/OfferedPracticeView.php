<?php

declare(strict_types=1);

namespace App\Views\Lesson;

/** A kind of practice, and why it helps here. */
final readonly class OfferedPracticeView
{
    /** @param string|null $because null: nothing here asks for it, but it may be made all the same */
    public function __construct(
        public string $kind,
        public string $title,
        public ?string $because,
    ) {}
}
