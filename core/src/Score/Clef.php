<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** A clef on one staff. */
final readonly class Clef
{
    /**
     * @param  string  $sign  G, F, C, percussion, TAB, jianpu or none
     * @param  int  $line  counted from the bottom, 1 to 5
     * @param  int  $octave  octaves the clef's own figure 8 moves the pitch
     */
    public function __construct(
        public string $sign,
        public ?int $line = null,
        public int $octave = 0,
        public int $staff = 1,
    ) {}

    public function name(): string
    {
        $name = match ("{$this->sign}{$this->line}") {
            'G2', 'G' => 'treble',
            'F4', 'F' => 'bass',
            'C3', 'C' => 'alto',
            'C4' => 'tenor',
            'G1' => 'french violin',
            'C1' => 'soprano',
            'C2' => 'mezzo-soprano',
            'F3', 'C5' => 'baritone',
            default => strtolower($this->sign),
        };

        return $this->octave === 0 ? $name : $name.($this->octave < 0 ? ' 8vb' : ' 8va');
    }
}
