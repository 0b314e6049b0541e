<?php

declare(strict_types=1);

namespace App\Views\Rehearsal;

/** The plan of a rehearsal. */
final readonly class PlanView
{
    /**
     * @param  string  $on  the day
     * @param  int  $seconds  of what is taken: never more than there are minutes
     * @param  bool  $chosen  somebody put it in order; false: it is proposed
     * @param  list<PlanItemView>  $items
     * @param  list<PlanItemView>  $leftOut  what did not fit
     * @param  list<PlanItemView>  $pool  what could be taken besides
     */
    public function __construct(
        public int $id,
        public string $name,
        public string $on,
        public int $minutes,
        public int $seconds,
        public bool $chosen,
        public array $items,
        public array $leftOut,
        public array $pool,
    ) {}
}
