<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

/** What the players of one part are called who do something at different times, or different things. */
final class Players
{
    /**
     * Two share a stand; more are counted by desks.
     *
     * @param  int  $index  from 0
     */
    public static function name(int $index, int $count): string
    {
        return $count === 2 ? ['outside', 'inside'][$index] : 'desk '.($index + 1);
    }
}
