<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Views\Typed;

/** What somebody would decide. */
final readonly class SuggestionView
{
    /**
     * @param  string  $key  of its entry
     * @param  bool  $mine  whoever looks suggested it
     * @param  list<string>  $words  what it is, a sentence a decision
     * @param  string|null  $note  the first that it is about
     * @param  list<array<string, mixed>>  $decisions  as they would be decided
     * @param  string|null  $answer  null: it is open
     * @param  string  $why  the reason that was given
     */
    public function __construct(
        public string $key,
        public string $by,
        public string $at,
        public bool $mine,
        public array $words,
        public ?string $note,
        #[Typed('Decision[]')]
        public array $decisions,
        #[Typed("'taken' | 'left' | null")]
        public ?string $answer,
        public string $why,
    ) {}
}
