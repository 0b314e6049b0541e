<?php

declare(strict_types=1);

namespace App\Views\Handout;

/** Which handout something is. */
final readonly class HandoutName
{
    /**
     * @param  int  $number  of the part, from 1
     * @param  string  $at  date and time
     * @param  bool  $proposals  what nobody decided is on it too
     */
    public function __construct(
        public int $number,
        public string $at,
        public bool $proposals,
    ) {}
}
