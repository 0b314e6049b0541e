<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

/** A line that is a field: `K:D`, `M : 4/4`. */
final readonly class FieldLine
{
    /** @param string $name one letter, or “+” for a field that goes on */
    private function __construct(
        public string $name,
        public string $value,
    ) {}

    /** @return self|null null where the line is music or text */
    public static function of(string $line): ?self
    {
        // “A:|” is a note before a repeat, whatever letter it has.
        return preg_match('/^\s*([A-Za-z+]) ?:(?![|:\]])\s*(.*)$/', Text::withoutRemark($line), $found) === 1
            ? new self($found[1], trim($found[2]))
            : null;
    }
}
