<?php

declare(strict_types=1);

namespace App\Record;

use App\Marking\CachedScores;
use App\Marking\History;
use App\Marking\PartRecipe;
use App\Models\LogEntry;
use App\Models\Part;
use App\Models\User;
use App\Views\Desk\SuggestionView;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\DecisionState;
use UprightPencil\Core\Marking\EntryKind;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\WrongDecision;

/** What colleagues who do not decide suggest: entries of the record that do not count, until a director takes them. */
final class Suggestions
{
    /** Answered ones that are still shown. */
    private const MOST = 60;

    private const WORDS = 4;

    /**
     * The entry of somebody who does not decide: what it says is suggested, and it takes back only what is their own.
     *
     * @throws AuthorizationException
     */
    public static function asSuggested(Part $part, User $user, NewEntry $entry): NewEntry
    {
        if ($entry->kind === EntryKind::Decide) {
            $suggested = static fn (Decision $decision): Decision => $decision->as(DecisionState::Suggested, []);

            return $entry->with(array_map($suggested, $entry->decisions));
        }
        $taken = $part->log()->where('request_key', $entry->takes)->where('user_id', $user->id)->first();
        foreach ($taken?->read()->decisions ?? [null] as $decision) {
            if ($decision?->state !== DecisionState::Suggested) {
                throw new AuthorizationException('You may take back what you suggested, and nothing of others.');
            }
        }

        return $entry;
    }

    /** @return list<SuggestionView> the newest first */
    public static function of(Part $part, User $user): array
    {
        $answers = DB::table('suggestion_answers')->where('part_id', $part->id)->get()->keyBy('entry_key');
        $counting = array_flip((new PartRecord($part))->record()->counting());
        $newest = $part->log()->with('user')->where('kind', EntryKind::Decide->value)->where('decisions', 'like', '%"suggested"%')
            ->reorder('seq', 'desc')->limit(self::MOST)->get();
        $entries = $newest->filter(static fn (LogEntry $entry): bool => isset($counting[$entry->request_key]));
        if ($entries->isEmpty()) {
            return [];
        }
        $score = CachedScores::of($part->music);
        $places = History::places($score->parts[0], $score->resolution);
        $style = PartRecipe::of($part)->houseStyle();

        $words = static fn (Decision $decision): string => $style->vocabulary->say(History::words($decision, $places, $style));

        return array_values($entries->map(static function (LogEntry $entry) use ($answers, $user, $words, $score): SuggestionView {
            $decisions = self::decided($entry);
            $answer = $answers[$entry->request_key] ?? null;

            return new SuggestionView(
                $entry->request_key, $entry->user->name, $entry->created_at->toIso8601String(), $entry->user_id === $user->id,
                array_map($words, array_slice($decisions, 0, self::WORDS)),
                array_key_first(PartDecisions::touched($score->parts[0], $decisions)),
                array_map(static fn (Decision $decision): array => $decision->toArray(), $decisions),
                $answer === null ? null : ($answer->taken ? 'taken' : 'left'),
                (string) ($answer->reason ?? ''),
            );
        })->all());
    }

    /** @return list<Decision> as they would be decided */
    private static function decided(LogEntry $entry): array
    {
        $isSuggested = static fn (Decision $decision): bool => $decision->state === DecisionState::Suggested;
        $suggested = array_filter($entry->read()->decisions, $isSuggested);

        return array_values(array_map(static fn (Decision $decision): Decision => $decision->as(DecisionState::Decided, []), $suggested));
    }

    /**
     * Taken ones are decided, in the name of who takes them; each is answered once, whoever asks again.
     *
     * @param  list<string>  $keys  of their entries
     *
     * @throws WrongDecision
     */
    public static function answer(Part $part, User $by, array $keys, bool $take, string $reason): void
    {
        Turn::finish(static function () use ($part, $by, $keys, $take, $reason): Finished {
            $answered = $entries = [];
            foreach ($keys as $key) {
                $entry = $part->log()->where('request_key', mb_strtolower($key))->first();
                $decisions = $entry === null ? [] : self::decided($entry);
                if ($entry === null || $decisions === []) {
                    throw new WrongDecision('Nobody suggested that.');
                }
                if (self::isAnswered($part, $entry->request_key)) {
                    continue;
                }
                $answered[] = $entry->request_key;
                $because = static fn (Decision $decision): Decision => $decision->as(DecisionState::Decided, ['reason' => $reason]);
                $said = $reason === '' ? $decisions : array_map($because, $decisions);
                $name = Uuid::uuid5($entry->request_key, 'taken')->toString();
                $taken = new NewEntry($name, EntryKind::Decide, $said, seen: NewEntry::ALL_SEEN);
                $take && $entries[] = new Entering($part, $taken);
            }
            $plan = resolve(Door::class)->plan($by, $entries);

            return new Finished(
                static fn (): bool => $plan->holds() && ! self::isAnswered($part, ...$answered),
                static function () use ($part, $by, $answered, $take, $reason, $plan): null {
                    $answer = ['part_id' => $part->id, 'user_id' => $by->id, 'taken' => $take, 'reason' => $reason, 'created_at' => now()];
                    foreach ($answered as $key) {
                        DB::table('suggestion_answers')->insert(['entry_key' => $key] + $answer);
                    }
                    $plan->write();

                    return null;
                },
            );
        });
    }

    private static function isAnswered(Part $part, string ...$keys): bool
    {
        return DB::table('suggestion_answers')->where('part_id', $part->id)->whereIn('entry_key', $keys)->exists();
    }
}
