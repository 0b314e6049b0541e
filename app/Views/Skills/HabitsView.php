<?php

declare(strict_types=1);

namespace App\Views\Skills;

/** How somebody marks, as far as their decisions tell. */
final readonly class HabitsView
{
    /**
     * @param  int  $decisions  that told something
     * @param  int  $before  of them the tool would have proposed so many
     * @param  int  $after  and with what was understood so many, in each piece only with what the other pieces carry by themselves
     * @param  list<HabitView>  $habits
     * @param  list<TakenHabitView>  $taken  that were made the rule, the newest first
     * @param  int  $others  further ensembles that they direct
     */
    public function __construct(public int $decisions, public int $before, public int $after, public array $habits, public array $taken, public int $others) {}
}
