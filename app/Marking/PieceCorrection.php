<?php

declare(strict_types=1);

namespace App\Marking;

use App\Models\Part;
use App\Models\PartVersion;
use App\Models\Piece;
use App\Models\User;
use App\Record\Finished;
use App\Record\Turn;
use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Score\Correction;
use UprightPencil\Core\Score\Part as ScorePart;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Strings\InstrumentGuess;

/** A corrected edition of a piece, or of some of its parts: tried first, then put in the place of the notes that are there. */
final class PieceCorrection
{
    /**
     * Which part of a file is meant for which of the piece: by its name, by its id, else the first for the same instrument; and
     * where there is one of each, no other can be meant.
     *
     * @param  list<Part>  $ours
     * @return array<int, string> stored part => part of the file
     */
    public static function matched(array $ours, Score $theirs): array
    {
        $left = $theirs->parts;
        $matched = [];
        $ways = [
            static fn (Part $one, ScorePart $other): bool => mb_strtolower(trim($one->name)) === mb_strtolower(trim($other->name)),
            static fn (Part $one, ScorePart $other): bool => $one->part_key === $other->id && $one->instrument === InstrumentGuess::of($other)->instrument,
            static fn (Part $one, ScorePart $other): bool => $one->instrument === InstrumentGuess::of($other)->instrument && ! InstrumentGuess::of($other)->doubtful,
            static fn (): bool => count($ours) === 1 && count($theirs->parts) === 1,
        ];
        foreach ($ways as $fits) {
            foreach ($ours as $part) {
                foreach (isset($matched[$part->id]) ? [] : $left as $place => $other) {
                    if ($fits($part, $other)) {
                        $matched[$part->id] = $other->id;
                        unset($left[$place]);
                        break;
                    }
                }
            }
        }

        return $matched;
    }

    /** The notes of one part that are to come. */
    public static function correction(Part $part, Reading $reading, string $from): Correction
    {
        $now = self::alone($reading, $from);

        return PartVersions::correction($part, $now, $reading->namesNotes && Correction::namesHold(CachedScores::of($part->music), $now));
    }

    /**
     * @param  array<int, string>  $parts  stored part => part of the file
     * @param  array<int, string>  $bases  stored part => what its notes were when that was tried
     *
     * @throws TypedElsewhere when somebody has changed one of them since
     */
    public static function put(Piece $piece, Reading $reading, array $parts, array $bases, string $source, User $by): void
    {
        Turn::finish(static function () use ($piece, $reading, $parts, $bases, $source, $by): Finished {
            $all = [];
            foreach ($piece->parts()->whereIn('id', array_keys($parts))->get() as $part) {
                $part->setRelation('piece', $piece);
                if (isset($bases[$part->id]) && $bases[$part->id] !== PartVersions::base($part)) {
                    self::refuseChanged($part, $source);

                    continue;
                }
                $correction = self::correction($part, $reading, $parts[$part->id]);
                $score = self::alone($reading, $parts[$part->id])->with(title: $piece->title, composer: $piece->composer);
                $all[] = PartVersions::replacing($part, $score, $correction, $by, ['how' => PartVersion::CORRECTED, 'source' => $source]);
            }

            return Finished::all($all);
        });
    }

    /** The same correction that came twice, because its answer was lost, is one. */
    private static function refuseChanged(Part $part, string $source): void
    {
        $newest = $part->versions()->reorder('id', 'desc')->first();
        if ($newest === null || $newest->how !== PartVersion::CORRECTED || $newest->source !== $source) {
            throw new TypedElsewhere("The notes of “{$part->name}” were changed since you looked. Read the file again to see what it changes now.");
        }
    }

    private static function alone(Reading $reading, string $from): Score
    {
        $score = $reading->score;

        return $score->alone($score->part($from) ?? $score->parts[0]);
    }
}
