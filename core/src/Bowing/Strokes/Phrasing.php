<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Strokes;

use UprightPencil\Core\Score\Beats;

/**
 * What a teacher sees in a line before bowing it: long–short figures, the measure with an odd number of strokes among even
 * ones, and the long notes that end a phrase and leave time for a lift (`bowing.md`, principles 2, 5 and 8).
 */
final class Phrasing
{
    /** Of a long last note, the share that a lift may take: the rest still sounds. */
    public const LIFTED_SHARE = 0.45;

    /** Two kinds of odd measures in turn are a figure when both come twice. */
    private const TWO_AND_TWO = 4;

    /** Of the time that a class needs for a circle of the bow, as much as it can do with. */
    public const ENOUGH = 0.85;

    /** @var array<int, true> short strokes that belong to their long one */
    private array $hooked = [];

    /** @var array<int, int> measure => strokes that begin in it, a long–short pair counted once */
    private array $counts = [];

    /** @var array<int, string> measure => the lengths of its strokes and of the rests between them, in ticks */
    private array $rhythms = [];

    /** @var array<int, true> measures that would turn round everything after them */
    private readonly array $odd;

    /**
     * @param  list<Stroke>  $strokes
     * @param  float  $circle  seconds of a full circle of the bow
     */
    public function __construct(
        private readonly array $strokes,
        private readonly Beats $beats,
        private readonly BowNeed $need,
        private readonly float $circle,
    ) {
        $this->readPairs();
        foreach ($strokes as $index => $stroke) {
            $measure = $stroke->onBeat()->measure;
            $own = ! $stroke->hooked && ! $stroke->continues && ! isset($this->hooked[$index]);
            $this->counts[$measure] = ($this->counts[$measure] ?? 0) + ($own ? 1 : 0);
            $this->rhythms[$measure] = ($this->rhythms[$measure] ?? '')." {$stroke->gap}-{$stroke->ticks()}";
        }
        $this->odd = $this->oddMeasures();
    }

    /**
     * A long–short pair goes in one bow when the strokes that follow it would not even it out: pairs in a row, and a pair
     * with an odd number of plain notes after it. Two plain notes after a pair are even already.
     */
    private function readPairs(): void
    {
        $pairs = array_keys(array_filter($this->strokes, fn (Stroke $stroke, int $index): bool => $this->isPair($index), ARRAY_FILTER_USE_BOTH));
        foreach ($pairs as $number => $short) {
            $end = isset($pairs[$number + 1]) ? $pairs[$number + 1] - 1 : count($this->strokes);
            $plain = 0;
            for ($index = $short + 1; $index < $end && $this->strokes[$index]->onBeat()->measure === $this->strokes[$short]->onBeat()->measure; $index++) {
                $plain++;
            }
            if ($plain === 0 || $plain % 2 === 1) {
                $this->hooked[$short] = true;
            }
        }
    }

    private function isPair(int $short): bool
    {
        $long = $this->strokes[$short - 1] ?? null;
        $stroke = $this->strokes[$short];

        return $long !== null && count($long->events) === 1 && count($stroke->events) === 1
            && Figures::isDottedPair($long->last(), $stroke->first(), $this->beats);
    }

    /** The short stroke of a long–short pair that is hooked, so that the bow keeps its place. */
    public function isShortOfPair(int $index): bool
    {
        return isset($this->hooked[$index]);
    }

    /**
     * A measure with an odd number of strokes among even ones, which would turn round everything after it. Where odd measures of
     * one rhythm follow each other, or two odd ones take turns, that is the figure.
     */
    public function isOdd(int $index): bool
    {
        return isset($this->odd[$this->strokes[$index]->onBeat()->measure]);
    }

    /** @return array<int, true> */
    private function oddMeasures(): array
    {
        $odd = $run = [];
        foreach (array_keys($this->counts) as $measure) {
            if ($this->hasOdd($measure)) {
                $run[] = $measure;
            }
            if (! $this->hasOdd($measure + 1)) {
                foreach ($run as $own) {
                    $this->isOfAFigure($own, count($run)) || $odd[$own] = true;
                }
                $run = [];
            }
        }

        // Where all are odd, apart from a last note after one measure, nothing is turned round.
        return count($this->counts) > 2 && count(array_filter(array_keys($this->counts), $this->hasOdd(...))) === count($this->counts) ? [] : $odd;
    }

    /**
     * The same rhythm next to it, twice unless its notes are as long as each other; long notes measure by measure; or in turn
     * with another odd one.
     *
     * @param  int  $run  how many odd measures follow each other there
     */
    private function isOfAFigure(int $measure, int $run): bool
    {
        $like = fn (int $other): bool => ($this->rhythms[$other] ?? null) === $this->rhythms[$measure];
        $inARow = ($like($measure - 2) && $like($measure - 1)) || ($like($measure - 1) && $like($measure + 1)) || ($like($measure + 1) && $like($measure + 2));

        return $inARow || ($this->isEven($measure) && ($like($measure - 1) || $like($measure + 1)))
            || ($this->counts[$measure] === 1 && (($this->counts[$measure - 1] ?? 0) === 1 || ($this->counts[$measure + 1] ?? 0) === 1))
            || (($like($measure - 2) || $like($measure + 2)) && $run >= self::TWO_AND_TWO);
    }

    /** All its notes are as long as each other. */
    private function isEven(int $measure): bool
    {
        return count(array_unique(explode(' ', trim($this->rhythms[$measure])))) === 1;
    }

    private function hasOdd(int $measure): bool
    {
        return ($this->counts[$measure] ?? 0) % 2 === 1 && ! $this->isPickup($measure);
    }

    private function isPickup(int $measure): bool
    {
        return $measure === $this->strokes[0]->onBeat()->measure && $this->beats->inPickup($this->strokes[0]->onBeat());
    }

    /**
     * The note before a stroke ends a phrase: single, long, longer than what leads to it, and a measure, or an accent, begins
     * after it.
     */
    public function isAfterEnd(int $index): bool
    {
        [$before, $stroke, $leading] = [$this->strokes[$index - 1] ?? null, $this->strokes[$index], $this->strokes[$index - 2] ?? null];
        if ($before === null || $stroke->gap > 0 || ! $before->isOneNote() || 2 * $before->ticks() < $this->beats->measureTicksAt($before->start)) {
            return false;
        }
        $event = $stroke->onBeat();
        if ($this->beats->isAccented($event)) {
            return $this->beats->strength($event) >= 0.5;
        }

        return $this->beats->startsMeasure($event) && $leading !== null && ($before->ticks() > $leading->ticks() || count($leading->events) > 1);
    }

    /** There is time to lift the bow off such a note and set it down again. */
    public function hasTimeToLift(int $index): bool
    {
        return $this->isAfterEnd($index) && self::LIFTED_SHARE * $this->need->seconds($this->strokes[$index - 1]) >= self::ENOUGH * $this->circle;
    }
}
