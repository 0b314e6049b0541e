<?php

declare(strict_types=1);

namespace App\Views\LineUp;

/** Where to tune, where to begin, and what each section has to know. */
final readonly class TeachingView
{
    /**
     * @param  list<TuningPlaceView>  $tuning
     * @param  list<BeginningView>  $begin
     * @param  list<SectionLineView>  $lines
     * @param  list<DividedView>  $divided
     */
    public function __construct(
        public array $tuning,
        public array $begin,
        public array $lines,
        public array $divided,
    ) {}
}
