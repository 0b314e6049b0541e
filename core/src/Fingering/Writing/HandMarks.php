<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Writing;

use UprightPencil\Core\Fingering\Grips\FingerLink;
use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Step;
use UprightPencil\Core\Score\Event;

/**
 * What the hand does between notes: a finger that slides, one that bars two strings, one that stays down over a
 * crossing (`fingering.md`, “What to write on the page”).
 */
final class HandMarks
{
    /** @var array<string, string> note id => the note before, from which the finger slides */
    public array $slides = [];

    /** @var array<string, string> note id => the last note that lies under the same bar */
    public array $bars = [];

    /** @var array<string, string> note id => the last note for which the finger stays down */
    public array $stays = [];

    /** @var array<string, int> figure => measure in which its stay was last marked */
    private array $marked = [];

    /**
     * @param  list<Event>  $events
     * @param  list<Grip>  $grips
     * @param  list<Step>  $steps
     */
    private function __construct(
        private readonly array $events,
        private readonly array $grips,
        private readonly array $steps,
    ) {}

    /**
     * @param  list<Event>  $events
     * @param  list<Grip>  $grips  one for each event
     * @param  list<Step>  $steps  one for each event
     */
    public static function of(array $events, array $grips, array $steps): self
    {
        $marks = new self($events, $grips, $steps);
        $marks->slides();
        $marks->chords();
        $marks->chains($marks->barFrom(...));
        $marks->chains($marks->stayFrom(...));

        return $marks;
    }

    /** @param \Closure(int): int $from marks what starts at a place, and says where it ends */
    private function chains(\Closure $from): void
    {
        $place = 0;
        while ($place < count($this->grips) - 1) {
            $place = max($place + 1, $from($place));
        }
    }

    /** A half step with one finger, and a shift that one finger leads. */
    private function slides(): void
    {
        foreach ($this->grips as $place => $grip) {
            if ($place > 0 && $this->steps[$place]->makes(FingerLink::Slide, $this->grips[$place - 1]->lead(), $grip->lead())) {
                $this->slides[$this->id($place)] = $this->id($place - 1);
            }
        }
    }

    private function chords(): void
    {
        foreach ($this->grips as $place => $grip) {
            foreach ($grip->stops as $head => $stop) {
                $next = $grip->stops[$head + 1] ?? null;
                if ($next !== null && FingerLink::Bar->joins($stop, $next)) {
                    $this->bars[$this->events[$place]->notes[$head]->id] = $this->events[$place]->notes[$head + 1]->id;
                }
            }
        }
    }

    /** @return int the place of the last note under the bar that starts here */
    private function barFrom(int $place): int
    {
        $to = $place;
        while (isset($this->grips[$to + 1]) && $this->barred($place, $to)) {
            $to++;
        }
        if ($to > $place) {
            $this->bars[$this->id($place)] = $this->id($to);
        }

        return $to;
    }

    /** Whether the bar that starts at one place goes on from another to the note after it: it lies over two strings only. */
    private function barred(int $first, int $from): bool
    {
        $next = $this->grips[$from + 1]->lead();

        return $this->steps[$from + 1]->makes(FingerLink::Bar, $this->grips[$from]->lead(), $next)
            && abs($next->string - $this->grips[$first]->lead()->string) <= 1;
    }

    /** @return int the place of the last note for which the finger that plays here stays down */
    private function stayFrom(int $place): int
    {
        $to = $place;
        while (isset($this->grips[$to + 2]) && $this->staysOver($place, $to)) {
            $to += 2;
        }
        if ($to > $place && $this->isDue($place)) {
            $this->stays[$this->id($place)] = $this->id($to);
        }

        return $to;
    }

    private function staysOver(int $place, int $from): bool
    {
        [$held, $between, $again] = [$this->grips[$place], $this->grips[$from + 1], $this->grips[$from + 2]];
        $stop = $held->lead();

        return $stop->finger !== 0
            && $stop->finger === $again->lead()->finger && $stop->string === $again->lead()->string && $stop->place() === $again->lead()->place()
            && abs($between->lead()->string - $stop->string) === 1 && $between->lead()->finger !== $stop->finger
            && $between->hand === $held->hand
            && $this->steps[$from + 1]->isClose() && $this->steps[$from + 2]->isClose();
    }

    private function isDue(int $place): bool
    {
        $figure = implode('/', [$this->grips[$place]->lead()->string, $this->grips[$place]->lead()->finger, $this->grips[$place + 1]->lead()->string]);
        $measure = $this->events[$place]->measure;
        $due = $measure - ($this->marked[$figure] ?? -FingerMarks::REMIND_AFTER_MEASURES) >= FingerMarks::REMIND_AFTER_MEASURES;
        $due && $this->marked[$figure] = $measure;

        return $due;
    }

    private function id(int $place): string
    {
        return $this->events[$place]->first()->id;
    }
}
