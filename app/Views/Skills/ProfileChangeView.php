<?php

declare(strict_types=1);

namespace App\Views\Skills;

/** What a class profile would change in a part. */
final readonly class ProfileChangeView
{
    /**
     * @param  int  $fingers  notes with another finger, string or place of the hand
     * @param  int  $bows  notes with another direction or action
     */
    public function __construct(
        public string $title,
        public string $part,
        public int $fingers,
        public int $bows,
    ) {}
}
