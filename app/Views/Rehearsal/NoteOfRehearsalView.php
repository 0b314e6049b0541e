<?php

declare(strict_types=1);

namespace App\Views\Rehearsal;

use App\Models\RehearsalNote;
use App\Views\Typed;

/** What was noted in rehearsal. */
final readonly class NoteOfRehearsalView
{
    /**
     * @param  list<int>  $parts  none: all of them
     * @param  string  $what  nothing: a flag that is completed afterwards
     * @param  string|null  $became  null: it is open
     */
    public function __construct(
        public string $key,
        public string $from,
        public string $to,
        public array $parts,
        public string $what,
        #[Typed("'all' | 'most' | 'some' | 'one stand' | 'wanted' | null")]
        public ?string $howMany,
        public string $at,
        public string $by,
        #[Typed("'reminder' | 'step' | 'change' | 'let-go' | null")]
        public ?string $became,
    ) {}

    /** @param list<int> $visible parts of which may be told */
    public static function of(RehearsalNote $note, array $visible): self
    {
        return new self($note->key, $note->from, $note->to, array_values(array_intersect($note->parts, $visible)), $note->what, $note->how_many, $note->noted_at->toIso8601String(), $note->user->name, $note->became);
    }
}
