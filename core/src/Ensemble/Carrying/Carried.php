<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Carrying;

use UprightPencil\Core\Ensemble\LinedNote;
use UprightPencil\Core\Ensemble\Section;
use UprightPencil\Core\Ensemble\StringsOver;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Kinds\Apart;
use UprightPencil\Core\Marking\Kinds\Kinds;
use UprightPencil\Core\Marking\Kinds\OnString;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\Restated;
use UprightPencil\Core\Strings\Instrument;

/**
 * What is decided on some notes, carried to others, note for note. Bows and words go along; fingers only where the notes are the
 * same, or lie the same a string over.
 */
final readonly class Carried
{
    private const ELSEWHERE = 'What is decided on grace notes and in other voices stays behind.';

    /**
     * @param  list<Decision>  $decisions
     * @param  list<string>  $misfits  what did not fit, as sentences
     */
    private function __construct(
        public array $decisions,
        public Likeness $likeness,
        public array $misfits,
    ) {}

    /**
     * @param  list<LinedNote>  $source
     * @param  list<LinedNote>  $place  as many
     * @param  array<string, true>|null  $only  ids of the source's notes whose decisions are meant; null: all
     */
    public static function to(Section $section, array $source, array $place, ?array $only = null): self
    {
        $pairs = array_map(static fn (LinedNote $note, LinedNote $other): array => [$note, $other], array_slice($source, 0, count($place)), array_slice($place, 0, count($source)));
        $meant = $only === null ? [] : array_diff_key($only, ...array_map(static fn (LinedNote $note): array => array_fill_keys(array_map(static fn (NoteMark $head): string => $head->note->id, $section->heads($note)), true), $source));
        $left = array_filter($section->part->notes, static fn (NoteMark $note): bool => isset($meant[$note->note->id]) && self::carriedFields($note) !== []);

        return self::pairs($section, $pairs, $only, $left === [] ? [] : [self::ELSEWHERE]);
    }

    /**
     * “As in 21–28”: what is decided in a run of measures, on the measures that begin with that of a note.
     *
     * @param  string  $measures  “21” or “21-28”, as they are printed
     * @param  string  $at  id of a note
     * @return self|null null where there are no such measures or no such note
     */
    public static function asIn(Section $section, string $measures, string $at): ?self
    {
        [$first, $last] = explode('-', $measures, 2) + [1 => $measures];
        $index = $section->indexOf($at);
        $source = $section->between(trim($first), trim($last));
        if ($index === null || $source === []) {
            return null;
        }
        $beats = $section->part->beats;
        $start = static fn (LinedNote $note): int => $section->part->part->measures[$beats->measureAt($note->tick())]->start;
        $shift = $start($section->notes[$index]) - $start($source[0]);
        $there = [];
        foreach ($section->notes as $note) {
            $there[$note->tick()] = $note;
        }
        $pairs = $misfits = [];
        foreach ($source as $note) {
            $other = $there[$note->tick() + $shift] ?? null;
            if ($other !== null && $other->ticks() === $note->ticks() && $other->slurred === $note->slurred) {
                $pairs[] = [$note, $other];
            } elseif (self::carriedFields($note->mark) !== []) {
                [$measure, $beat] = $beats->placeAt($note->tick() + $shift);
                $misfits[] = "Measure {$measure}, beat ".MarkedPage::beat($beat)." is not like measure {$note->mark->place->measure}.";
            }
        }

        return self::pairs($section, $pairs, null, $misfits);
    }

    /**
     * @param  list<array{LinedNote, LinedNote}>  $pairs
     * @param  array<string, true>|null  $only  ids of the notes whose decisions are meant; null: all
     * @param  list<string>  $misfits  what is known already not to fit
     */
    private static function pairs(Section $section, array $pairs, ?array $only, array $misfits): self
    {
        [$heads, $whole] = self::headsOf($section, $pairs);
        $over = $whole ? self::strings($heads, $section->part->instrument) : null;
        $fieldsOf = $behind = [];
        $same = true;
        $otherwise = false;
        foreach ($heads as [$note, $other]) {
            $fields = $only === null || isset($only[$note->note->id]) ? self::carriedFields($note) : [];
            $hand = array_filter($fields, Kinds::isOfTheHand(...), ARRAY_FILTER_USE_KEY);
            $fitted = self::onString($hand, $over, $section->part->instrument);
            if ($hand !== [] && $fitted === null) {
                $behind = ['The fingers stay behind: the notes lie otherwise under the hand.'];
            }
            $fields = array_diff_key($fields, $hand) + ($fitted ?? []);
            foreach ($fields as $field => $value) {
                $same = $same && $other->said($field) === $value;
                $otherwise = $otherwise || ($other->said($field) ?? $value) !== $value;
            }
            $fieldsOf[$other->note->id] = $fields;
        }
        $place = array_column($heads, 1);
        $apart = array_filter($place, static fn (NoteMark $note): bool => $note->isDecided(Apart::FIELD)) !== [];

        return new self(Restated::of($section->part->part, $fieldsOf), match (true) {
            $apart => Likeness::Apart,
            $otherwise => Likeness::Otherwise,
            $same => Likeness::Same,
            default => Likeness::Free,
        }, [...$behind, ...$misfits]);
    }

    /**
     * Head for head, where both are chords of as many notes; else only what the bow does is alike.
     *
     * @param  list<array{LinedNote, LinedNote}>  $pairs
     * @return array{list<array{NoteMark, NoteMark}>, bool} and whether every head has one
     */
    private static function headsOf(Section $section, array $pairs): array
    {
        $heads = [];
        $whole = true;
        foreach ($pairs as [$note, $other]) {
            [$these, $those] = [$section->heads($note), $section->heads($other)];
            $whole = $whole && count($these) === count($those);
            foreach ($these as $index => $head) {
                isset($those[$index]) && $heads[] = [$head, $those[$index]];
            }
        }

        return [$heads, $whole];
    }

    /** @return array<string, mixed> what is decided on a note and belongs to its figure, not to its place */
    private static function carriedFields(NoteMark $note): array
    {
        return array_filter($note->decided, static fn (string $field): bool => Kinds::of($field)[0]->isCarried(), ARRAY_FILTER_USE_KEY);
    }

    /**
     * How many strings over the notes of a place lie, so that the same fingers play them: 0 where they are the same notes.
     *
     * @param  list<array{NoteMark, NoteMark}>  $heads
     */
    private static function strings(array $heads, Instrument $instrument): ?int
    {
        $moved = [];
        foreach ($heads as [$note, $other]) {
            $moved[($other->note->pitch?->midi() ?? 0) - ($note->note->pitch?->midi() ?? 0)] = true;
        }
        $over = StringsOver::of($moved, $instrument, $instrument);

        return $over !== null && abs($over) < 3 ? $over : null;
    }

    /**
     * @param  array<string, mixed>  $hand
     * @return array<string, mixed>|null null where there is no such string
     */
    private static function onString(array $hand, ?int $over, Instrument $instrument): ?array
    {
        if ($over === null || ! isset($hand[OnString::FIELD])) {
            return $over === null && $hand !== [] ? null : $hand;
        }
        $there = is_string($hand[OnString::FIELD]) ? StringsOver::name($hand[OnString::FIELD], $over, $instrument, $instrument) : null;

        return $there === null ? null : [...$hand, OnString::FIELD => $there];
    }
}
