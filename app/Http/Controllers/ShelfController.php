<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Ability;
use App\Access\Access;
use App\Habits\HabitOfTheDay;
use App\Marking\NextStep;
use App\Marking\PartDesk;
use App\Models\Ensemble;
use App\Models\LogEntry;
use App\Models\Manuscript;
use App\Models\Occasion;
use App\Models\Part;
use App\Models\Piece;
use App\Models\Role;
use App\Models\School;
use App\Models\User;
use App\Record\PartRecord;
use App\Rehearsing\SchoolDays;
use App\Views\Piece\OccasionView;
use App\Views\Shelf\DraftView;
use App\Views\Shelf\SchoolView;
use App\Views\Shelf\ShelfEnsembleView;
use App\Views\Shelf\ShelfPartView;
use App\Views\Shelf\ShelfPieceView;
use App\Views\Shelf\ShelfView;
use App\Views\Shelf\WorkedView;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\JsonResponse;
use UprightPencil\Core\Strings\WrongProfile;

final class ShelfController extends Controller
{
    /** Parts that are worked out again for one look at the shelf; the rest are the next time. */
    private const STOOD_AGAIN = 12;

    public function __construct(private readonly Access $access) {}

    public function show(#[CurrentUser] User $user): JsonResponse
    {
        $ensembles = $this->all($user);
        // What was decided since a part was last looked over changes what is left in it.
        if ($this->standAgain($ensembles) > 0) {
            $ensembles = $this->all($user);
        }
        $schools = $user->schools()->orderBy('name')->get(['schools.id', 'name'])->map(static fn (School $school): SchoolView => new SchoolView($school->id, $school->name, (bool) $school->getRelation('pivot')->getAttribute('administrator')));

        return new JsonResponse(new ShelfView(array_values($ensembles->map(fn (Ensemble $ensemble): ShelfEnsembleView => $this->ensemble($user, $ensemble))->all()), array_values($schools->all()), self::drafts($user), self::last($user), HabitOfTheDay::of($user)));
    }

    /** @param Collection<int, Ensemble> $ensembles */
    private function standAgain(Collection $ensembles): int
    {
        $parts = $ensembles->flatMap(static fn (Ensemble $ensemble): Collection => $ensemble->pieces)->flatMap(static fn (Piece $piece): Collection => $piece->partsInUse);
        $stale = $parts->filter(static fn (Part $part): bool => $part->getAttribute('findings') !== null && (int) $part->getAttribute('newest_seq') > (int) $part->getAttribute('seq'))->pluck('id')->take(self::STOOD_AGAIN);
        foreach (Part::query()->with('piece.ensemble')->findMany($stale) as $part) {
            (new PartDesk($part))->stand();
        }

        return $stale->count();
    }

    /** @return Collection<int, Ensemble> with their pieces and parts */
    private function all(User $user): Collection
    {
        return $this->access->ensembles($user)->orderBy('id')->with(['school', 'occasions' => static fn ($occasions) => $occasions->where('on', '>=', self::earliestToday()), 'pieces' => static fn ($pieces) => $pieces
            ->select(['id', 'ensemble_id', 'title', 'composer', 'kind', 'rights', 'bowing', 'own_bowing', 'put_away_at', 'occasion_id'])->orderBy('place')->orderBy('id')
            ->with(['occasion', 'partsInUse' => static fn ($parts) => $parts->select(['parts.id', 'piece_id', 'place', 'name', 'instrument', 'measures'])->tap(static fn ($parts) => NextStep::with($parts->toBase()))->selectSub(PartRecord::counted(), 'log_count')->withCount(['links as open_links_count' => static fn ($links) => $links->whereNull('closed_at')->where('expires_at', '>', now())])]),
        ])->get()->each(self::withoutPast(...));
    }

    /** Somewhere it is still yesterday. */
    private static function earliestToday(): string
    {
        return now()->subDay()->toDateString();
    }

    private static function withoutPast(Ensemble $ensemble): void
    {
        $today = SchoolDays::of($ensemble->school)->today();
        $ensemble->setRelation('occasions', $ensemble->occasions->filter(static fn (Occasion $one): bool => $one->on->toDateString() >= $today)->values());
    }

    /** Where somebody decided something last, if it is still theirs to see. */
    private static function last(User $user): ?WorkedView
    {
        $entry = LogEntry::query()->where('user_id', $user->id)->orderByDesc('id')->with('part.piece')->first();
        if ($entry === null || $entry->part->put_away_at !== null || $entry->part->piece->put_away_at !== null || ! $user->can('view', $entry->part)) {
            return null;
        }
        $note = $entry->read()->decisions[0]->note ?? null;

        return new WorkedView($entry->part_id, $entry->part->piece->title, $entry->part->name, $note, $entry->created_at->toIso8601String());
    }

    /** @return list<DraftView> */
    private static function drafts(User $user): array
    {
        $drafts = Manuscript::query()->where('user_id', $user->id)->whereNull('became')->whereIn('ensemble_id', $user->memberships()->where('role', Role::Director->value)->select('ensemble_id'))
            ->orderByDesc('updated_at')->orderByDesc('id')->with(['part:id,name,piece_id', 'part.piece:id,title', 'piece:id,title'])->get(['id', 'key', 'title', 'measures', 'part_id', 'piece_id', 'updated_at']);

        return array_values($drafts->map(static fn (Manuscript $one): DraftView => new DraftView($one->key, $one->title, $one->measures, $one->part === null ? $one->piece?->title : "{$one->part->piece->title}, {$one->part->name}", $one->updated_at->toIso8601String()))->all());
    }

    /** A class profile that cannot be used spoils one ensemble, not the shelf. */
    private function ensemble(User $user, Ensemble $ensemble): ShelfEnsembleView
    {
        $membership = $this->access->membership($user, $ensemble->id) ?? throw new \LogicException('Only their own ensembles are listed.');
        $named = $membership->role === Role::Coach ? array_values($membership->parts->map(static fn (Part $part): int => $part->id)->all()) : null;
        $level = $fault = null;
        try {
            $level = $ensemble->classProfile()->level;
        } catch (WrongProfile $wrong) {
            $fault = "The class profile cannot be used. {$wrong->getMessage()}";
        }

        return new ShelfEnsembleView(
            $ensemble->id,
            $ensemble->name,
            $ensemble->school->name,
            $ensemble->year,
            $ensemble->put_away_at !== null,
            $membership->role,
            Access::allows($membership->role, $membership->decides, Ability::Direct),
            $level,
            $fault,
            array_values($ensemble->occasions->map(fn (Occasion $one): OccasionView => OccasionView::of($one, left: $named === null ? NextStep::left(self::partsFor($ensemble, $one)) : []))->all()),
            array_values($ensemble->pieces->map(static fn (Piece $piece): ShelfPieceView => self::piece($piece, $named))->filter(static fn (ShelfPieceView $piece): bool => $piece->parts !== [])->all()),
        );
    }

    /** @return Collection<int, Part> of the pieces that are played there: those for the concert or, before there are any, all works */
    private static function partsFor(Ensemble $ensemble, Occasion $occasion): Collection
    {
        $concert = $occasion->kind === Occasion::CONCERT ? $occasion : $ensemble->occasions->where('kind', Occasion::CONCERT)->where('on', '>=', $occasion->on)->sortBy('on')->first();
        $pieces = $ensemble->pieces->whereNull('put_away_at');
        $own = $pieces->where('occasion_id', $concert->id ?? 0);

        return new Collection(($own->isEmpty() && $occasion->kind === Occasion::REHEARSAL ? $pieces->where('kind', Piece::WORK) : $own)->flatMap(static fn (Piece $piece): Collection => $piece->partsInUse)->all());
    }

    /** @param list<int>|null $named the parts that a coach may see; null: all */
    private static function piece(Piece $piece, ?array $named): ShelfPieceView
    {
        $parts = $named === null ? $piece->partsInUse : $piece->partsInUse->whereIn('id', $named);

        return new ShelfPieceView($piece->id, $piece->title, $piece->composer, $piece->kind, $piece->rights, $piece->ownBowing(), $piece->put_away_at !== null, $piece->occasion?->name, NextStep::of($parts), array_values($parts->map(static fn (Part $part): ShelfPartView => new ShelfPartView(
            $part->id,
            $part->name,
            $part->instrument,
            $part->measures,
            (int) $part->getAttribute('log_count'),
            (int) $part->getAttribute('open_links_count'),
            $part->getAttribute('handout') === null ? null : (int) $part->getAttribute('handout'),
            $part->getAttribute('handout') === null ? 0 : (int) $part->getAttribute('since_handout'),
            $part->getAttribute('findings') === null ? null : (int) $part->getAttribute('findings'),
            (int) $part->getAttribute('to_settle'),
            (int) $part->getAttribute('proposed'),
        ))->all()));
    }
}
