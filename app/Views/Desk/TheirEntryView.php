<?php

declare(strict_types=1);

namespace App\Views\Desk;

use App\Models\LogEntry;
use App\Views\Typed;

/** What somebody else decided. */
final readonly class TheirEntryView
{
    /**
     * @param  int  $seq  its place in the record
     * @param  list<array<string, mixed>>  $decisions
     */
    public function __construct(
        public int $seq,
        public string $by,
        public string $at,
        #[Typed('Decision[]')]
        public array $decisions,
    ) {}

    public static function of(LogEntry $entry): self
    {
        return new self($entry->seq, $entry->user->name, $entry->created_at->toIso8601String(), $entry->decisions);
    }
}
