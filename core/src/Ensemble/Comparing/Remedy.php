<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Comparing;

use UprightPencil\Core\Ensemble\Section;
use UprightPencil\Core\Marking\Decision;

/** What could be decided so that sections come into line. */
final readonly class Remedy
{
    /**
     * @param  string  $words  what it does, as a director says it
     * @param  array<int, list<Decision>>  $decisions  by section
     * @param  int|null  $follow  the section that the others follow; null: none
     * @param  array<int, list<Decision>>  $less  by section: what may do as well, with fewer signs on the page
     */
    public function __construct(
        public string $words,
        public array $decisions,
        public ?int $follow = null,
        public array $less = [],
    ) {}

    /** The same with fewer decisions; null where there are none that could be spared. */
    public function withLess(): ?self
    {
        return $this->less === [] || $this->less == $this->decisions ? null : new self($this->words, $this->less, $this->follow);
    }

    /**
     * @param  list<Section>  $sections
     * @return array{follow: string|null, words: string, decisions: list<array<string, mixed>>}
     */
    public function toArray(array $sections): array
    {
        $decisions = [];
        foreach ($this->decisions as $section => $own) {
            array_push($decisions, ...array_map(static fn (Decision $decision): array => ['part' => $sections[$section]->id()] + $decision->toArray(), $own));
        }

        return ['follow' => $this->follow === null ? null : $sections[$this->follow]->id(), 'words' => $this->words, 'decisions' => $decisions];
    }
}
