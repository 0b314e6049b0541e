<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use App\Models\User;
use UprightPencil\Core\Ensemble\Derived\Derivation;
use UprightPencil\Core\Ensemble\Derived\DerivedPart;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Kinds\Kinds;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part as ScorePart;

/** A part of a piece made from another part of it. It knows its source, and begins with what was decided there for the bow. */
final class Deriving
{
    public static function of(Part $source, Derivation $how): DerivedPart
    {
        $score = KeptScores::of($source->music);

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
            $part = PieceImport::addPart($source->piece, KeptScores::of($source->music)->with(parts: [$own]), $how->as);
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

    /** @return list<Decision> what counts in the source and is not of the hand */
    private static function bows(Part $source, ScorePart $own, string $suffix): array
    {
        $there = array_flip(array_map(static fn (Note $note): string => $note->id, $own->notes()));
        $decided = PartDecisions::leniently(KeptScores::of($source->music)->parts[0], (new PartRecord($source))->record()->decisions())->notes;
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
