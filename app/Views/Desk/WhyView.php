<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** Why a note is fingered as it is; null where there is no other way. */
final readonly class WhyView
{
    public function __construct(
        public ?WayView $instead,
        public ?WayView $withoutShift,
    ) {}
}
