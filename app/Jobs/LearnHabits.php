<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Habits\Habits;
use App\Models\Ensemble;
use App\Models\User;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Cache;
use UprightPencil\Core\Strings\WrongProfile;

/** Works out how somebody marks, behind the answer to whoever looks at the shelf. */
final class LearnHabits implements ShouldQueue
{
    use Queueable;

    public int $timeout = 120;

    public int $tries = 1;

    public function __construct(private readonly int $ensemble, private readonly int $user) {}

    /** Not again within the hour, however often somebody looks at the shelf between two decisions. */
    public static function behind(Ensemble $ensemble, User $user): void
    {
        Cache::add("habits:{$ensemble->id}:{$user->id}:asked", true, now()->addHour()) && self::dispatch($ensemble->id, $user->id);
    }

    public function handle(): void
    {
        $ensemble = Ensemble::query()->find($this->ensemble);
        $user = User::query()->find($this->user);
        if ($ensemble === null || $user === null) {
            return;
        }
        try {
            (new Habits($ensemble, $user))->view();
        } catch (WrongProfile) {
            // The class screen says so.
        }
    }
}
