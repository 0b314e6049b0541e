<?php

declare(strict_types=1);

namespace App\Views\Desk;

/** A measure as it is printed, where something else is typed over it. */
final readonly class PrintedMeasureView
{
    /**
     * @param  string  $note  id of the first note that is typed over it
     * @param  string  $music  MusicXML of this measure alone
     */
    public function __construct(
        public string $note,
        public string $measure,
        public string $music,
    ) {}
}
