<?php

declare(strict_types=1);

namespace App\Views;

/** How somebody marks, as far as their decisions tell. */
final readonly class HabitsView
{
    /**
     * @param  int  $decisions  that told something
     * @param  int  $before  of them the tool would have proposed so many
     * @param  int  $after  and with what was understood so many
     * @param  list<HabitView>  $habits
     */
    public function __construct(public int $decisions, public int $before, public int $after, public array $habits) {}
}
