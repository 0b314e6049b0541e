<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Lines;

/** Where instruments on one line do different things. */
final readonly class Difference
{
    /**
     * @param  non-empty-list<string>  $measures  printed numbers, where it is so
     * @param  float  $beat  in the first of them
     * @param  string  $what  open-or-four, shift, extension or crossing
     * @param  list<string>  $parts  instruments that do it
     * @param  string  $words  for the teacher's sheet
     */
    public function __construct(
        public array $measures,
        public float $beat,
        public string $what,
        public array $parts,
        public string $words,
    ) {}

    public function and(self $same): self
    {
        return new self(array_values(array_unique([...$this->measures, ...$same->measures])), $this->beat, $this->what, $this->parts, $this->words);
    }

    /** @return array{measure: string, beat: float, measures: non-empty-list<string>, what: string, parts: list<string>, words: string} */
    public function toArray(): array
    {
        return ['measure' => $this->measures[0], 'beat' => $this->beat, 'measures' => $this->measures, 'what' => $this->what, 'parts' => $this->parts, 'words' => $this->words];
    }
}
