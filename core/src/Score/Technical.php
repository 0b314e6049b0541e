<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** What a note has printed for the string player. */
final readonly class Technical
{
    /**
     * @param  string|null  $finger  as printed: 0 to 4, T, or text such as 4-1
     * @param  int|null  $string  1 is the highest string
     * @param  list<string>  $other  further technical signs, in the words of their format
     */
    public function __construct(
        public ?BowSign $bow = null,
        public ?string $finger = null,
        public ?int $string = null,
        public bool $open = false,
        public bool $harmonic = false,
        public array $other = [],
    ) {}

    public function isEmpty(): bool
    {
        return $this == new self;
    }
}
