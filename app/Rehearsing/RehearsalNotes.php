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
use App\Record\NewEntry;
use App\Record\PartRecord;
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
        Turn::take(static function () use ($note, $became, $by): void {
            $note = $note->fresh() ?? $note;
            if ($note->became === $became) {
                return;
            }
            if ($became === RehearsalNote::REMINDER) {
                self::remind($note, $by);
            }
            $note->update(['became' => $became, 'became_by' => $by->id]);
            self::practise($note, $by);
        });
    }

    /** A place to practise comes with exercises, where the words tell what helps; what is none any more takes them back. */
    private static function practise(RehearsalNote $note, User $by): void
    {
        $kinds = ForMistake::kinds($note->what);
        foreach (self::parts($note) as $part) {
            $key = Uuid::uuid5($note->key, "practice {$part->id}")->toString();
            if ($note->became !== RehearsalNote::STEP) {
                $part->practiceSheets()->where('key', $key)->delete();
            } elseif ($by->can('decide', $part)) {
                $made = PracticeSheets::thatCanBeMade(new PartDesk($part), $note->from, $note->to, $kinds);
                $made === [] || PracticeSheets::keep($part, $by, $key, $note->from, $note->to, $made, null);
            }
        }
    }

    private static function remind(RehearsalNote $note, User $by): void
    {
        if (trim($note->what) === '') {
            throw new WrongDecision('Say what it is about first; then it can be written into the parts.');
        }
        $words = $note->how_many === RehearsalNote::WANTED ? "{$note->what}, all the same here" : $note->what;
        $entries = [];
        foreach (self::parts($note) as $part) {
            $first = self::firstNote($part, $note->from);
            $key = Uuid::uuid5($note->key, (string) $part->id)->toString();
            $first === null || ! $by->can('decide', $part) || $entries[] = (new PartDesk($part))->forGroup((new NewEntry($key, EntryKind::Decide, [Decision::onNote($first, ['text' => $words])], seen: NewEntry::ALL_SEEN))->in($note->key));
        }
        $entries === [] ? throw new WrongDecision("Nobody plays in measure {$note->from}: there is no note to write it at.") : PartRecord::appendGroup($by, $entries);
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
