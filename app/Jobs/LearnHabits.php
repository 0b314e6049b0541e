<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Habits\Habits;
use App\Models\Ensemble;
use App\Models\User;
use Illuminate\Contracts\Queue\ShouldBeUnique;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use UprightPencil\Core\Strings\WrongProfile;

/** Works out how somebody marks, behind the answer to whoever looks at the shelf. */
final class LearnHabits implements ShouldBeUnique, ShouldQueue
{
    use Queueable;

    public int $timeout = 120;

    public int $tries = 1;

    /** Seconds within which it is not asked for again. */
    public int $uniqueFor = 600;

    public function __construct(private readonly int $ensemble, private readonly int $user) {}

    /** Where somebody decided so much since that it could say something else. */
    public static function behind(Ensemble $ensemble, User $user): void
    {
        self::dispatch($ensemble->id, $user->id);
    }

    public function uniqueId(): string
    {
        return "{$this->ensemble} {$this->user}";
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
