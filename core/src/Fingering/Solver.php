<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering;

use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\SoundingPitch;

/** Finds the cheapest fingering of a line that a class can play. */
final readonly class Solver
{
    /** A grace note takes about this long, in seconds. */
    private const GRACE_SECONDS = 0.1;

    private Terms $terms;

    private GripFinder $finder;

    public function __construct(
        Instrument $instrument,
        ClassProfile $profile,
        private SoundingPitch $sounding,
        private TempoMap $tempo,
    ) {
        $this->terms = Terms::for($instrument, $profile);
        $this->finder = new GripFinder($instrument, $profile);
    }

    /**
     * @param  array<string, FingerLock>  $locks  by note id
     * @param  array<int, true>  $joined  events that share a stroke with the event before them
     */
    public function solve(Line $line, array $locks, array $joined): FingeredLine
    {
        $events = [];
        $layers = [];
        $findings = $unkept = [];
        foreach ($line->events as $event) {
            if ($event->isTiedOver() && $events !== []) {
                continue;
            }
            $pitches = array_map(fn (Note $note): Pitch => $this->sounding->sounding($note->pitch ?? throw new \LogicException('A line holds pitched notes.')), $event->notes);
            $grips = $this->finder->grips($pitches, array_map(static fn (Note $note): ?FingerLock => $locks[$note->id] ?? null, $event->notes));
            if ($grips === []) {
                $grips = $this->finder->grips($pitches, []);
                $grips === [] ? $findings[] = $this->unplayable($event) : $unkept[] = count($events);
            }
            if ($grips !== []) {
                $events[] = $event;
                $layers[] = $grips;
            }
        }
        $search = new FingeringSearch($events, $layers, $this->steps($events, $joined), $this->terms);
        $path = $search->cheapest();
        $fingerings = $this->fingerings($events, $path->states, $locks);
        $this->carryOverTies($line, $fingerings);

        foreach ($unkept as $index) {
            $findings[] = $this->finding($events[$index], 'impossible-decision', $this->nearest($events[$index], $path->states[$index]));
        }

        return new FingeredLine($fingerings, [...$findings, ...$this->untaught($events, $path->states)], $path->cost, new Alternatives($search, $path->states));
    }

    private function unplayable(Event $event): FingeringFinding
    {
        return count($event->notes) > 1
            ? $this->finding($event, 'unplayable-chord', 'One hand cannot hold this chord; divide it or leave notes out.')
            : $this->finding($event, 'out-of-range', "{$event->first()->pitch?->spoken()} cannot be played on this instrument.");
    }

    private function nearest(Event $event, Grip $grip): string
    {
        $finger = $grip->lead()->finger === 0 ? 'open' : "finger {$grip->lead()->finger}";

        return "The fingering marked for {$event->first()->pitch?->spoken()} cannot be played; the nearest that can is {$finger}.";
    }

    private function finding(Event $event, string $code, string $message): FingeringFinding
    {
        return new FingeringFinding($code, $event->measure, $event->first(), $message);
    }

    /**
     * @param  list<Event>  $events
     * @param  array<int, true>  $joined
     * @return list<Step>
     */
    private function steps(array $events, array $joined): array
    {
        $steps = [];
        $before = null;
        foreach ($events as $event) {
            $steps[] = $this->step($before, $event, isset($joined[$event->index]));
            $before = $event;
        }

        return $steps;
    }

    private function step(?Event $before, Event $event, bool $slurred): Step
    {
        $seconds = $event->isGrace() ? self::GRACE_SECONDS : $this->tempo->seconds($event->duration(), $event->start);
        if ($before === null) {
            return new Step(60.0, 60.0, false, 0, $seconds);
        }
        $gap = max(self::GRACE_SECONDS, $this->tempo->seconds($event->start - $before->start, $before->start));
        $rest = max(0.0, $this->tempo->seconds($event->start - $before->end(), $before->start));
        $rise = ($event->first()->pitch?->midi() ?? 0) - ($before->first()->pitch?->midi() ?? 0);

        return new Step($gap, $before->isGrace() ? 0.0 : $rest, $slurred, $rise, $seconds);
    }

    /**
     * @param  list<Event>  $events
     * @param  list<Grip>  $grips
     * @param  array<string, FingerLock>  $locks
     * @return array<string, Fingering>
     */
    private function fingerings(array $events, array $grips, array $locks): array
    {
        $fingerings = [];
        foreach ($events as $index => $event) {
            $grip = $grips[$index];
            foreach ($event->notes as $head => $note) {
                $fingerings[$note->id] = new Fingering($grip->stops[$head], $grip->hand, $grip->position, $grip->untaught, isset($locks[$note->id]));
            }
        }

        return $fingerings;
    }

    /** @param array<string, Fingering> $fingerings */
    private function carryOverTies(Line $line, array &$fingerings): void
    {
        $held = [];
        foreach ($line->events as $event) {
            $now = [];
            foreach ($event->notes as $note) {
                $midi = $note->pitch?->midi() ?? -1;
                if ($note->tieStop && isset($held[$midi]) && ! isset($fingerings[$note->id])) {
                    $fingerings[$note->id] = $held[$midi];
                }
                if (isset($fingerings[$note->id])) {
                    $now[$midi] = $fingerings[$note->id];
                }
            }
            $held = $now;
        }
    }

    /**
     * One finding for each thing the class has not been taught, at its first place.
     *
     * @param  list<Event>  $events
     * @param  list<Grip>  $grips
     * @return list<FingeringFinding>
     */
    private function untaught(array $events, array $grips): array
    {
        $findings = [];
        $times = array_count_values(array_filter(array_map(static fn (Grip $grip): ?string => $grip->untaught, $grips)));
        foreach ($grips as $index => $grip) {
            if ($grip->untaught !== null && ! isset($findings[$grip->untaught])) {
                $often = $times[$grip->untaught] === 1 ? 'once' : "{$times[$grip->untaught]} times";
                $findings[$grip->untaught] = $this->finding($events[$index], 'not-taught', "{$events[$index]->first()->pitch?->spoken()} needs {$grip->untaught}, which this class has not been taught ({$often} in this part).");
            }
        }

        return array_values($findings);
    }
}
