<?php

declare(strict_types=1);

namespace App\Views\Handout;

/** A place that players work at by themselves, noted in rehearsal. */
final readonly class PracticeStepView
{
    /**
     * @param  string  $measure  the first
     * @param  string  $to  the last
     */
    public function __construct(
        public string $measure,
        public string $to,
        public string $words,
    ) {}
}
