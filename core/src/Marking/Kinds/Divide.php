<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

use UprightPencil\Core\Marking\Dividing\Division;

/** Notes that are shared among the players of a section, and how. */
final class Divide extends HeldWord
{
    public const FIELD = 'divide';

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
        return array_combine(array_column(Division::cases(), 'value'), array_map(static fn (Division $one): string => $one->words(), Division::cases()));
    }

    protected function alsoHeard(): array
    {
        return ['/^div(\.|isi)?( a 2)?$/' => Division::OutsideTop->value, '/^div(\.|isi)? a 3$/' => Division::Three->value];
    }

    public function isEndedBy(string $words): bool
    {
        return preg_match('/^(unis|non div|tutti)/', $words) === 1;
    }

    protected function number(): int
    {
        return 6;
    }
}
