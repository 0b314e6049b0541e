<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Line;

/** Groups a line's events into strokes, in written order, from slurs, ties and what was decided. */
final class StrokeReader
{
    /** @var array<int, int> events under a slur that began earlier => the event that it began on */
    private array $slurred;

    /** @var array<int, true> events on which a struck slur began */
    private array $struck;

    private function __construct(
        private readonly Line $line,
        private readonly BowMarks $marks,
        private readonly Beats $beats,
        private readonly ChangePlace $changes,
        private readonly Plucked $plucked,
    ) {
        $this->slurred = Slurs::under($line);
        $this->struck = $this->struckSlurs();
    }

    /** @return list<Stroke> */
    public static function read(BowingContext $context, Line $line, BowMarks $marks): array
    {
        return (new self($line, $marks, $context->beats, $context->changes, Plucked::of($context->part)))->strokes();
    }

    /** @return list<Stroke> */
    private function strokes(): array
    {
        $strokes = [];
        $events = [];
        $hooked = false;
        $gap = 0;
        $before = null;
        foreach ($this->line->events as $event) {
            if ($this->plucked->is($event)) {
                continue;
            }
            $link = $before === null ? Link::Apart : $this->link($before, $event);
            if ($events !== [] && $link !== Link::Joined) {
                array_push($strokes, ...$this->cut($events, $hooked, $gap, count($strokes)));
                $events = [];
            }
            if ($events === []) {
                $hooked = $link === Link::Hooked;
                $gap = $before === null ? $event->start : max(0, $event->start - $before->end());
            }
            $events[] = $event;
            $before = $event;
        }
        if ($events !== []) {
            array_push($strokes, ...$this->cut($events, $hooked, $gap, count($strokes)));
        }

        return $strokes;
    }

    /**
     * One stroke, or several when the bow changes on its held note.
     *
     * @param  non-empty-list<Event>  $events
     * @return list<Stroke>
     */
    private function cut(array $events, bool $hooked, int $gap, int $number): array
    {
        $whole = new Stroke($number + 1, $events, $hooked, $gap, $events[0]->start, $events[count($events) - 1]->end());
        $strokes = [];
        $start = $whole->start;
        foreach ([...$this->changes($whole), $whole->end] as $end) {
            $within = array_values(array_filter($events, static fn (Event $event): bool => $event->end() > $start && $event->start < $end || ($event->isGrace() && $event->start === $start)));
            $changed = $strokes !== [];
            $strokes[] = new Stroke($number + count($strokes) + 1, $within === [] ? $events : $within, ! $changed && $hooked, $changed ? 0 : $gap, $start, $end, $changed);
            $start = $end;
        }

        return $strokes;
    }

    /** @return list<int> ticks at which the bow changes inside a held note */
    private function changes(Stroke $stroke): array
    {
        $ticks = [];
        foreach ($stroke->events as $index => $event) {
            if ($this->actionOn($event) === BowAction::Change && $index > 0 && $event->isTiedOver()) {
                $ticks[] = $event->start;
            }
        }
        if ($stroke->isOneNote() && $this->actionOn($stroke->first()) === BowAction::Change) {
            $times = $this->marks->desks[$stroke->first()->first()->id] ?? 1;
            array_push($ticks, ...$this->changes->within($stroke, $times + 1));
        }
        foreach (array_keys($this->marks->cuts) as $tick) {
            if ($tick > $stroke->start && $tick < $stroke->end && $stroke->isOneNote()) {
                $ticks[] = $tick;
            }
        }
        sort($ticks);

        return array_values(array_unique($ticks));
    }

    private function link(Event $before, Event $event): Link
    {
        $action = $this->actionOn($event);
        $tied = $event->isTiedOver() && $before->startsTie();

        return match (true) {
            $action === BowAction::Hook => Link::Hooked,
            $action === BowAction::Join => Link::Joined,
            $action === BowAction::Change && $tied => Link::Joined,
            $action === BowAction::Split, $action === BowAction::Retake, $action === BowAction::Lift => Link::Apart,
            $before->index !== $event->index - 1 => Link::Apart,
            $tied, $before->isGrace() => Link::Joined,
            ! isset($this->slurred[$event->index]) => $this->hooksByRange($before, $event) ? Link::Hooked : Link::Apart,
            isset($this->struck[$this->slurred[$event->index]]), isset($this->marks->struck[$event->measure]) => Link::Apart,
            $this->stopsBetween($before, $event) => Link::Hooked,
            default => Link::Joined,
        };
    }

    /** “Hook all dotted pairs” and “pair” were said of this measure. */
    private function hooksByRange(Event $before, Event $event): bool
    {
        return (isset($this->marks->hooked[$event->measure]) && Figures::isDottedPair($before, $event))
            || (isset($this->marks->paired[$event->measure]) && Figures::isPair($before, $event, $this->beats));
    }

    /** Dots under a slur, or a rest inside it, stop the bow without turning it. */
    private function stopsBetween(Event $before, Event $event): bool
    {
        if ($event->start > $before->end() && ! $before->isGrace()) {
            return true;
        }
        foreach ($before->first()->articulations as $articulation) {
            if ($articulation->detaches()) {
                return true;
            }
        }

        return $before->has(Articulation::Tenuto) && $event->has(Articulation::Tenuto);
    }

    /** @return array<int, true> */
    private function struckSlurs(): array
    {
        $struck = [];
        foreach ($this->line->events as $event) {
            if ($this->actionOn($event) === BowAction::Strike) {
                $struck[$this->slurred[$event->index] ?? $event->index] = true;
            }
        }

        return $struck;
    }

    private function actionOn(Event $event): ?BowAction
    {
        foreach ($event->notes as $note) {
            if (isset($this->marks->actions[$note->id])) {
                return $this->marks->actions[$note->id];
            }
        }

        return null;
    }

    /** @return array<int, true> the events that go on in the stroke of the event before */
    public static function joined(Stroke ...$strokes): array
    {
        $joined = [];
        foreach ($strokes as $stroke) {
            foreach (array_slice($stroke->events, 1) as $event) {
                $joined[$event->index] = true;
            }
        }

        return $joined;
    }
}
