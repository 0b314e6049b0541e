<?php

declare(strict_types=1);

namespace App\Habits;

use App\Marking\CoreCode;
use App\Marking\Kept;
use App\Models\Ensemble;
use App\Models\User;
use App\Views\HabitPlaceView;
use App\Views\HabitsView;
use App\Views\HabitView;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use UprightPencil\Core\Strings\BowingSchool;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\WrongProfile;
use UprightPencil\Core\Teaching\Learning\Learned;
use UprightPencil\Core\Teaching\Learning\Learning;
use UprightPencil\Core\Teaching\Learning\Observation;
use UprightPencil\Core\Teaching\Learning\TaughtPart;
use UprightPencil\Core\Teaching\Learning\Understood;

/** How somebody marks in an ensemble, as far as their decisions tell; nothing changes until they say so. */
final readonly class Habits
{
    /** Pieces that have to have been marked before anything is said. */
    private const FEWEST_PIECES = 2;

    public function __construct(private Ensemble $ensemble, private User $user) {}

    /** @throws WrongProfile */
    public function view(): HabitsView
    {
        [$learned, $parts] = $this->learned();

        return new HabitsView($learned->decisions ?? 0, $learned->before ?? 0, $learned->after ?? 0, $learned === null ? [] : $this->told($learned, $parts));
    }

    /**
     * Worked out once for what is decided and how the class is set; it takes some seconds.
     *
     * @return array{Learned|null, list<int>} and the parts that it was learned from
     */
    private function learned(): array
    {
        $newest = DB::table('log_entries')->where('user_id', $this->user->id)->max('id');
        $slot = "habits:{$this->ensemble->id}:{$this->user->id}:{$newest}:".hash('sha256', (string) json_encode($this->ensemble->settings())).':'.CoreCode::of('Teaching', 'Fingering', 'Bowing', 'Marking');
        $kept = Kept::get($slot);
        if (is_array($kept) && is_array($kept[1] ?? null)) {
            return [$kept[0] instanceof Learned ? $kept[0] : null, array_values($kept[1])];
        }
        $taught = Evidence::of($this->ensemble, $this->user);
        $pieces = count(array_unique(array_map(static fn (TaughtPart $part): string => $part->title, $taught)));
        $school = $this->ensemble->pieces()->orderByDesc('id')->value('bowing');
        $learned = $pieces < self::FEWEST_PIECES ? null : Learning::of(array_values($taught), $this->ensemble->settings(), (is_string($school) ? BowingSchool::tryFrom($school) : null) ?? BowingSchool::StrongBeat);
        Cache::put($slot, [$learned, array_keys($taught)], now()->addWeek());

        return [$learned, array_keys($taught)];
    }

    /**
     * @param  list<int>  $parts  ids, in the order in which they were learned from
     * @return list<HabitView>
     */
    private function told(Learned $learned, array $parts): array
    {
        $answered = array_flip(DB::table('habit_answers')->where(['ensemble_id' => $this->ensemble->id, 'user_id' => $this->user->id, 'answer' => 'never'])->pluck('what')->all());
        $known = array_filter($learned->understood, static fn (Understood $one): bool => ! isset($answered["{$one->what}={$one->to}"]));
        $place = static fn (Observation $one): HabitPlaceView => new HabitPlaceView($parts[$one->part], $one->title, $one->measure, $one->note, $one->chosen, $one->proposed);

        return array_values(array_map(fn (Understood $one): HabitView => new HabitView("{$one->what}={$one->to}", $one->sentence, $one->evidence(), array_map($place, $one->verdict->better), array_map($place, $one->verdict->worse), $this->settings($one)), $known));
    }

    /** What the profile would be with it; null where it is no part of a profile: the school of bowing is each piece's own. */
    private function settings(Understood $one): ?object
    {
        $settings = $this->ensemble->settings();
        if ($one->what === 'school') {
            return null;
        }
        if (str_starts_with($one->what, 'weights.')) {
            $settings['weights'] = [substr($one->what, 8) => (float) $one->to] + (array) ($settings['weights'] ?? []);
        } else {
            $settings[$one->what] = $one->to;
        }
        ClassProfile::fromArray($settings);

        return (object) $settings;
    }

    /**
     * @param  string  $what  as the view names it
     * @param  string  $answer  taken, never
     *
     * @throws WrongDecision when it is not (or no more) what the decisions say
     */
    public function answer(string $what, string $answer): void
    {
        $habit = array_values(array_filter($this->view()->habits, static fn (HabitView $one): bool => $one->what === $what))[0] ?? throw new WrongDecision('Your decisions do not say this any more.');
        DB::transaction(function () use ($habit, $what, $answer): void {
            $answer === 'taken' && $habit->settings !== null && $this->ensemble->keepProfile($this->user, (array) $habit->settings);
            DB::table('habit_answers')->insert(['ensemble_id' => $this->ensemble->id, 'user_id' => $this->user->id, 'what' => $what, 'answer' => $answer, 'created_at' => now()]);
        });
    }
}
