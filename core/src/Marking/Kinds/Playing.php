<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\NoteMark;

/** How many play: one alone, all of the section as if they were one, or everybody again. */
final class Playing extends HeldWord
{
    public const FIELD = 'playing';

    private const SOLO = 'solo';

    public function name(): string
    {
        return self::FIELD;
    }

    public function field(): string
    {
        return self::FIELD;
    }

    public function spellings(): array
    {
        return [self::SOLO => 'solo', 'soli' => 'soli', 'tutti' => 'tutti'];
    }

    protected function alsoHeard(): array
    {
        return ['/^(one player|1 player)$/' => self::SOLO, '/^(all|all players)$/' => 'tutti'];
    }

    public function isEndedBy(string $words): bool
    {
        return false;
    }

    protected function number(): int
    {
        return 5;
    }

    /** Whether one player has a note alone. */
    public static function isSolo(NoteMark $note): bool
    {
        return $note->inForce(self::FIELD) === self::SOLO;
    }
}
