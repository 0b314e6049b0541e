<?php

declare(strict_types=1);

namespace App\Views\Skills;

/** A part that is shown beside the settings. */
final readonly class ProfileSampleView
{
    /**
     * @param  string  $music  the print, as MusicXML
     */
    public function __construct(
        public string $title,
        public string $part,
        public string $music,
        public string $musicName,
    ) {}
}
