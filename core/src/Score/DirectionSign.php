<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** One sign of a direction. */
final readonly class DirectionSign
{
    /**
     * @param  string  $text  words; the dynamic (“mf”); a wedge's type (crescendo, diminuendo, stop); a rehearsal letter; whether dashes start or stop
     * @param  float|null  $tempo  quarters a minute, of a metronome mark
     * @param  string|null  $kept  the format's own words; null when the sign was made here
     * @param  int  $number  tells lines of dashes that overlap apart, 1 to 16
     */
    public function __construct(
        public DirectionKind $kind,
        public string $text = '',
        public ?float $tempo = null,
        public ?string $kept = null,
        public int $number = 1,
    ) {}
}
