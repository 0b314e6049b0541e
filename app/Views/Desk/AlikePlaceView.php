<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Views\Typed;
use UprightPencil\Core\Ensemble\Carrying\Likeness;

/** A place that is like another, and what would be decided there. */
final readonly class AlikePlaceView
{
    /**
     * @param  string  $from  id of its first note
     * @param  string  $to  id of its last
     * @param  list<array<string, mixed>>  $decisions
     * @param  list<string>  $misfits  what would stay behind, as sentences
     */
    public function __construct(
        public string $from,
        public string $to,
        public string $measure,
        public float $beat,
        public Likeness $likeness,
        #[Typed('Decision[]')]
        public array $decisions,
        public array $misfits,
    ) {}
}
