<?php

declare(strict_types=1);

namespace App\Views;

/** A school, for those who direct in it. */
final readonly class SchoolSettingsView
{
    /**
     * @param  int|null  $idleMinutes  after which whoever does nothing is signed out; null: as long as the session lasts
     */
    public function __construct(
        public int $id,
        public string $name,
        public ?int $idleMinutes,
    ) {}
}
