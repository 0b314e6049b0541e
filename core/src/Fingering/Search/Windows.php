<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Search;

use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Step;
use UprightPencil\Core\Score\Event;

/**
 * The stretches around decided notes in which fingers may change. Beyond the next rest, open string or four measures
 * everything stays as it was before the decision (`fingering.md`, “Decisions”).
 */
final readonly class Windows
{
    private const MEASURES = 4;

    /** @param list<array{int, int}> $windows first and last place of each, in order */
    private function __construct(private array $windows) {}

    /**
     * @param  list<Event>  $events
     * @param  list<int>  $touched  places that somebody decided something about
     * @param  list<Step>  $steps
     * @param  list<Grip>  $grips  the way that was chosen before anything was decided
     */
    public static function around(array $events, array $touched, array $steps, array $grips): self
    {
        $windows = [];
        sort($touched);
        foreach ($touched as $place) {
            $window = [self::start($events, $steps, $grips, $place), self::end($events, $steps, $grips, $place)];
            $last = count($windows) - 1;
            if ($last >= 0 && $window[0] <= $windows[$last][1] + 1) {
                $windows[$last] = [$windows[$last][0], max($windows[$last][1], $window[1])];
            } else {
                $windows[] = $window;
            }
        }

        return new self($windows);
    }

    /**
     * @param  list<Event>  $events
     * @param  list<Step>  $steps
     * @param  list<Grip>  $grips
     */
    private static function start(array $events, array $steps, array $grips, int $place): int
    {
        $measure = $events[$place]->measure;
        // One more note before a decided one is always free, so that a slide or a bar can be reached.
        $start = max(0, $place - 1);
        while ($start > 0 && ! $steps[$start]->afterRest() && ! $grips[$start - 1]->isOpen() && $measure - $events[$start - 1]->measure <= self::MEASURES) {
            $start--;
        }

        return $start;
    }

    /**
     * @param  list<Event>  $events
     * @param  list<Step>  $steps
     * @param  list<Grip>  $grips
     */
    private static function end(array $events, array $steps, array $grips, int $place): int
    {
        $measure = $events[$place]->measure;
        $last = count($grips) - 1;
        $end = min($last, $place + 1);
        // The open string itself belongs to the stretch: the hand may move while it sounds.
        while ($end < $last && ! $steps[$end + 1]->afterRest() && ! $grips[$end]->isOpen() && $events[$end + 1]->measure - $measure <= self::MEASURES) {
            $end++;
        }

        return $end;
    }

    /**
     * @param  list<Grip>  $grips
     * @return list<Grip> with the stretches fingered anew
     */
    public function solved(FingeringSearch $search, array $grips): array
    {
        foreach ($this->windows as [$from, $to]) {
            $path = $search->between($from, $to, $grips[$from - 1] ?? null, $grips[$to + 1] ?? null);
            array_splice($grips, $from, $to - $from + 1, $path->states);
        }

        return $grips;
    }
}
