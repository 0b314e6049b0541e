<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

/** What stands above a tune: its fields, each with the line it stands in. */
final class Heading
{
    /** @var array<string, string> */
    private array $values = [];

    /** @var array<string, int> */
    private array $lines = [];

    /** Of titles and composers the first counts, of everything else the last. */
    public function set(string $name, string $value, int $line): void
    {
        if ($this->has($name) && str_contains('TC', $name)) {
            return;
        }
        $this->values[$name] = $value;
        $this->lines[$name] = $line;
    }

    public function has(string $name): bool
    {
        return ($this->values[$name] ?? '') !== '';
    }

    /** Whether the field is there, even without a word. */
    public function isSet(string $name): bool
    {
        return isset($this->lines[$name]);
    }

    public function value(string $name): string
    {
        return $this->values[$name] ?? '';
    }

    public function line(string $name): int
    {
        return $this->lines[$name] ?? 1;
    }

    /** The meter; four quarters where none is given, as everybody reads it. */
    public function meter(): string
    {
        return $this->has('M') ? $this->values['M'] : '4/4';
    }
}
