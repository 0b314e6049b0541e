<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Score\BowSign;

/**
 * Where sections play the same rhythm and slurs at the same time, and where a phrase comes again: passages of whole measures
 * that want the same bows (`bowing.md`, principle 6). Long held notes of cello and bass are left aside.
 */
final readonly class Together
{
    /** The notes of a measure that make it worth comparing. */
    private const LEAST_NOTES = 2;

    /** Fewer strokes are no phrase: what alternates from measure to measure is a figure of its own. */
    private const LEAST_STROKES = 4;

    private const PHRASE_NOTES = 6;

    /**
     * Groups of sections with the same measure at the same time.
     *
     * @param  list<Section>  $sections
     * @return array<int, list<non-empty-list<int>>> tick at which the measure starts => groups of section indexes, each of two or more
     */
    public static function groups(array $sections): array
    {
        $groups = [];
        foreach ($sections as $section) {
            foreach ($section->measures as $measure => $notes) {
                if (self::isWorthComparing($notes)) {
                    $groups[$measure][self::signature($notes, 0)][] = $section->index;
                }
            }
        }

        return array_map(static fn (array $bySignature): array => array_values(array_filter($bySignature, static fn (array $group): bool => count($group) > 1)), $groups);
    }

    /**
     * A long note held by itself is compared in entries and releases only; a solo bows with nobody.
     *
     * @param  non-empty-list<LinedNote>  $notes
     */
    private static function isWorthComparing(array $notes): bool
    {
        return count($notes) >= self::LEAST_NOTES && array_filter($notes, static fn (LinedNote $note): bool => $note->solo || $note->direction() === '-') === [];
    }

    /**
     * Rhythm and slurs of some notes, in time from the start of the part.
     *
     * @param  non-empty-list<LinedNote>  $notes
     */
    private static function signature(array $notes, int $from): string
    {
        return implode(' ', array_map(static fn (LinedNote $note): string => $note->rhythm($from), $notes));
    }

    /**
     * The direction in which a passage should begin, for all of a group: that of most, and where they are even that of the
     * lowest section, whose bow takes longest to come back.
     *
     * @param  non-empty-list<LinedNote>  $firsts  the first note of each section of the group
     */
    public static function common(array $firsts): BowSign
    {
        $downs = array_filter($firsts, static fn (LinedNote $note): bool => $note->direction() === 'd');
        $lowest = $firsts[count($firsts) - 1]->direction();
        $down = 2 * count($downs) === count($firsts) ? $lowest === 'd' : 2 * count($downs) > count($firsts);

        return $down ? BowSign::Down : BowSign::Up;
    }

    /**
     * Phrases of a section that come again: measures with the same rhythm, slurs and contour, longest first.
     *
     * @return list<array{list<int>, list<int>}> where the measures of the first place start, and those of a later one
     */
    public static function repeats(Section $section): array
    {
        $starts = array_keys($section->measures);
        $signatures = array_map(static fn (array $notes): string => self::contour($notes), array_values($section->measures));
        $repeats = [];
        $seen = $covered = [];
        foreach ($signatures as $place => $signature) {
            $first = $seen[$signature] ?? null;
            $seen[$signature] ??= $place;
            if ($first === null || isset($covered[$place]) || count($section->measures[$starts[$place]]) < self::LEAST_NOTES) {
                continue;
            }
            $length = 1;
            while (isset($signatures[$place + $length]) && $first + $length < $place && $signatures[$place + $length] === $signatures[$first + $length]) {
                $covered[$place + $length++] = true;
            }
            $again = array_slice($starts, $place, $length);
            if (self::isPhrase($section, $again)) {
                $repeats[] = [array_slice($starts, $first, $length), $again];
            }
        }

        return $repeats;
    }

    /** @param list<int> $measures */
    private static function isPhrase(Section $section, array $measures): bool
    {
        $notes = array_merge(...array_map(static fn (int $measure): array => $section->measures[$measure], $measures));

        return count($notes) >= self::PHRASE_NOTES || count(array_filter($notes, static fn (LinedNote $note): bool => ! $note->slurred)) >= self::LEAST_STROKES;
    }

    /** @param non-empty-list<LinedNote> $notes */
    private static function contour(array $notes): string
    {
        $contour = '';
        $start = $notes[0]->tick();
        foreach ($notes as $index => $note) {
            $rise = $index === 0 ? 0 : $note->midi() <=> $notes[$index - 1]->midi();
            $contour .= "{$note->rhythm($start)}/{$rise} ";
        }

        return "{$notes[0]->mark->place->beat} {$contour}";
    }
}
