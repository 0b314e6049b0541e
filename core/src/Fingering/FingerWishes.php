<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering;

/** What print and director say about the fingers of a line. */
final readonly class FingerWishes
{
    /**
     * @param  array<string, FingerLock>  $decided  by note id
     * @param  array<string, FingerLock>  $printed  followed unless decided otherwise, by note id
     * @param  array<string, FingerLock>  $suggested  printed fingers that are suggestions only, by note id
     * @param  array<string, Link>  $links  how the finger comes to this note, by its id
     * @param  array<string, Link>  $onward  how the finger goes on from this note, by its id
     * @param  array<string, true>  $open  notes whose choice between open string and fourth finger is the player's
     */
    public function __construct(
        public array $decided = [],
        public array $printed = [],
        public array $suggested = [],
        public array $links = [],
        public array $onward = [],
        public array $open = [],
    ) {}

    public function isDecided(string $note): bool
    {
        return isset($this->decided[$note]) || isset($this->links[$note]) || isset($this->onward[$note]) || isset($this->open[$note]);
    }

    /** The link by which an event is reached from the one before it. */
    public function link(string $before, string $note): ?Link
    {
        return $this->links[$note] ?? $this->onward[$before] ?? null;
    }
}
