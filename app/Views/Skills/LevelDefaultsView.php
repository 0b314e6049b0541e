<?php

declare(strict_types=1);

namespace App\Views\Skills;

use UprightPencil\Core\Strings\Density;
use UprightPencil\Core\Strings\Level;
use UprightPencil\Core\Strings\OpenStrings;

/** What a level brings with it. */
final readonly class LevelDefaultsView
{
    /**
     * @param  int  $flats  the most that the class knows
     * @param  list<TaughtView>  $taught
     */
    public function __construct(
        public Level $level,
        public OpenStrings $open,
        public bool $vibrato,
        public Density $marks,
        public int $flats,
        public int $sharps,
        public array $taught,
    ) {}
}
