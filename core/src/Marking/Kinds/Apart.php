<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

/**
 * A place that is like others and is meant to stay as it is: what is decided elsewhere is not offered here any more, and nobody is
 * told again that it differs. Nothing is drawn.
 */
final class Apart extends Kind
{
    public const FIELD = 'apart';

    public function name(): string
    {
        return self::FIELD;
    }

    public function field(): string
    {
        return self::FIELD;
    }

    public function rule(): string
    {
        return '“apart” is true where a place is meant to differ from those that are like it.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return $value === true && $reach !== Reach::Part;
    }

    public function isCarried(): bool
    {
        return false;
    }
}
