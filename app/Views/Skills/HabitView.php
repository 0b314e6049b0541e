<?php

declare(strict_types=1);

namespace App\Views\Skills;

use App\Views\Typed;

/** One thing that was understood about how somebody marks. */
final readonly class HabitView
{
    /**
     * @param  string  $what  names it
     * @param  list<HabitPlaceView>  $better  decisions that it explains and that were not explained before
     * @param  list<HabitPlaceView>  $worse  decisions that it no longer explains
     * @param  object  $settings  of the class, with it
     */
    public function __construct(
        public string $what,
        public string $sentence,
        public string $evidence,
        public array $better,
        public array $worse,
        #[Typed('Record<string, unknown>')]
        public object $settings,
    ) {}
}
