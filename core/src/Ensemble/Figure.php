<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

/** A run of notes that comes in several places. */
final readonly class Figure
{
    /** @param non-empty-list<FigurePlace> $places in the order of time; near ones may differ in one note */
    public function __construct(public array $places) {}

    /**
     * The same places in sections that are marked otherwise.
     *
     * @param  list<Section>  $sections
     * @return self|null null where they do not have the same notes any more
     */
    public function in(array $sections): ?self
    {
        $places = [];
        foreach ($this->places as $place) {
            $section = $sections[$place->part()];
            $from = $section->indexOf($place->first()->id());
            $notes = $from === null ? [] : array_slice($section->notes, $from, count($place->notes));
            if (count($notes) !== count($place->notes) || $notes[count($notes) - 1]->id() !== $place->last()->id()) {
                return null;
            }
            $places[] = new FigurePlace($notes, $place->near);
        }

        return new self($places);
    }

    /** How many notes it has. */
    public function notes(): int
    {
        return count($this->places[0]->notes);
    }

    public function isNear(): bool
    {
        return array_filter($this->places, static fn (FigurePlace $place): bool => $place->near) !== [];
    }

    /** Half steps from the first place. */
    public function transposed(FigurePlace $place): int
    {
        return $place->first()->midi() - $this->places[0]->first()->midi();
    }

    /**
     * The place that the others are bowed like: one that somebody bowed, else the first of those that most are like.
     *
     * @param  float|null  $beat  of those that begin on this beat; null: of all
     */
    public function model(?float $beat = null): FigurePlace
    {
        $places = array_values(array_filter($this->places, static fn (FigurePlace $place): bool => ! $place->near && ! $place->isException() && ($beat === null || $place->beat() === $beat))) ?: $this->places;
        $alike = array_count_values(array_map(static fn (FigurePlace $place): string => $place->directions(), $places));
        $best = $places[0];
        foreach ($places as $place) {
            [$most, $now] = [$alike[$best->directions()], $alike[$place->directions()]];
            $best = [$place->isBowed(), $now] > [$best->isBowed(), $most] ? $place : $best;
        }

        return $best;
    }

    /**
     * Whether it is passed round: three sections or more have it one after the other, each before the one before has been
     * done with it for long.
     *
     * @return list<FigurePlace> those places, in the order of time; empty where it is not
     */
    public function passedRound(): array
    {
        $chain = [];
        foreach ($this->places as $place) {
            $before = $chain[count($chain) - 1] ?? null;
            $length = $place->end() - $place->start();
            $goesOn = $before !== null && $place->part() !== $before->part() && $place->start() > $before->start() && $place->start() - $before->end() <= $length;
            if (! $goesOn && count($chain) >= 3) {
                break;
            }
            $chain = $goesOn ? [...$chain, $place] : [$place];
        }

        return count(array_unique(array_map(static fn (FigurePlace $place): int => $place->part(), $chain))) >= 3 ? $chain : [];
    }

    /** Its letter: A for the first, AA after Z. */
    public static function letter(int $index): string
    {
        $letter = '';
        for ($rest = $index; $rest >= 0; $rest = intdiv($rest, 26) - 1) {
            $letter = chr(65 + $rest % 26).$letter;
        }

        return $letter;
    }
}
