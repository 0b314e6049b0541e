<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Manuscript;

/**
 * How the printed page names its measures: by number, from whatever it begins with, or by rehearsal letter and count (“B + 5” is
 * the fifth measure after letter B; what stands before the first letter has plain numbers). Used once and thrown away.
 */
final class Numbering
{
    private string $letter = '';

    /** Measures counted since the beginning or the last letter. */
    private int $count;

    /** @var array<string, int> letters that the print uses again, and how often */
    private array $met = [];

    /** @param int $first number of the first whole measure */
    public function __construct(int $first, private readonly bool $byLetters)
    {
        $this->count = $first - 1;
    }

    /**
     * @param  string  $letter  of this measure; empty where it has none
     * @param  bool  $counted  false for a pickup or the second half of a divided measure
     * @param  string  $printed  where the print goes on from another number
     */
    public function next(string $letter, bool $counted, string $printed): string
    {
        if ($printed !== '') {
            if (preg_match('/^\d+$/', $printed) === 1 && $counted) {
                $this->count = (int) $printed;
                $this->letter = '';
            }

            return $printed;
        }
        if ($letter !== '' && $this->byLetters) {
            $again = $this->met[$letter] = ($this->met[$letter] ?? 0) + 1;
            $this->letter = $again === 1 ? $letter : "{$letter} ({$again})";
            $this->count = $counted ? 0 : -1;

            return $this->letter;
        }
        $counted && $this->count++;
        $name = $counted || $this->count > 0 ? (string) max($this->count, 0) : '0';

        return match (true) {
            $this->letter !== '' => $this->count === 0 ? $this->letter : "{$this->letter} + {$this->count}".($counted ? '' : ' b'),
            $counted || $name === '0' => $name,
            default => "{$name}b",
        };
    }
}
