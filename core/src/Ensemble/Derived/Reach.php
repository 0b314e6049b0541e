<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Derived;

use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Line;
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

    /** Nobody moves a line further than this. */
    private const MOST_OCTAVES = 2;

    /** Where more phrases than this do not fit, the part as a whole is too low or too high. */
    private const MANY = 0.5;

    /** With so few phrases left that do not fit, it need not be moved further. */
    private const FEW = 0.2;

    /** @var array<string, int> note id => octaves */
    private array $octaves = [];

    /** Octaves by which all of the part is moved. */
    private int $all = 0;

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
        $lines = array_map(static fn (Line $line): array => $line->pitched ? self::phrases($line->events, $part) : [], Line::allOf($part));
        $reach->moveAll(array_merge([], ...$lines));
        foreach ($lines as $phrases) {
            foreach ($phrases as $phrase) {
                $reach->phrase($phrase, true) || $reach->phrase($phrase, false);
            }
        }
        if ($reach->octaves === [] && $reach->all === 0) {
            return [$part, $reach->shifts];
        }

        return [$part->withNotes(static fn (Note $note): Note => $note->with(pitch: $note->pitch?->octavesUp($reach->all + ($reach->octaves[$note->id] ?? 0)))), $reach->shifts];
    }

    /**
     * @param  list<Event>  $events
     * @return list<non-empty-list<Event>>
     */
    private static function phrases(array $events, Part $part): array
    {
        $silence = static fn (int $place): bool => $place > 0 && $events[$place - 1]->end() < $events[$place]->start;
        $phrases = [];
        foreach (Phrases::of($events, $part, $silence) as $place => $phrase) {
            $phrases[$phrase][] = $events[$place];
        }

        return array_values($phrases);
    }

    /**
     * A cello's line for violins is an octave or two up from beginning to end, so that phrases stay as they follow each other.
     *
     * @param  list<non-empty-list<Event>>  $phrases
     */
    private function moveAll(array $phrases): void
    {
        $wrong = count(array_filter($phrases, fn (array $phrase): bool => ! $this->fits($phrase, 0)));
        if ($wrong <= self::MANY * count($phrases) || count($phrases) < 2) {
            return;
        }
        [$best, $least] = [0, $wrong];
        foreach ([1, -1, 2, -2] as $octaves) {
            $out = count(array_filter($phrases, fn (array $phrase): bool => ! $this->fits($phrase, $octaves)));
            if ($out < $least && $least > self::FEW * count($phrases)) {
                [$best, $least] = [$octaves, $out];
            }
        }
        if ($best !== 0) {
            $this->all = $best;
            $this->shifts[] = $this->told(array_merge(...$phrases), $best, 'most of the line is too '.($best > 0 ? 'low' : 'high')." for the {$this->instrument->value}: all of it is ".self::distance($best));
        }
    }

    private static function distance(int $octaves): string
    {
        return (abs($octaves) === 1 ? 'an octave' : 'two octaves').($octaves > 0 ? ' up' : ' down');
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
        $octaves = $this->enough($phrase, $low);
        if ($octaves !== 0) {
            $this->shift($phrase, $octaves, "{$what}: the whole phrase is ".self::distance($octaves).', so that the tune keeps its shape');

            return true;
        }
        foreach (self::runs($phrase) as $run) {
            if (array_filter($run, fn (Event $event): bool => $this->isOut($event, $low)) !== []) {
                $octaves = $this->enough($run, $low);
                $this->shift($run, $octaves, $octaves !== 0 ? "{$what}, and the whole phrase would go too far: moved from one rest or leap to the next" : "{$what}, and no octave helps: write it anew or leave it out");
            }
        }

        return true;
    }

    /**
     * The fewest octaves that bring all of it within reach; 0 where none do.
     *
     * @param  non-empty-list<Event>  $events
     */
    private function enough(array $events, bool $low): int
    {
        for ($octaves = 1; $octaves <= self::MOST_OCTAVES; $octaves++) {
            if ($this->fits($events, $low ? $octaves : -$octaves)) {
                return $low ? $octaves : -$octaves;
            }
        }

        return 0;
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
            $sounding = $note->pitch === null ? null : $this->midi($note->pitch) + 12 * ($octaves + $this->all);
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
        foreach ($octaves === 0 ? [] : $events as $event) {
            foreach ($event->notes as $note) {
                $this->octaves[$note->id] = $octaves;
            }
        }
        $this->shifts[] = $this->told($events, $octaves, $because);
    }

    /** @param non-empty-list<Event> $events */
    private function told(array $events, int $octaves, string $because): Shift
    {
        $last = $events[count($events) - 1];
        $notes = array_sum(array_map(static fn (Event $event): int => count($event->notes), $events));

        return new Shift($events[0]->first()->id, $last->first()->id, $this->part->measures[$events[0]->measure]->number, $this->part->measures[$last->measure]->number, $notes, $octaves, $because);
    }
}
