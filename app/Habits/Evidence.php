<?php

declare(strict_types=1);

namespace App\Habits;

use App\Marking\CachedScores;
use App\Marking\PartRecipe;
use App\Models\Ensemble;
use App\Models\LogEntry;
use App\Models\Part;
use App\Models\User;
use App\Record\PartRecord;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\DecisionState;
use UprightPencil\Core\Marking\EntryKind;
use UprightPencil\Core\Teaching\Learning\TaughtPart;

/**
 * What somebody decided in an ensemble, as evidence of how they mark: their own entries that count, a figure that was decided in
 * several places only once, and of what was taken in one sweep only a little; and the print, where they said that its marks are theirs.
 * What is prescribed, what was decided for this once and what is not decided is no evidence; what a colleague decided is the colleague's.
 */
final class Evidence
{
    /** Parts that are looked at, those that were decided in last. */
    private const MOST_PARTS = 12;

    /** An entry with so many decisions is a sweep: whoever takes a page did not weigh every note. */
    private const A_SWEEP = 8;

    /** Of a sweep so many are looked at. */
    private const OF_A_SWEEP = 3;

    /** @var array<string, true> figures that were met */
    private array $figures = [];

    private function __construct(private readonly User $user) {}

    /** @return array<int, TaughtPart> part => what was decided in it */
    public static function of(Ensemble $ensemble, User $user): array
    {
        $evidence = new self($user);
        $taught = [];
        foreach (self::parts($ensemble, $user) as $part) {
            $decisions = $evidence->in($part);
            $print = $part->print_is_of === $user->id;
            if ($decisions !== [] || $print) {
                $score = CachedScores::of($part->music);
                $one = new TaughtPart($score, $score->parts[0], $decisions, $part->piece->title, PartRecipe::of($part)->own(), $part->instrument);
                $taught[$part->id] = $print ? $one->withItsPrint() : $one;
            }
        }

        return $taught;
    }

    /** @return Collection<int, Part> */
    private static function parts(Ensemble $ensemble, User $user): Collection
    {
        $last = DB::table('log_entries')->where('user_id', $user->id)->groupBy('part_id')->selectRaw('part_id, max(id) as newest');

        return $ensemble->partsInUse()->with('piece.ensemble')->leftJoinSub($last, 'last', 'last.part_id', '=', 'parts.id')
            ->where(static fn ($parts) => $parts->whereNotNull('last.newest')->orWhere('parts.print_is_of', $user->id))
            ->orderByDesc('last.newest')->select('parts.*')->limit(self::MOST_PARTS)->get();
    }

    /** @return list<Decision> */
    private function in(Part $part): array
    {
        $counting = array_flip((new PartRecord($part))->record()->counting());
        $prescribed = json_decode((string) DB::table('prescriptions')->where('piece_id', $part->piece_id)->whereNull('lifted_at')->value('seqs'), true)[$part->id] ?? 0;
        $decisions = [];
        foreach ($part->log()->where('user_id', $this->user->id)->where('kind', EntryKind::Decide->value)->where('seq', '>', (int) $prescribed)->get() as $entry) {
            if (isset($counting[$entry->request_key]) && ! isset($this->figures[(string) $entry->group_key])) {
                $entry->group_key === null || $this->figures[$entry->group_key] = true;
                array_push($decisions, ...self::weighed($entry));
            }
        }

        return $decisions;
    }

    /** @return list<Decision> */
    private static function weighed(LogEntry $entry): array
    {
        $decided = array_values(array_filter($entry->read()->decisions, static fn (Decision $one): bool => $one->state === DecisionState::Decided && $one->note !== null && $one->players === null));

        return count($decided) >= self::A_SWEEP ? array_slice($decided, 0, self::OF_A_SWEEP) : $decided;
    }
}
