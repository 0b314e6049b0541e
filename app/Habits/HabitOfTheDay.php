<?php

declare(strict_types=1);

namespace App\Habits;

use App\Jobs\LearnHabits;
use App\Models\Ensemble;
use App\Models\User;
use App\Rehearsing\SchoolDays;
use App\Views\Shelf\ShelfHabitView;
use Illuminate\Support\Facades\DB;

/**
 * At most one proposal a day is shown by itself, on the shelf: the same one all day, until it is answered. What was not worked out yet is
 * worked out behind, for the next time.
 */
final class HabitOfTheDay
{
    /** Pieces that have to have been marked before anything is said unasked. */
    private const FEWEST_PIECES = 3;

    public static function of(User $user): ?ShelfHabitView
    {
        $days = SchoolDays::ofPerson($user);
        $shown = DB::table('habit_answers')->where(['user_id' => $user->id, 'answer' => 'shown'])->where('created_at', '>=', $days->beginning($days->today()))->first(['ensemble_id', 'what']);
        if ($shown !== null) {
            return self::first(Ensemble::query()->whereKey($shown->ensemble_id)->first(), $user, (string) $shown->what);
        }
        foreach (Habits::directed($user) as $ensemble) {
            $habit = self::first($ensemble, $user);
            if ($habit !== null) {
                DB::table('habit_answers')->insert(['ensemble_id' => $habit->ensemble, 'user_id' => $user->id, 'what' => $habit->what, 'answer' => 'shown', 'created_at' => now()]);

                return $habit;
            }
        }

        return null;
    }

    private static function first(?Ensemble $ensemble, User $user, ?string $what = null): ?ShelfHabitView
    {
        if ($ensemble === null) {
            return null;
        }
        $habits = new Habits($ensemble, $user);
        $habits->isUpToDate() || LearnHabits::behind($ensemble, $user);
        foreach ($habits->known(self::FEWEST_PIECES) as $habit) {
            if ($what === null || $habit->what === $what) {
                return new ShelfHabitView($ensemble->id, $ensemble->name, $habit->what, $habit->sentence, $habit->evidence);
            }
        }

        return null;
    }
}
