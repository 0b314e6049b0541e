<?php

declare(strict_types=1);

namespace App\Record;

use App\Marking\CachedScores;
use App\Marking\PieceImport;
use App\Marking\StandingDecisions;
use App\Models\Part;
use App\Models\User;
use UprightPencil\Core\Ensemble\Derived\Derivation;
use UprightPencil\Core\Ensemble\Derived\DerivedPart;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Kinds\Apart;
use UprightPencil\Core\Marking\Kinds\Kinds;
use UprightPencil\Core\Marking\Kinds\Know;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part as ScorePart;

/** A part of a piece made from another part of it. It knows its source, and begins with what was decided there for the bow. */
final class Deriving
{
    public static function of(Part $source, Derivation $how): DerivedPart
    {
        $score = CachedScores::of($source->music);

        return DerivedPart::of($score, $score->parts[0]->with(name: $source->name), $how);
    }

    /** @param string $key the same key again gives the part that is already there */
    public static function keep(Part $source, Derivation $how, string $name, string $key, User $by): Part
    {
        $derived = self::of($source, $how)->part;

        return Turn::take(static function () use ($source, $how, $name, $key, $derived, $by): Part {
            $there = $source->piece->parts()->where('derivation->key', $key)->first();
            if ($there !== null) {
                return $there;
            }
            $suffix = '.d'.(1 + (int) $source->piece->parts()->max('place'));
            $own = self::renamed($derived, $suffix)->with(id: 'P'.(2 + (int) $source->piece->parts()->max('place')), name: $name);
            $part = PieceImport::addPart($source->piece, CachedScores::of($source->music)->with(parts: [$own]), $how->as);
            $part->update(['derived_from' => $source->id, 'derivation' => $how->toArray() + ['key' => $key, 'suffix' => $suffix]]);
            (new PartRecord($part))->appendAll($by, self::bows($source, $own, $suffix), static fn (): ScorePart => $own);

            return $part;
        });
    }

    /** Notes of two parts of one piece have different names; what is before the suffix is the source's. */
    private static function renamed(ScorePart $part, string $suffix): ScorePart
    {
        return $part->with(measures: array_map(static fn (Measure $measure): Measure => $measure->with(items: array_map(static fn (object $item): object => $item instanceof Note ? $item->with(id: $item->id.$suffix) : $item, $measure->items)), $part->measures));
    }

    /**
     * What parts that were made from one take over of what is decided in it now: what the bow does, where they were not bowed
     * otherwise by hand. Fingers are their own.
     *
     * @param  list<Decision>  $decisions  that are about to be kept
     * @return list<array{Part, non-empty-list<Decision>}>
     */
    public static function following(Part $source, array $decisions): array
    {
        $following = [];
        $derived = Part::query()->where('derived_from', $source->id)->whereNull('put_away_at')->orderBy('id')->get();
        if ($derived->isEmpty()) {
            return [];
        }
        [$before, $after] = [self::bowed($source), self::bowed($source, $decisions)];
        foreach ($derived as $part) {
            [$own, $has, $taken] = [self::bowed($part), self::notes($part), []];
            foreach ($after + $before as $note => $_) {
                $changed = array_keys(self::unlike($before[$note] ?? [], $after[$note] ?? []));
                $there = $note.self::suffix($part);
                foreach (isset($has[$there]) ? $changed : [] as $field) {
                    $isAsBefore = ($own[$there][$field] ?? null) === ($before[$note][$field] ?? null);
                    $said = $isAsBefore ? StandingDecisions::said($there, $field, $after[$note][$field] ?? null) : null;
                    $said === null || $taken[] = $said;
                }
            }
            $taken === [] || $following[] = [$part, $taken];
        }

        return $following;
    }

    /**
     * Where a part does not bow as the one that it was made from.
     *
     * @return array{otherwise: list<string>, gone: list<string>} measures: bowed otherwise by hand; with bows of notes that it does not have
     */
    public static function misfits(Part $part): array
    {
        $source = Part::query()->find($part->derived_from);
        $misfits = ['otherwise' => [], 'gone' => []];
        if ($source === null) {
            return $misfits;
        }
        [$theirs, $own, $has, $measures] = [self::bowed($source), self::bowed($part), self::notes($part), []];
        foreach (CachedScores::of($source->music)->parts[0]->measures as $measure) {
            foreach ($measure->notes() as $note) {
                $measures[$note->id] = $measure->number;
            }
        }
        foreach ($theirs as $note => $fields) {
            $there = $note.self::suffix($part);
            if (! isset($has[$there])) {
                $misfits['gone'][] = $measures[$note] ?? '';
            } elseif (self::unlike($fields, array_intersect_key($own[$there] ?? [], $fields)) !== []) {
                $misfits['otherwise'][] = $measures[$note] ?? '';
            }
        }

        return array_map(static fn (array $some): array => array_values(array_unique($some)), $misfits);
    }

    /**
     * @param  list<Decision>  $more
     * @return array<string, array<string, mixed>> note => what counts for the bow
     */
    private static function bowed(Part $part, array $more = []): array
    {
        $decided = PartDecisions::leniently(CachedScores::of($part->music)->parts[0], [...(new PartRecord($part))->record()->decisions(), ...$more])->notes;

        return array_filter(array_map(static fn (array $fields): array => array_filter($fields, static fn (mixed $value, string $field): bool => ! Kinds::isOfTheHand($field) && $field !== Apart::FIELD && $field !== Know::FIELD, ARRAY_FILTER_USE_BOTH), $decided));
    }

    /**
     * @param  array<string, mixed>  $one
     * @param  array<string, mixed>  $other
     * @return array<string, true> fields that differ
     */
    private static function unlike(array $one, array $other): array
    {
        $unlike = [];
        foreach ($one + $other as $field => $_) {
            ($one[$field] ?? null) === ($other[$field] ?? null) || $unlike[$field] = true;
        }

        return $unlike;
    }

    private static function suffix(Part $part): string
    {
        $suffix = $part->derivation['suffix'] ?? '';

        return is_string($suffix) ? $suffix : '';
    }

    /** @return array<string, int> ids of the notes that a part has */
    private static function notes(Part $part): array
    {
        return array_flip(array_map(static fn (Note $note): string => $note->id, CachedScores::of($part->music)->parts[0]->notes()));
    }

    /** @return list<Decision> what counts in the source and is not of the hand */
    private static function bows(Part $source, ScorePart $own, string $suffix): array
    {
        $there = array_flip(array_map(static fn (Note $note): string => $note->id, $own->notes()));
        $decided = PartDecisions::leniently(CachedScores::of($source->music)->parts[0], (new PartRecord($source))->record()->decisions())->notes;
        $bows = [];
        foreach ($decided as $note => $fields) {
            foreach (isset($there[$note.$suffix]) ? $fields : [] as $field => $value) {
                $said = Kinds::keptAs($field, $value)?->isOfTheHand() === true ? null : StandingDecisions::said($note.$suffix, $field, $value);
                $said === null || $bows[] = $said;
            }
        }

        return $bows;
    }
}
