<?php

declare(strict_types=1);

namespace App\Record;

use App\Marking\Players;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\EntryKind;

/** An entry on its way into a part's record. */
final readonly class NewEntry
{
    /** Seen is whatever there is: it is decided for somebody who was shown all of it. */
    public const ALL_SEEN = 2_147_483_647;

    /**
     * @param  string  $key  given by the browser: the same key again is the same entry
     * @param  list<Decision>  $decisions
     * @param  string|null  $takes  the key of the entry that is undone or redone
     * @param  string|null  $follows  the key of the entry that the same browser made before it, which has to be there
     * @param  int  $seen  the newest entry of others that its maker saw
     * @param  string  $browser  where it was made: entries of one browser see each other
     * @param  string|null  $group  a figure that was decided for several parts at once
     * @param  list<array<string, mixed>>  $proposed  what was proposed at its notes at that moment
     */
    public function __construct(
        public string $key,
        public EntryKind $kind,
        public array $decisions = [],
        public ?string $takes = null,
        public ?string $follows = null,
        public int $seen = 0,
        public string $browser = '',
        public ?string $group = null,
        public array $proposed = [],
    ) {}

    /** @param list<Decision> $decisions */
    public function with(array $decisions): self
    {
        return $this->but(['decisions' => $decisions]);
    }

    /** @param array<string, mixed> $otherwise by the names of the fields */
    private function but(array $otherwise): self
    {
        return new self(...$otherwise + get_object_vars($this));
    }

    /** Decided for some players: fingers are theirs, bows everybody's. */
    public function for(?Players $players): self
    {
        return $players === null ? $this : $this->with($players->theirs($this->decisions));
    }

    /** The same as one of a group. */
    public function in(string $group): self
    {
        return $this->but(['group' => $group]);
    }

    /** @return list<array<string, mixed>> what is kept: who and when are the record's own */
    public function kept(): array
    {
        $kept = static fn (Decision $decision): array => array_diff_key($decision->toArray(), ['by' => 1, 'at' => 1]);

        return array_map($kept, $this->decisions);
    }
}
