<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Line;

use UprightPencil\Core\Fingering\Grips\Candidates;
use UprightPencil\Core\Score\Dynamics;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Pace;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\TempoMap;

/** Looks at what lies around each event of a line: time, rests, slurs, loudness, and what comes back. */
final readonly class Steps
{
    /** A grace note takes about this long, in seconds. */
    private const GRACE_SECONDS = 0.1;

    /** What comes before the first event of a line: all the time in the world, in seconds. */
    private const BEFORE_THE_START = 60.0;

    /** The degree of p (`Dynamics::DEGREES`). */
    private const SOFT = 1.0;

    /** The degree of f. */
    private const LOUD = 4.0;

    public function __construct(
        private TempoMap $tempo,
        private Dynamics $dynamics,
    ) {}

    /**
     * @param  array<int, true>  $joined  events (by their place in the line) that share a slur with the event before them
     * @return list<Step> one for each event that can be played
     */
    public function of(Candidates $candidates, array $joined): array
    {
        $events = $candidates->events;
        $pitches = array_map(static fn (Event $event): int => $event->first()->pitch?->midi() ?? 0, $events);
        $times = array_map(fn (int $place): array => $this->timeBefore($candidates, $place), array_keys($events));
        $flows = Flow::along(
            array_map(static fn (Event $event): ?Pitch => $event->first()->pitch, $events),
            array_map(static fn (Event $event): bool => isset($joined[$event->index]), $events),
            array_map(static fn (array $time): bool => Pace::isRest($time[1]), $times),
            array_map(static fn (array $time): bool => Pace::isFast($time[0]), $times),
            array_map(static fn (array $suggested): bool => ($suggested[0] ?? null)?->finger === 4, $candidates->suggested),
        );
        $steps = [];
        foreach ($events as $place => $event) {
            $next = $events[$place + 1] ?? null;
            [$before, $rest] = $times[$place];
            $steps[] = new Step(
                secondsBefore: $before,
                restBefore: $rest,
                slurred: isset($joined[$event->index]),
                rise: $place === 0 ? 0 : $pitches[$place] - $pitches[$place - 1],
                seconds: $event->isGrace() ? self::GRACE_SECONDS : $this->tempo->seconds($candidates->ends[$place] - $event->start, $event->start),
                slurredOn: $next !== null && isset($joined[$next->index]),
                soft: $this->dynamics->at($event->start) <= self::SOFT,
                returns: $place > 0 && $next !== null && $pitches[$place + 1] === $pitches[$place - 1] && $pitches[$place] !== $pitches[$place - 1],
                comesBack: $place > 0 && $this->comesBack($events, $pitches, $place),
                returned: $place > 1 && $pitches[$place] === $pitches[$place - 2] && $pitches[$place] !== $pitches[$place - 1],
                printed: $candidates->suggested[$place],
                loud: $this->dynamics->at($event->start) >= self::LOUD,
                flow: $flows[$place],
            );
        }

        return $steps;
    }

    /**
     * The same where other notes are slurred; a step that nothing changes in stays the same object.
     *
     * @param  list<Step>  $steps
     * @param  list<Event>  $events  theirs
     * @param  array<int, true>  $joined
     * @return list<Step>
     */
    public static function slurredOtherwise(array $steps, array $events, array $joined): array
    {
        foreach ($steps as $place => $step) {
            $slurred = isset($joined[$events[$place]->index]);
            $slurredOn = isset($events[$place + 1], $joined[$events[$place + 1]->index]);
            if ($slurred !== $step->slurred || $slurredOn !== $step->slurredOn) {
                $steps[$place] = $step->slurredAs($slurred, $slurredOn);
            }
        }

        return $steps;
    }

    /** @return array{float, float} seconds from the start of the event before, and of silence before this one */
    private function timeBefore(Candidates $candidates, int $place): array
    {
        $event = $candidates->events[$place];
        $before = $candidates->events[$place - 1] ?? null;

        return $before === null ? [self::BEFORE_THE_START, self::BEFORE_THE_START] : [
            max(self::GRACE_SECONDS, $this->tempo->seconds($event->start - $before->start, $before->start)),
            $before->isGrace() ? 0.0 : max(0.0, $this->tempo->seconds($event->start - $candidates->ends[$place - 1], $before->start)),
        ];
    }

    /**
     * Whether the note before is heard again in this measure.
     *
     * @param  list<Event>  $events
     * @param  list<int>  $pitches
     */
    private function comesBack(array $events, array $pitches, int $place): bool
    {
        for ($later = $place + 1; ($events[$later] ?? null)?->measure === $events[$place]->measure; $later++) {
            if ($pitches[$later] === $pitches[$place - 1]) {
                return true;
            }
        }

        return false;
    }
}
