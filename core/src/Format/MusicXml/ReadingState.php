<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\MusicXml;

use UprightPencil\Core\Format\Warning;

/** What the readers of one file share: its resolution, the ids already given, and the warnings so far. */
final class ReadingState
{
    /** @var array<string, true> */
    private array $ids = [];

    /** @var list<Warning> */
    private array $warnings = [];

    /** @var array<string, true> */
    private array $said = [];

    /** Notes whose id is the file's own. */
    private int $named = 0;

    /** @param int $resolution ticks in a quarter */
    public function __construct(public readonly int $resolution) {}

    /** An id for a note: the file's own when it is usable and new, else one made of part, measure and place. */
    public function idFor(?string $own, string $made): string
    {
        if ($own !== null && ! isset($this->ids[$own]) && preg_match('/^[A-Za-z_][\w.-]*$/', $own) === 1) {
            $this->ids[$own] = true;
            $this->named++;

            return $own;
        }
        $made = preg_replace('/[^\w.-]/', '_', $made) ?? $made;
        $made = preg_match('/^[A-Za-z_]/', $made) === 1 ? $made : 'n'.$made;
        $id = $made;
        for ($again = 2; isset($this->ids[$id]); $again++) {
            $id = "{$made}.{$again}";
        }
        $this->ids[$id] = true;

        return $id;
    }

    /** Whether the notes have names in the file; one that has a few by chance has not. */
    public function namesNotes(): bool
    {
        return 2 * $this->named > count($this->ids);
    }

    public function warn(string $message, ?string $part, ?string $measure, \DOMElement $at, bool $matters = true): void
    {
        $this->warnings[] = new Warning($message, $part, $measure, $at->getLineNo(), $matters);
    }

    /** Tells once for the whole file of something that was left out and that no note needs. */
    public function warnOnce(string $message, ?string $part, ?string $measure, \DOMElement $at): void
    {
        if (! isset($this->said[$message])) {
            $this->said[$message] = true;
            $this->warn($message, $part, $measure, $at, false);
        }
    }

    /** @return list<Warning> */
    public function warnings(): array
    {
        return $this->warnings;
    }
}
