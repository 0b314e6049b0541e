<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Derived;

use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Phrases;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Strings\Instrument;

/**
 * Brings what is too low or too high for an instrument within its reach: the whole phrase by an octave first, so that the tune
 * keeps its shape; where that goes too far, the notes from one rest or leap to the next; single notes only between two of those.
 */
final class Reach
{
    /** A fourth is a leap: the ear hears no step broken there. */
    private const LEAP = 5;

    /** Written an octave above where it sounds. */
    private const BASS_SOUNDS = -12;

    /** @var array<string, int> note id => octaves */
    private array $octaves = [];

    /** @var list<Shift> */
    private array $shifts = [];

    private function __construct(
        private readonly Part $part,
        private readonly Instrument $instrument,
    ) {}

    /** @return array{Part, list<Shift>} */
    public static function within(Part $part, Instrument $instrument): array
    {
        $reach = new self($part, $instrument);
        foreach (Line::allOf($part) as $line) {
            $line->pitched && $reach->line($line->events);
        }
        if ($reach->octaves === []) {
            return [$part, $reach->shifts];
        }

        return [$part->with(measures: array_map(static fn (Measure $measure): Measure => $measure->with(items: array_map(
            static fn (object $item): object => $item instanceof Note && isset($reach->octaves[$item->id]) ? $item->with(pitch: $item->pitch?->octavesUp($reach->octaves[$item->id])) : $item,
            $measure->items,
        )), $part->measures)), $reach->shifts];
    }

    /** @param list<Event> $events */
    private function line(array $events): void
    {
        $silence = static fn (int $place): bool => $place > 0 && $events[$place - 1]->end() < $events[$place]->start;
        $phrases = [];
        foreach (Phrases::of($events, $this->part, $silence) as $place => $phrase) {
            $phrases[$phrase][] = $events[$place];
        }
        foreach ($phrases as $phrase) {
            $this->phrase($phrase, true) || $this->phrase($phrase, false);
        }
    }

    /**
     * @param  non-empty-list<Event>  $phrase
     * @return bool whether something had to be done
     */
    private function phrase(array $phrase, bool $low): bool
    {
        $wrong = array_values(array_filter($phrase, fn (Event $event): bool => $this->isOut($event, $low)));
        if ($wrong === []) {
            return false;
        }
        $what = (count($wrong) === 1 ? 'a note is' : count($wrong).' notes are').' too '.($low ? 'low' : 'high').' for the '.$this->instrument->value;
        $octaves = $low ? 1 : -1;
        if ($this->fits($phrase, $octaves)) {
            $this->shift($phrase, $octaves, "{$what}: the whole phrase is an octave ".($low ? 'up' : 'down').', so that the tune keeps its shape');

            return true;
        }
        foreach (self::runs($phrase) as $run) {
            $inRun = array_filter($run, fn (Event $event): bool => $this->isOut($event, $low));
            if ($inRun !== []) {
                $fits = $this->fits($run, $octaves);
                $this->shift($run, $fits ? $octaves : 0, $fits ? "{$what}, and the whole phrase would go too far: moved from one rest or leap to the next" : "{$what}, and no octave helps: write it anew or leave it out");
            }
        }

        return true;
    }

    /** @param non-empty-list<Event> $events */
    private function fits(array $events, int $octaves): bool
    {
        foreach ($events as $event) {
            if ($this->isOut($event, true, $octaves) || $this->isOut($event, false, $octaves)) {
                return false;
            }
        }

        return true;
    }

    private function isOut(Event $event, bool $low, int $octaves = 0): bool
    {
        foreach ($event->notes as $note) {
            $sounding = $note->pitch === null ? null : $this->midi($note->pitch) + 12 * $octaves;
            if ($sounding !== null && ($low ? $sounding < $this->instrument->lowest() : $sounding > $this->instrument->highest())) {
                return true;
            }
        }

        return false;
    }

    private function midi(Pitch $pitch): int
    {
        return $pitch->midi() + ($this->instrument === Instrument::Bass ? self::BASS_SOUNDS : 0);
    }

    /**
     * @param  non-empty-list<Event>  $phrase
     * @return list<non-empty-list<Event>> cut at rests and leaps
     */
    private static function runs(array $phrase): array
    {
        $runs = [[array_shift($phrase)]];
        foreach ($phrase as $event) {
            $run = $runs[count($runs) - 1];
            $before = $run[count($run) - 1];
            if (! $event->isHeld() && ($before->end() < $event->start || self::leaps($before, $event))) {
                $runs[] = [$event];
            } else {
                $runs[count($runs) - 1][] = $event;
            }
        }

        return $runs;
    }

    private static function leaps(Event $one, Event $other): bool
    {
        $from = $one->first()->pitch;
        $to = $other->first()->pitch;

        return $from !== null && $to !== null && abs($from->midi() - $to->midi()) >= self::LEAP;
    }

    /** @param non-empty-list<Event> $events */
    private function shift(array $events, int $octaves, string $because): void
    {
        $notes = 0;
        foreach ($events as $event) {
            foreach ($event->notes as $note) {
                $octaves === 0 || $this->octaves[$note->id] = $octaves;
                $notes++;
            }
        }
        $last = $events[count($events) - 1];
        $this->shifts[] = new Shift($events[0]->first()->id, $last->first()->id, $this->part->measures[$events[0]->measure]->number, $this->part->measures[$last->measure]->number, $notes, $octaves, $because);
    }
}
