<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

/** What single letters before a note stand for in a tune: the standard's own, and those that U: fields give. */
final class Symbols
{
    /** @var array<string, string> */
    private array $meanings = Decorations::LETTERS;

    /** @return bool false when the field is none that we understand */
    public function define(string $field): bool
    {
        if (preg_match('/^([.~H-Wh-w])\s*=\s*(.+)$/', $field, $found) !== 1) {
            return false;
        }
        $meaning = trim($found[2]);
        if (str_starts_with($meaning, '"')) {
            $this->meanings[$found[1]] = $meaning;

            return true;
        }
        $name = trim($meaning, '!+ ');
        $this->meanings[$found[1]] = in_array($name, ['nil', 'none'], true) ? '' : $name;

        return $name === '' || in_array($name, ['nil', 'none'], true) || (new Decorations)->add($name);
    }

    /** The sign's name, words in quotes, nothing for a letter that was taken away; null where nobody says what it means. */
    public function meaningOf(string $letter): ?string
    {
        return $this->meanings[$letter] ?? null;
    }
}
