<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Views\Typed;

/** One note as it is heard; of a note that is held over it is the whole, of one on which the bow changes there are several. */
final readonly class HeardNoteView
{
    /**
     * @param  string  $id  of the note on the page
     * @param  float  $at  seconds from the start
     * @param  float  $for  seconds to where the next may begin
     * @param  list<int>  $pitches  MIDI numbers
     * @param  float  $length  the share of its time that it sounds
     * @param  float  $loud  0 to 1
     */
    public function __construct(
        public string $id,
        public float $at,
        public float $for,
        public array $pitches,
        #[Typed("'bow' | 'slur' | 'pluck'")]
        public string $attack,
        #[Typed("'down' | 'up' | null")]
        public ?string $direction,
        public float $length,
        public float $loud,
    ) {}

    public function withoutDirection(): self
    {
        return new self($this->id, $this->at, $this->for, $this->pitches, $this->attack, null, $this->length, $this->loud);
    }
}
