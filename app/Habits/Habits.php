<?php

declare(strict_types=1);

namespace App\Habits;

use App\Marking\Cached;
use App\Marking\CoreCode;
use App\Models\Ensemble;
use App\Models\ProfileVersion;
use App\Models\Role;
use App\Models\User;
use App\Views\Skills\HabitPlaceView;
use App\Views\Skills\HabitsView;
use App\Views\Skills\HabitView;
use App\Views\Skills\TakenHabitView;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Strings\WrongProfile;
use UprightPencil\Core\Teaching\Learning\Change;
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

    /** Days that “not now” holds. */
    private const NOT_NOW_DAYS = 7;

    public function __construct(private Ensemble $ensemble, private User $user) {}

    /** @return Collection<int, Ensemble> those whose profile somebody may change */
    public static function directed(User $user): Collection
    {
        return Ensemble::query()->whereNull('put_away_at')->whereIn('id', $user->memberships()->where('role', Role::Director->value)->select('ensemble_id'))->orderBy('id')->get()->filter(static fn (Ensemble $one): bool => $user->can('direct', $one))->values();
    }

    /** @throws WrongProfile */
    public function view(): HabitsView
    {
        [$learned, $parts] = $this->kept() ?? $this->learned();

        return new HabitsView($learned->decisions ?? 0, $learned->before ?? 0, $learned->after ?? 0, $this->told($learned, $parts), $this->taken(), self::directed($this->user)->count() - 1);
    }

    /**
     * What was worked out last, even if something was decided since: nothing is worked out for it.
     *
     * @param  int  $fewest  pieces that it has to come from
     * @return list<HabitView>
     */
    public function known(int $fewest): array
    {
        [$learned, $parts, $pieces] = $this->kept($this->latest()) ?? [null, [], 0];

        return $this->told($pieces < $fewest ? null : $learned, $parts);
    }

    /** Whether nothing was decided or set otherwise since it was worked out. */
    public function isUpToDate(): bool
    {
        return $this->kept() !== null;
    }

    /** Where what was worked out last is kept, whatever was decided since. */
    private function latest(): string
    {
        return "habits:{$this->ensemble->id}:{$this->user->id}:latest";
    }

    /** @return array{Learned|null, list<int>, int}|null what was learned, the parts that it was learned from, and of how many pieces they are */
    private function kept(?string $slot = null): ?array
    {
        $kept = Cached::get($slot ?? $this->slot());

        return is_array($kept) && is_array($kept[1] ?? null) && is_int($kept[2] ?? null) ? [$kept[0] instanceof Learned ? $kept[0] : null, array_values($kept[1]), $kept[2]] : null;
    }

    /** All that it is worked out from. */
    private function slot(): string
    {
        $newest = DB::table('log_entries')->where('user_id', $this->user->id)->max('id');
        $set = [$this->ensemble->settings(), $this->ensemble->sections()->pluck('profile'), $this->ensemble->pieces()->get(['bowing', 'own_bowing', 'level'])->toArray(), DB::table('parts')->where('print_is_of', $this->user->id)->pluck('id')];

        return "habits:{$this->ensemble->id}:{$this->user->id}:{$newest}:".hash('sha256', (string) json_encode($set)).':'.CoreCode::of('Teaching', 'Fingering', 'Bowing', 'Marking', 'Strings');
    }

    /**
     * Worked out once for what is decided and how the class is set; it takes some seconds.
     *
     * @return array{Learned|null, list<int>, int}
     */
    private function learned(): array
    {
        $slot = $this->slot();
        $taught = Evidence::of($this->ensemble, $this->user);
        $pieces = count(array_unique(array_map(static fn (TaughtPart $part): string => $part->title, $taught)));
        $learned = [$pieces < self::FEWEST_PIECES ? null : Learning::of(array_values($taught), $this->ensemble->settings()), array_keys($taught), $pieces];
        Cache::put($slot, $learned, now()->addWeek());
        Cache::put($this->latest(), $learned, now()->addWeek());

        return $learned;
    }

    /**
     * @param  list<int>  $parts  ids, in the order in which they were learned from
     * @return list<HabitView>
     */
    private function told(?Learned $learned, array $parts): array
    {
        $understood = $learned->understood ?? [];
        $answered = $understood === [] ? [] : $this->answered();
        $place = static fn (Observation $one): HabitPlaceView => new HabitPlaceView($parts[$one->part], $one->title, $one->measure, $one->beat, $one->note, $one->chosen, $one->proposed);
        $habits = [];
        foreach ($understood as $one) {
            $change = $one->change;
            isset($answered[$change->name()]) || Change::valueIn($this->ensemble->settings(), $change->what) === $change->to || $habits[] = new HabitView($change->name(), $change->sentence, $one->evidence(), array_map($place, $one->verdict->better), array_map($place, $one->verdict->worse), (object) $change->on($this->ensemble->settings()));
        }

        return $habits;
    }

    /** @return array<string, int> what is not told: never again, here or anywhere, or not now */
    private function answered(): array
    {
        return array_flip(DB::table('habit_answers')->where('user_id', $this->user->id)
            ->where(fn ($here) => $here->where('ensemble_id', $this->ensemble->id)->orWhereNull('ensemble_id'))
            ->where(static fn ($answers) => $answers->where('answer', 'never')->orWhere(static fn ($later) => $later->where('answer', 'later')->where('created_at', '>', now()->subDays(self::NOT_NOW_DAYS))))
            ->pluck('what')->all());
    }

    /** @return list<TakenHabitView> */
    private function taken(): array
    {
        $taken = [];
        foreach ($this->ensemble->profileVersions()->whereNull('section_id')->whereNotNull('habit')->orderByDesc('id')->get() as $version) {
            $what = (string) $version->habit;
            $now = Change::valueIn($this->ensemble->settings(), $what);
            $now !== null && $now == Change::valueIn($version->settings, $what) && $taken[$what] ??= new TakenHabitView($what, (string) $version->note, $version->created_at->toIso8601String());
        }

        return array_values($taken);
    }

    /**
     * @param  string  $what  as the view names it
     * @param  string  $answer  taken, later, never, or back for one that was taken
     * @param  bool  $everywhere  in all ensembles that they direct
     *
     * @throws WrongDecision when it is not (or no more) what the decisions say
     */
    public function answer(string $what, string $answer, bool $everywhere): void
    {
        if ($answer === 'back') {
            $this->takeBack($what);

            return;
        }
        $change = $this->change($what);
        DB::transaction(function () use ($change, $what, $answer, $everywhere): void {
            foreach ($answer === 'taken' ? ($everywhere ? self::directed($this->user) : [$this->ensemble]) : [] as $ensemble) {
                $ensemble->keepProfile($this->user, $change->on($ensemble->settings()), habit: $change->what, note: $change->sentence);
            }
            DB::table('habit_answers')->insert(['ensemble_id' => $everywhere ? null : $this->ensemble->id, 'user_id' => $this->user->id, 'what' => $what, 'answer' => $answer, 'created_at' => now()]);
        });
    }

    private function change(string $what): Change
    {
        [$learned] = $this->kept() ?? $this->learned();
        $answered = $this->answered();
        $found = array_values(array_filter($learned->understood ?? [], static fn (Understood $one): bool => $one->change->name() === $what && ! isset($answered[$what])));

        return ($found[0] ?? throw new WrongDecision('Your decisions do not say this any more.'))->change;
    }

    /** As it was before it was taken; all else stays as it is now. */
    private function takeBack(string $what): void
    {
        $versions = $this->ensemble->profileVersions()->whereNull('section_id');
        $version = (clone $versions)->where('habit', $what)->orderByDesc('id')->first() ?? throw new WrongDecision('This was not taken, or is taken back already.');
        $before = (clone $versions)->where('id', '<', $version->id)->orderByDesc('id')->first();
        $settings = Change::put($this->ensemble->settings(), $what, Change::valueIn($before instanceof ProfileVersion ? $before->settings : [], $what));
        $this->ensemble->keepProfile($this->user, $settings, note: 'Taken back: '.lcfirst((string) $version->note));
    }
}
