<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Terms;

/** What a term charges for at one place, as a noun that can be counted: “a crossing under a slur”, “crossings under slurs”. */
final readonly class Fact
{
    private const NUMBERS = [2 => 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];

    public string $many;

    /** @param string|null $many where an s is not enough */
    public function __construct(public string $one, ?string $many = null)
    {
        $this->many = $many ?? preg_replace('/^an? /', '', $one).'s';
    }

    public function counted(int $times): string
    {
        return $times === 1 ? $this->one : (self::NUMBERS[$times] ?? (string) $times).' '.$this->many;
    }
}
