<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Fingering\Trouble\FingerPattern;
use UprightPencil\Core\Fingering\Trouble\FirstUse;
use UprightPencil\Core\Fingering\Trouble\Newness;
use UprightPencil\Core\Fingering\Trouble\PlayedLine;
use UprightPencil\Core\Fingering\Trouble\PlayedNote;
use UprightPencil\Core\Fingering\Trouble\Troubles;
use UprightPencil\Core\Fingering\Trouble\TroubleSpot;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Placement;

/**
 * What a director wants to know of a part before marking it: range, keys, patterns, the highest position, what is new
 * for this class and where first, and the trouble spots, the most serious first (`product.md`, “Size it up”).
 *
 * @phpstan-type At array{note: string, measure: string, beat: float}
 * @phpstan-type Extreme array{pitch: string, string: string, finger: string, note: string, measure: string, beat: float}
 * @phpstan-type Summed array{lowest: Extreme|null, highest: Extreme|null, highestPosition: array{position: float, name: string, note: string, measure: string, beat: float}|null, shifts: int, crossingsUnderSlurs: int, extensions: int, new: list<string>}
 * @phpstan-type First array{kind: string, what: string, newness: string, times: int, note: string, measure: string, beat: float}
 * @phpstan-type Pattern array{string: string, pattern: string, position: float, from: string, to: string, note: string, measure: string, beat: float}
 * @phpstan-type Spot array{code: string, seriousness: float, message: string, drill: string|null, times: int, measures: list<string>, note: string, measure: string, beat: float}
 */
final readonly class SizeUp
{
    /**
     * @param  list<PlayedLine>  $lines
     * @param  array<string, array{measure: string, beat: float}>  $places  by note id
     */
    private function __construct(
        private MarkedPart $part,
        private array $lines,
        private array $places,
    ) {}

    public static function of(MarkedPart $part): self
    {
        $places = [];
        foreach ($part->notes as $mark) {
            $places[$mark->note->id] = ['measure' => $mark->place->measure, 'beat' => $mark->place->beat];
        }

        return new self($part, $part->lines(), $places);
    }

    /** @return array<string, string> note at which something first comes that the class has not been taught or has just learned => what it is */
    public static function newIn(MarkedPart $part): array
    {
        $size = self::of($part);
        $new = [];
        foreach ($size->firstOfAll(array_merge([], ...array_map(static fn (PlayedLine $line): array => $line->firstUses(), $size->lines))) as $use) {
            $use->newness === Newness::Known || $new[$use->at->note()->id] = $use->what;
        }

        return $new;
    }

    /** @return array{summary: Summed, firsts: list<First>, patterns: list<Pattern>, troubleSpots: list<Spot>} */
    public function toArray(): array
    {
        $firsts = $patterns = $troubles = [];
        foreach ($this->lines as $line) {
            array_push($firsts, ...$line->firstUses());
            array_push($patterns, ...array_map(fn (FingerPattern $pattern): array => $this->pattern($line, $pattern), $line->patterns()));
            array_push($troubles, ...array_map(fn (array $trouble): array => $this->trouble($trouble['places'], $trouble['seriousness']), Troubles::of($line)));
        }
        $firsts = $this->firstOfAll($firsts);
        $troubles = $this->onlyFirst($troubles, $firsts);
        usort($troubles, static fn (array $a, array $b): int => $b['seriousness'] <=> $a['seriousness']);

        return [
            'summary' => $this->summary($firsts),
            'firsts' => array_map($this->first(...), $firsts),
            'patterns' => $patterns,
            'troubleSpots' => $troubles,
        ];
    }

    /**
     * What comes in several lines (passages, voices) comes first in the earliest of them.
     *
     * @param  list<FirstUse>  $uses
     * @return list<FirstUse>
     */
    private function firstOfAll(array $uses): array
    {
        $order = array_flip(array_keys($this->places));
        $merged = [];
        foreach ($uses as $use) {
            $before = $merged["{$use->kind} {$use->what}"] ?? null;
            $first = $before !== null && $order[$before->at->note()->id] <= $order[$use->at->note()->id] ? $before : $use;
            $merged["{$use->kind} {$use->what}"] = $before === null ? $use : new FirstUse($first->kind, $first->what, $first->newness, $first->at, $before->times + $use->times);
        }

        return array_values($merged);
    }

    /**
     * @param  list<Spot>  $troubles
     * @param  list<FirstUse>  $firsts
     * @return list<Spot>
     */
    private function onlyFirst(array $troubles, array $firsts): array
    {
        $notes = array_map(static fn (FirstUse $use): string => $use->at->note()->id, $firsts);

        return array_values(array_filter($troubles, static fn (array $trouble): bool => $trouble['code'] !== 'first-use' || in_array($trouble['note'], $notes, true)));
    }

    /**
     * @param  list<FirstUse>  $firsts
     * @return Summed
     */
    private function summary(array $firsts): array
    {
        $notes = array_merge([], ...array_map(static fn (PlayedLine $line): array => $line->notes, $this->lines));
        $pairs = array_merge([], ...array_map(static fn (PlayedLine $line): array => $line->pairs(), $this->lines));
        $highest = $lowest = $top = null;
        foreach ($notes as $note) {
            $note->stop()->finger !== 0 && $note->grip->position > ($top?->grip->position ?? 0.0) && $top = $note;
            $highest = $highest === null || $note->pitch()->midi() > $highest->pitch()->midi() ? $note : $highest;
            $lowest = $lowest === null || $note->pitch()->midi() < $lowest->pitch()->midi() ? $note : $lowest;
        }

        return [
            'lowest' => $lowest === null ? null : $this->extreme($lowest),
            'highest' => $highest === null ? null : $this->extreme($highest),
            'highestPosition' => $top === null ? null : ['position' => $top->grip->position, 'name' => Instrument::positionName($top->grip->position)] + $this->at($top),
            'shifts' => array_sum(array_map(static fn (PlayedLine $line): int => count($line->shifts()), $this->lines)),
            'crossingsUnderSlurs' => count(array_filter($pairs, static fn (array $pair): bool => $pair[1]->step->slurred && $pair[0]->stop()->string !== $pair[1]->stop()->string)),
            'extensions' => count(array_filter($notes, static fn (PlayedNote $note): bool => $note->stop()->placement === Placement::Extended)),
            'new' => array_values(array_map(static fn (FirstUse $use): string => $use->what, array_filter($firsts, static fn (FirstUse $use): bool => $use->newness === Newness::NotTaught))),
        ];
    }

    /** @return Extreme */
    private function extreme(PlayedNote $note): array
    {
        return [
            'pitch' => $note->pitch()->spoken(),
            'string' => $this->part->instrument->stringName($note->stop()->string),
            'finger' => HouseStyle::usual()->finger($note->stop()->finger, $note->stop()->placement),
        ] + $this->at($note);
    }

    /** @return At */
    private function at(PlayedNote $note): array
    {
        return ['note' => $note->note()->id] + ($this->places[$note->note()->id] ?? ['measure' => '', 'beat' => 1.0]);
    }

    /** @return First */
    private function first(FirstUse $use): array
    {
        return ['kind' => $use->kind, 'what' => $use->what, 'newness' => $use->newness->value, 'times' => $use->times] + $this->at($use->at);
    }

    /** @return Pattern */
    private function pattern(PlayedLine $line, FingerPattern $pattern): array
    {
        return [
            'string' => $line->instrument->stringName($pattern->string),
            'pattern' => $pattern->name,
            'position' => $pattern->first->grip->position,
            'from' => $this->at($pattern->first)['measure'],
            'to' => $this->at($pattern->last)['measure'],
        ] + $this->at($pattern->first);
    }

    /**
     * @param  non-empty-list<TroubleSpot>  $places
     * @return Spot
     */
    private function trouble(array $places, float $seriousness): array
    {
        return [
            'code' => $places[0]->code,
            'seriousness' => $seriousness,
            'message' => $places[0]->message,
            'drill' => $places[0]->drill,
            'times' => count($places),
            'measures' => array_values(array_unique(array_map(fn (TroubleSpot $spot): string => $this->at($spot->at)['measure'], $places))),
        ] + $this->at($places[0]->at);
    }
}
