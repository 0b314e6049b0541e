<?php

declare(strict_types=1);

namespace App\Views\Skills;

use App\Views\Typed;

/** A class profile as somebody left it. */
final readonly class ProfileVersionView
{
    /**
     * @param  string  $at  date and time
     * @param  string|null  $note  what it was taken from
     */
    public function __construct(
        public int $id,
        public string $by,
        public string $at,
        #[Typed('Record<string, unknown>')]
        public object $settings,
        #[Typed('Record<string, string>')]
        public object $style,
        public ?string $note,
    ) {}
}
