<?php

declare(strict_types=1);

namespace App\Rehearsing;

use App\Lessons\PracticeSheets;
use App\Marking\CachedScores;
use App\Marking\PartDesk;
use App\Models\Part;
use App\Models\Piece;
use App\Models\RehearsalNote;
use App\Models\User;
use App\Record\Door;
use App\Record\Entering;
use App\Record\Finished;
use App\Record\NewEntry;
use App\Record\Turn;
use Ramsey\Uuid\Uuid;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\EntryKind;
use UprightPencil\Core\Marking\WrongDecision;
use UprightPencil\Core\Teaching\Practice\ForMistake;

/** Notes of rehearsals: kept once, however often they are sent, and made something of afterwards. */
final class RehearsalNotes
{
    /**
     * @param  array{key: string, from: string, to: string, parts: list<int>, what: string, how_many: string|null, noted_at: \DateTimeInterface}  $note
     */
    public static function keep(Piece $piece, User $by, array $note): RehearsalNote
    {
        return Turn::take(static function () use ($piece, $by, $note): RehearsalNote {
            $there = RehearsalNote::query()->where('key', $note['key'])->first();
            if ($there === null) {
                return RehearsalNote::query()->forceCreate(['piece_id' => $piece->id, 'user_id' => $by->id] + $note);
            }
            abort_if($there->piece_id !== $piece->id, 404);

            return $there;
        });
    }

    /**
     * A reminder is written into the parts, as one decision in all of them or in none; a place to practise gets exercises; the rest is only said.
     *
     * @throws WrongDecision where there is no note to write it at
     */
    public static function make(RehearsalNote $note, string $became, User $by): void
    {
        Turn::finish(static function () use ($note, $became, $by): Finished {
            $note = $note->fresh() ?? $note;
            if ($note->became === $became) {
                return Finished::anyhow(static fn (): null => null);
            }
            $was = $note->became;
            $plan = $became === RehearsalNote::REMINDER ? resolve(Door::class)->plan($by, self::reminders($note, $by)) : null;
            $practise = $became === RehearsalNote::STEP ? self::exercises($note, $by) : null;

            return new Finished(
                static fn (): bool => RehearsalNote::query()->whereKey($note->id)->value('became') === $was && $plan?->holds() !== false,
                static function () use ($note, $became, $by, $plan, $practise): null {
                    $plan?->write();
                    $note->update(['became' => $became, 'became_by' => $by->id]);
                    $practise === null ? self::dropExercises($note) : $practise();

                    return null;
                },
            );
        });
    }

    /**
     * A place to practise comes with exercises, where the words tell what helps.
     *
     * @return \Closure(): void  writes them
     */
    private static function exercises(RehearsalNote $note, User $by): \Closure
    {
        $kinds = ForMistake::kinds($note->what);
        $made = [];
        foreach (self::parts($note) as $part) {
            $can = $by->can('decide', $part) ? PracticeSheets::thatCanBeMade(new PartDesk($part), $note->from, $note->to, $kinds) : [];
            $can === [] || $made[] = [$part, $can];
        }

        return static function () use ($note, $by, $made): void {
            foreach ($made as [$part, $kinds]) {
                PracticeSheets::keep($part, $by, self::exerciseKey($note, $part), $note->from, $note->to, $kinds, null);
            }
        };
    }

    /** What is no place to practise any more has no exercises. */
    private static function dropExercises(RehearsalNote $note): void
    {
        foreach (self::parts($note) as $part) {
            $part->practiceSheets()->where('key', self::exerciseKey($note, $part))->delete();
        }
    }

    private static function exerciseKey(RehearsalNote $note, Part $part): string
    {
        return Uuid::uuid5($note->key, "practice {$part->id}")->toString();
    }

    /**
     * @return non-empty-list<Entering>
     *
     * @throws WrongDecision
     */
    private static function reminders(RehearsalNote $note, User $by): array
    {
        if (trim($note->what) === '') {
            throw new WrongDecision('Say what it is about first; then it can be written into the parts.');
        }
        $words = $note->how_many === RehearsalNote::WANTED ? "{$note->what}, all the same here" : $note->what;
        $entries = [];
        foreach (self::parts($note) as $part) {
            $first = $by->can('decide', $part) ? self::firstNote($part, $note->from) : null;
            if ($first !== null) {
                $key = Uuid::uuid5($note->key, (string) $part->id)->toString();
                $entry = new NewEntry($key, EntryKind::Decide, [Decision::onNote($first, ['text' => $words])], seen: NewEntry::ALL_SEEN, group: $note->key);
                $entries[] = new Entering($part, $entry);
            }
        }

        return $entries === [] ? throw new WrongDecision("Nobody plays in measure {$note->from}: there is no note to write it at.") : $entries;
    }

    /** @return list<Part> */
    private static function parts(RehearsalNote $note): array
    {
        $parts = $note->piece->partsInUse()->with('piece.ensemble')->get();

        return array_values(($note->parts === [] ? $parts : $parts->whereIn('id', $note->parts))->all());
    }

    private static function firstNote(Part $part, string $measure): ?string
    {
        foreach (CachedScores::of($part->music)->parts[0]->measures as $one) {
            foreach ($one->number === $measure ? $one->notes() : [] as $note) {
                if ($note->sounds()) {
                    return $note->id;
                }
            }
        }

        return null;
    }
}
