<?php

declare(strict_types=1);

namespace UprightPencil\Core\Score;

/** A down-bow or up-bow sign; also the direction a stroke takes. */
enum BowSign: string
{
    case Down = 'down';
    case Up = 'up';

    public function other(): self
    {
        return $this === self::Down ? self::Up : self::Down;
    }
}
