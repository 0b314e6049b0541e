<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing\Strokes;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Bowing\Marks\BowMarks;
use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Line;

/** Groups a line's events into strokes, in written order, from slurs, ties and what was decided. */
final class StrokeReader
{
    /** @var array<int, true> events on which a struck slur began */
    private array $struck;

    private readonly Slurs $slurs;

    private function __construct(
        private readonly Line $line,
        private readonly LineReading $reading,
        private readonly BowMarks $marks,
        private readonly PartTime $time,
    ) {
        $this->slurs = $reading->slurs;
        $this->struck = $this->struckSlurs();
    }

    /**
     * @param  Line  $line  a whole line or a stretch of it
     * @param  LineReading  $reading  what was read of the whole line
     * @return list<Stroke>
     */
    public static function read(Line $line, LineReading $reading, BowMarks $marks, PartTime $time): array
    {
        return (new self($line, $reading, $marks, $time))->strokes();
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
            if ($this->time->plucked->is($event)) {
                continue;
            }
            $link = $before === null ? StrokeLink::Apart : $this->link($before, $event);
            if ($events !== [] && $link !== StrokeLink::Joined) {
                array_push($strokes, ...$this->cut($events, $hooked, $link === StrokeLink::Hooked, $gap, count($strokes)));
                $events = [];
            }
            if ($events === []) {
                $hooked = $link === StrokeLink::Hooked;
                $gap = max(0, $event->start - (($before ?? $this->reading->before($event, $this->time->plucked))?->end() ?? 0));
            }
            $events[] = $event;
            $before = $event;
        }
        if ($events !== []) {
            array_push($strokes, ...$this->cut($events, $hooked, false, $gap, count($strokes)));
        }

        return $strokes;
    }

    /**
     * One stroke, or several when the bow changes on its held note.
     *
     * @param  non-empty-list<Event>  $events
     * @param  bool  $hookedOn  the next stroke is hooked to it
     * @return list<Stroke>
     */
    private function cut(array $events, bool $hooked, bool $hookedOn, int $gap, int $number): array
    {
        $type = $this->marks->types[$events[0]->first()->id] ?? null;
        $whole = new Stroke($number + 1, $events, $hooked, $gap, $events[0]->start, $events[count($events) - 1]->end(), type: $type);
        $strokes = [];
        $start = $whole->start;
        foreach ([...$this->changes($whole), $whole->end] as $end) {
            $within = array_values(array_filter($events, static fn (Event $event): bool => self::soundsWithin($event, $start, $end, $end === $whole->end)));
            $changed = $strokes !== [];
            $strokes[] = new Stroke($number + count($strokes) + 1, $within === [] ? $events : $within, ! $changed && $hooked, $changed ? 0 : $gap, $start, $end, $changed, ! $changed && $this->continues($events[0]), $type, $hookedOn && $end === $whole->end);
            $start = $end;
        }

        return $strokes;
    }

    /** Grace notes have no length: they belong to the piece that begins with them or, at the very end of a stroke, to the last. */
    private static function soundsWithin(Event $event, int $start, int $end, bool $last): bool
    {
        return $event->isGrace()
            ? $event->start >= $start && ($event->start < $end || $last)
            : $event->end() > $start && $event->start < $end;
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
            $times = $this->marks->times[$stroke->first()->first()->id] ?? 1;
            array_push($ticks, ...$this->time->changes->within($stroke, $times + 1));
        }
        foreach (array_keys($this->marks->cuts) as $tick) {
            if ($tick > $stroke->start && $tick < $stroke->end && $stroke->isOneNote()) {
                $ticks[] = $tick;
            }
        }
        sort($ticks);

        return array_values(array_unique($ticks));
    }

    private function link(Event $before, Event $event): StrokeLink
    {
        $action = $this->actionOn($event);
        $tied = $event->isHeld() && $before->startsTie();

        return match (true) {
            $action === BowAction::Hook => StrokeLink::Hooked,
            $action === BowAction::Join => StrokeLink::Joined,
            $action === BowAction::Change && $tied => StrokeLink::Joined,
            $action === BowAction::Split, $action === BowAction::Retake, $action === BowAction::Lift => StrokeLink::Apart,
            $before->index !== $event->index - 1 => StrokeLink::Apart,
            $tied => StrokeLink::Joined,
            $before->isGrace() && ! $this->closes($before, $event) => StrokeLink::Joined,
            ! isset($this->slurs->under[$event->index]) => $this->hooksByRange($before, $event) ? StrokeLink::Hooked : StrokeLink::Apart,
            isset($this->struck[$this->slurs->under[$event->index]]), $this->isSaidOf($event, $this->marks->struck) => StrokeLink::Apart,
            $this->stopsBetween($before, $event) => StrokeLink::Hooked,
            default => StrokeLink::Joined,
        };
    }

    /** Grace notes that end a slur belong to the note before them, not to the one that follows. */
    private function closes(Event $grace, Event $event): bool
    {
        return isset($this->slurs->ends[$grace->index]) && ! isset($this->slurs->under[$event->index]);
    }

    /** The first note of a later ending, held over from before the first one: it was struck there. */
    private function continues(Event $event): bool
    {
        $lead = $this->reading->leads[$event->index] ?? null;

        return $lead !== null && $event->isTiedOver() && $lead->startsTie() && $this->actionOn($event) === null;
    }

    /** @param array<string, true> $notes that were decided about as a run */
    private function isSaidOf(Event $event, array $notes): bool
    {
        return isset($notes[$event->first()->id]);
    }

    /** “Hook all dotted pairs” and “pair” were said of this measure. */
    private function hooksByRange(Event $before, Event $event): bool
    {
        return ($this->isSaidOf($event, $this->marks->hooked) && Figures::isDottedPair($before, $event, $this->time->beats))
            || ($this->isSaidOf($event, $this->marks->paired) && Figures::isPair($before, $event, $this->time->beats));
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
                $struck[$this->slurs->under[$event->index] ?? $event->index] = true;
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
