<?php

declare(strict_types=1);

namespace App\Views\Skills;

use UprightPencil\Core\Strings\Instrument;

/** What an instrument is taught, or can be. */
final readonly class TaughtView
{
    /**
     * @param  list<float>  $positions  half is 0.5
     * @param  list<string>  $placements  “low 2”, “extended 4”, “harmonic”
     */
    public function __construct(
        public Instrument $instrument,
        public array $positions,
        public array $placements,
    ) {}
}
