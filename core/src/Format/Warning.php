<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format;

/** Something in a file that was not, or not wholly, understood; the rest is used. */
final readonly class Warning
{
    /**
     * @param  string|null  $part  the part's id
     * @param  string|null  $measure  the measure's printed number
     * @param  int|null  $line  line of the file
     * @param  bool  $matters  false: a sign or a hint was left out, and every note is as it was written
     */
    public function __construct(
        public string $message,
        public ?string $part = null,
        public ?string $measure = null,
        public ?int $line = null,
        public bool $matters = true,
    ) {}

    /** @return array{part: string|null, measure: string|null, line: int|null, message: string, matters: bool} */
    public function toArray(): array
    {
        return ['part' => $this->part, 'measure' => $this->measure, 'line' => $this->line, 'message' => $this->message, 'matters' => $this->matters];
    }
}
