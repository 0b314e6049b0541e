<?php

declare(strict_types=1);

namespace App\Record;

use App\Models\LogEntry;
use App\Views\Desk\TheirEntryView;

/** Somebody else decided about the same notes meanwhile; the director sees both and chooses. */
final class EntryClashes extends \RuntimeException
{
    /** @param non-empty-list<LogEntry> $theirs oldest first */
    public function __construct(private readonly array $theirs)
    {
        $names = array_values(array_unique(array_map(static fn (LogEntry $entry): string => $entry->user->name, $theirs)));
        parent::__construct((count($names) === 1 ? $names[0] : implode(' and ', $names)).' decided about the same notes meanwhile.');
    }

    /** @return list<TheirEntryView> */
    public function theirs(): array
    {
        return array_map(TheirEntryView::of(...), $this->theirs);
    }
}
