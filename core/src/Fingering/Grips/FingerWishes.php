<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Grips;

/** What print and director say about the fingers of a part. */
final readonly class FingerWishes
{
    /**
     * @param  array<string, FingerLock>  $decided  by note id
     * @param  array<string, FingerLock>  $printed  followed unless decided otherwise, by note id
     * @param  array<string, FingerLink>  $links  how the finger comes to this note, by its id
     * @param  array<string, FingerLink>  $onward  how the finger goes on from this note, by its id
     * @param  array<string, true>  $open  notes whose choice between open string and fourth finger is the player's
     * @param  array<string, true>  $stays  notes whose finger stays down until the next
     * @param  array<string, array<string, true>>  $off  slide, bar or stay => notes from which that mark was taken off
     */
    public function __construct(
        public array $decided = [],
        public array $printed = [],
        public array $links = [],
        public array $onward = [],
        public array $open = [],
        public array $stays = [],
        public array $off = [],
    ) {}

    public function areNone(): bool
    {
        return $this->decided === [] && $this->links === [] && $this->onward === [] && $this->open === [];
    }

    public function isDecided(string $note): bool
    {
        return isset($this->decided[$note]) || isset($this->links[$note]) || isset($this->onward[$note]) || isset($this->open[$note]);
    }

    /** The link by which an event is reached from the one before it. */
    public function link(string $before, string $note): ?FingerLink
    {
        return $this->links[$note] ?? $this->onward[$before] ?? null;
    }

    public function isOff(string $mark, string $note): bool
    {
        return isset($this->off[$mark][$note]);
    }

    /**
     * What was decided about some notes is not wished; the print is as it was.
     *
     * @param  list<string>  $notes
     */
    public function without(array $notes): self
    {
        $notes = array_flip($notes);

        return new self(
            array_diff_key($this->decided, $notes),
            $this->printed,
            array_diff_key($this->links, $notes),
            array_diff_key($this->onward, $notes),
            array_diff_key($this->open, $notes),
            array_diff_key($this->stays, $notes),
            $this->off,
        );
    }
}
