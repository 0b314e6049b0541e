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
     * @param  bool  $check  it may be there already: it is looked for first
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
        public bool $check = false,
    ) {}

    /**
     * As it was kept.
     *
     * @param  array<mixed>  $kept  by the names of its properties
     * @return self|null null where it is none
     */
    public static function fromArray(array $kept): ?self
    {
        $text = static fn (string $name): ?string => is_string($kept[$name] ?? null) ? $kept[$name] : null;
        $notes = array_values(array_filter(is_array($kept['notes'] ?? null) ? $kept['notes'] : [], is_string(...)));
        $beat = $kept['beat'] ?? null;
        if ($notes === [] || $text('kind') === null || ! (is_int($beat) || is_float($beat))) {
            return null;
        }

        return new self($text('measure') ?? '', $text('to'), (float) $beat, $notes, $text('pitch') ?? '', $text('erase'), $text('write'), $text('kind'), $text('words') ?? '', is_int($kept['line'] ?? null) ? $kept['line'] : null, ($kept['check'] ?? false) === true);
    }

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
        ] + ($this->line === null ? [] : ['line' => $this->line]) + ($this->check ? ['check' => true] : []);
    }
}
