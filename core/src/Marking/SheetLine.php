<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Score\Copying;

/** One thing to pencil into a printed part: where, what goes and what is written. */
final readonly class SheetLine
{
    use Copying;

    /**
     * @param  string  $measure  printed number; empty where the whole part is meant
     * @param  string|null  $to  printed number of the last measure, where it is another
     * @param  list<string>  $notes  ids of the notes at which it is written
     * @param  string|null  $erase  what is rubbed out, as it stands on the page
     * @param  string|null  $write  the sign or word to write
     * @param  string  $kind  of mark, as its kind is called; “bow” for a direction
     * @param  string  $words  the same in words
     * @param  int|null  $line  of the printed page, from 1, where its line starts are known
     */
    public function __construct(
        public string $measure,
        public ?string $to,
        public float $beat,
        public array $notes,
        public string $pitch,
        public ?string $erase,
        public ?string $write,
        public string $kind,
        public string $words,
        public ?int $line = null,
    ) {}

    /** @return array<string, mixed> in the words of `contract.md` */
    public function toArray(): array
    {
        return [
            'measure' => $this->measure,
            'to' => $this->to,
            'beat' => $this->beat,
            'note' => $this->notes[0] ?? null,
            'notes' => $this->notes,
            'pitch' => $this->pitch,
            'erase' => $this->erase,
            'write' => $this->write,
            'kind' => $this->kind,
            'words' => $this->words,
        ] + ($this->line === null ? [] : ['line' => $this->line]);
    }
}
