<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Grips;

use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Strings\SoundingPitch;

/** The ways to play each event of a line, before anybody decided anything. */
final class Candidates
{
    /** @var list<Event> those that can be played, without the ones that are tied over */
    public array $events = [];

    /** @var array<int, int> for each event the tick at which it stops sounding, ties included */
    public array $ends = [];

    /** @var list<non-empty-list<Grip>> for each event */
    public array $free = [];

    /** @var list<list<FingerLock|null>> for each event what the print suggests, one for each head; empty where it suggests nothing */
    public array $suggested = [];

    /** @var list<Event> that the instrument cannot play */
    public array $unplayable = [];

    /** @var array<int, true> places of events whose printed fingering cannot be played */
    public array $unkept = [];

    private function __construct(
        public readonly GripFinder $finder,
        private readonly SoundingPitch $sounding,
    ) {}

    /**
     * @param  array<string, FingerLock>  $printed  by note id
     * @param  array<string, FingerLock>  $suggested  by note id
     */
    public static function of(Line $line, GripFinder $finder, SoundingPitch $sounding, array $printed, array $suggested): self
    {
        $made = new self($finder, $sounding);
        foreach ($line->events as $event) {
            $last = count($made->events) - 1;
            if ($event->isTiedOver() && $last >= 0) {
                $made->ends[$last] = max($made->ends[$last], $event->end());
            } else {
                $made->add($event, self::locks($event, $printed), self::locks($event, $suggested));
            }
        }

        return $made;
    }

    /**
     * @param  list<FingerLock|null>  $printed
     * @param  list<FingerLock|null>  $suggested
     */
    private function add(Event $event, array $printed, array $suggested): void
    {
        $free = $this->finder->grips($this->pitches($event), []);
        if ($free === []) {
            $this->unplayable[] = $event;

            return;
        }
        [$kept, $isKept] = $this->within($event, $printed);
        $isKept || $this->unkept[count($this->events)] = true;
        $this->events[] = $event;
        $this->ends[] = $event->end();
        $this->free[] = $kept ?? $free;
        $this->suggested[] = $suggested;
    }

    /** @return non-empty-list<Pitch> as they sound */
    public function pitches(Event $event): array
    {
        return array_map(fn (Note $note): Pitch => $this->sounding->sounding($note->pitch ?? throw new \LogicException('A line holds pitched notes.')), $event->notes);
    }

    /**
     * @param  array<string, FingerLock>  $locks  by note id
     * @return list<FingerLock|null> one for each head; empty where none has one
     */
    public static function locks(Event $event, array $locks): array
    {
        $own = $locks === [] ? [] : array_map(static fn (Note $note): ?FingerLock => $locks[$note->id] ?? null, $event->notes);

        return array_filter($own) === [] ? [] : $own;
    }

    /**
     * @param  list<FingerLock|null>  $locks
     * @return array{non-empty-list<Grip>|null, bool} the grips within the locks, else the nearest (null without locks); and whether they are kept
     */
    public function within(Event $event, array $locks): array
    {
        if ($locks === []) {
            return [null, true];
        }
        $pitches = $this->pitches($event);
        $grips = $this->finder->grips($pitches, $locks);
        $nearest = $grips === [] ? $this->finder->nearest($pitches, $locks) : $grips;

        return [$nearest === [] ? null : $nearest, $grips !== []];
    }
}
