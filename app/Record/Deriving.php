<?php

declare(strict_types=1);

namespace App\Record;

use App\Marking\CachedScores;
use App\Marking\PreparedPart;
use App\Marking\StandingDecisions;
use App\Models\Part;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
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

        return Turn::finish(static function () use ($source, $how, $name, $key, $derived, $by): Finished {
            $there = $source->piece->parts()->where('derivation->key', $key)->first();
            if ($there !== null) {
                return Finished::anyhow(static fn (): Part => $there);
            }
            $places = (int) $source->piece->parts()->max('place');
            [$newest] = (new PartRecord($source))->newest();
            $suffix = '.d'.(1 + $places);
            $own = self::renamed($derived, $suffix)->with(id: 'P'.(2 + $places), name: $name);
            $made = PreparedPart::of($source->piece, CachedScores::of($source->music)->with(parts: [$own]), $own, $how->as);
            $bows = self::bows($source, $own, $suffix);

            return new Finished(
                static fn (): bool => (int) $source->piece->parts()->max('place') === $places
                    && (new PartRecord($source))->newest()[0] === $newest,
                static function () use ($source, $how, $key, $suffix, $made, $places, $bows, $by): Part {
                    $part = $made->put($source->piece, 1 + $places);
                    $part->update(['derived_from' => $source->id, 'derivation' => $how->toArray() + ['key' => $key, 'suffix' => $suffix]]);
                    Door::begin($by, $part, $bows);

                    return $part;
                },
            );
        });
    }

    /** Notes of two parts of one piece have different names; what is before the suffix is the source's. */
    private static function renamed(ScorePart $part, string $suffix): ScorePart
    {
        $named = static fn (object $item): object => $item instanceof Note ? $item->with(id: $item->id.$suffix) : $item;
        $all = static fn (Measure $measure): Measure => $measure->with(items: array_map($named, $measure->items));

        return $part->with(measures: array_map($all, $part->measures));
    }

    /** @return Builder<Part> the parts in use that were made from one */
    public static function from(Part $source): Builder
    {
        return Part::query()->where('derived_from', $source->id)->whereNull('put_away_at')->orderBy('id');
    }

    /**
     * What parts that were made from one take over of what is decided in it now: what the bow does, where they were not bowed
     * otherwise by hand. Fingers are their own.
     *
     * @param  list<Decision>  $decisions  that are about to be kept
     * @param  list<Part>  $derived  parts that were made from it
     * @return list<array{Part, non-empty-list<Decision>}>
     */
    public static function following(Part $source, array $decisions, array $derived): array
    {
        $following = [];
        if ($derived === []) {
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
     * @return array{otherwise: list<string>, gone: list<string>} measures: bowed otherwise, and with bows of notes that are not there
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
        $decided = PartDecisions::leniently(NoteNames::of($part), [...(new PartRecord($part))->record()->decisions(), ...$more])->notes;

        $isOfTheBow = static fn (string $field): bool => ! Kinds::isOfTheHand($field) && $field !== Apart::FIELD && $field !== Know::FIELD;

        $bow = static fn (array $fields): array => array_filter($fields, $isOfTheBow, ARRAY_FILTER_USE_KEY);

        return array_filter(array_map($bow, $decided));
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
        $decided = PartDecisions::leniently(NoteNames::of($source), (new PartRecord($source))->record()->decisions())->notes;
        $bows = [];
        foreach ($decided as $note => $fields) {
            foreach (isset($there[$note.$suffix]) ? $fields : [] as $field => $value) {
                $isOfTheHand = Kinds::keptAs($field, $value)?->isOfTheHand() === true;
                $said = $isOfTheHand ? null : StandingDecisions::said($note.$suffix, $field, $value);
                $said === null || $bows[] = $said;
            }
        }

        return $bows;
    }
}
