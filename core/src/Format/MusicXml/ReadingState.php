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

    /** @param int $resolution ticks in a quarter */
    public function __construct(public readonly int $resolution) {}

    /** An id for a note: the file's own when it is usable and new, else one made of part, measure and place. */
    public function idFor(?string $own, string $made): string
    {
        if ($own !== null && ! isset($this->ids[$own]) && preg_match('/^[A-Za-z_][\w.-]*$/', $own) === 1) {
            $this->ids[$own] = true;

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

    public function warn(string $message, ?string $part, ?string $measure, \DOMElement $at): void
    {
        $this->warnings[] = new Warning($message, $part, $measure, $at->getLineNo());
    }

    /** Warns once for the whole file. */
    public function warnOnce(string $message, ?string $part, ?string $measure, \DOMElement $at): void
    {
        if (! isset($this->said[$message])) {
            $this->said[$message] = true;
            $this->warn($message, $part, $measure, $at);
        }
    }

    /** @return list<Warning> */
    public function warnings(): array
    {
        return $this->warnings;
    }
}
