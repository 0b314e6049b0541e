<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Part;

/** Groups a line's events into strokes, in written order, from slurs, ties and what was decided. */
final class StrokeReader
{
    /** @var array<int, true> events under a slur that began earlier */
    private array $slurred = [];

    /** @var array<int, true> events played pizzicato */
    private array $plucked = [];

    private function __construct(
        private readonly Line $line,
        private readonly BowMarks $marks,
    ) {}

    /** @return list<Stroke> */
    public static function read(Part $part, Line $line, BowMarks $marks): array
    {
        $reader = new self($line, $marks);
        $reader->slurred = self::underSlurs($line);
        $reader->plucked = self::pluckedEvents($part, $line);

        return $reader->strokes();
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
            if (isset($this->plucked[$event->index])) {
                continue;
            }
            $link = $before === null ? Link::Apart : $this->link($before, $event);
            if ($events !== [] && $link !== Link::Joined) {
                $strokes[] = new Stroke(count($strokes) + 1, $events, $hooked, $gap);
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
            $strokes[] = new Stroke(count($strokes) + 1, $events, $hooked, $gap);
        }

        return $strokes;
    }

    private function link(Event $before, Event $event): Link
    {
        $action = $this->actionOn($event);
        $adjacent = $before->index === $event->index - 1;

        return match (true) {
            $action === BowAction::Hook => Link::Hooked,
            $action === BowAction::Join => Link::Joined,
            $action === BowAction::Split, $action === BowAction::Retake => Link::Apart,
            ! $adjacent => Link::Apart,
            $event->isTiedOver() && $before->startsTie() => Link::Joined,
            $before->isGrace() => Link::Joined,
            ! isset($this->slurred[$event->index]), isset($this->marks->struck[$event->measure]) => Link::Apart,
            $this->stopsBetween($before, $event) => Link::Hooked,
            default => Link::Joined,
        };
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

    private function actionOn(Event $event): ?BowAction
    {
        foreach ($event->notes as $note) {
            if (isset($this->marks->actions[$note->id])) {
                return $this->marks->actions[$note->id];
            }
        }

        return null;
    }

    /**
     * Slurs are matched start to stop by number; one that is never closed joins nothing.
     *
     * @return array<int, true>
     */
    private static function underSlurs(Line $line): array
    {
        $open = [];
        $under = [];
        foreach ($line->events as $event) {
            $starting = [];
            foreach (self::slursOf($event) as [$type, $number]) {
                if ($type === 'start') {
                    $starting[$number] = $event->index;
                } elseif ($type === 'stop' && isset($open[$number])) {
                    for ($index = $open[$number] + 1; $index <= $event->index; $index++) {
                        $under[$index] = true;
                    }
                    unset($open[$number]);
                }
            }
            $open = $starting + $open;
        }

        return $under;
    }

    /** @return list<array{string, int}> */
    private static function slursOf(Event $event): array
    {
        $slurs = [];
        foreach ($event->notes as $note) {
            foreach ($note->slurs as $slur) {
                $slurs[] = [$slur->type, $slur->number];
            }
        }

        return $slurs;
    }

    /** @return array<int, true> */
    private static function pluckedEvents(Part $part, Line $line): array
    {
        $changes = [];
        foreach ($part->measures as $measure) {
            foreach ($measure->directions() as $direction) {
                $plucks = self::plucks($direction);
                if ($plucks !== null) {
                    $changes[] = [$measure->start + $direction->time(), $plucks];
                }
            }
        }
        $plucked = [];
        $state = false;
        foreach ($line->events as $event) {
            while ($changes !== [] && $changes[0][0] <= $event->start) {
                $state = $changes[0][1];
                array_shift($changes);
            }
            if ($state) {
                $plucked[$event->index] = true;
            }
        }

        return $plucked;
    }

    /** True for pizzicato, false for arco, null for anything else. */
    private static function plucks(Direction $direction): ?bool
    {
        $words = $direction->words();
        if (preg_match('/\bpizz/u', $words) === 1) {
            return true;
        }
        if (preg_match('/\b(arco|col arco)\b/u', $words) === 1) {
            return false;
        }
        $told = $direction->sound['pizzicato'] ?? null;

        return $told === null ? null : $told === 'yes';
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
