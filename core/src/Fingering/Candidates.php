<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering;

use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Strings\SoundingPitch;

/** The ways to play each event of a line: as printed, and as decided. */
final class Candidates
{
    /** @var list<Event> those that can be played, without the ones that are tied over */
    public array $events = [];

    /** @var list<non-empty-list<Grip>> for each event, before anybody decided anything */
    public array $free = [];

    /** @var list<non-empty-list<Grip>> for each event, within what was decided */
    public array $decided = [];

    /** @var list<Event> that the instrument cannot play */
    public array $unplayable = [];

    /** @var list<int> places of events whose decided or printed fingering cannot be played */
    public array $unkept = [];

    /** @var list<int> places of events that are left to the player, but have no open string and fourth finger */
    public array $noChoice = [];

    /** @var array<int, true> places of events about which somebody decided something */
    public array $touched = [];

    private function __construct(
        private readonly GripFinder $finder,
        private readonly SoundingPitch $sounding,
        private readonly FingerWishes $wishes,
    ) {}

    public static function of(Line $line, GripFinder $finder, SoundingPitch $sounding, FingerWishes $wishes): self
    {
        $made = new self($finder, $sounding, $wishes);
        foreach ($line->events as $event) {
            if (! $event->isTiedOver() || $made->events === []) {
                $made->add($event);
            }
        }

        return $made;
    }

    private function add(Event $event): void
    {
        $pitches = array_map(fn (Note $note): Pitch => $this->sounding->sounding($note->pitch ?? throw new \LogicException('A line holds pitched notes.')), $event->notes);
        $free = $this->finder->grips($pitches, []);
        if ($free === []) {
            $this->unplayable[] = $event;

            return;
        }
        $place = count($this->events);
        // Nobody minds a printed finger that cannot be played where another one was decided.
        $minded = array_filter($this->locks($event, $this->wishes->decided)) === [];
        $printed = $this->within($pitches, $this->locks($event, $this->wishes->printed), $place, $minded);
        $this->events[] = $event;
        $this->free[] = $printed ?? $free;
        $this->decided[] = $this->asked($event, $pitches, $place) ?? $printed ?? $free;
    }

    /**
     * @param  non-empty-list<Pitch>  $pitches
     * @return non-empty-list<Grip>|null null when nothing was decided
     */
    private function asked(Event $event, array $pitches, int $place): ?array
    {
        $touched = array_filter($event->notes, fn (Note $note): bool => $this->wishes->isDecided($note->id));
        if ($touched === []) {
            return null;
        }
        $this->touched[$place] = true;
        if (isset($this->wishes->open[$event->first()->id])) {
            $either = $this->finder->openOrFour($pitches);
            $either !== [] || $this->noChoice[] = $place;

            return $either === [] ? null : $either;
        }

        return $this->within($pitches, $this->locks($event, $this->wishes->decided), $place);
    }

    /**
     * @param  array<string, FingerLock>  $locks
     * @return list<FingerLock|null>
     */
    private function locks(Event $event, array $locks): array
    {
        return $locks === [] ? [] : array_map(static fn (Note $note): ?FingerLock => $locks[$note->id] ?? null, $event->notes);
    }

    /**
     * @param  non-empty-list<Pitch>  $pitches
     * @param  list<FingerLock|null>  $locks
     * @param  bool  $minded  whether it is to be told when they cannot be kept
     * @return non-empty-list<Grip>|null the grips within the locks, else the nearest; null without locks
     */
    private function within(array $pitches, array $locks, int $place, bool $minded = true): ?array
    {
        if (array_filter($locks) === []) {
            return null;
        }
        $grips = $this->finder->grips($pitches, $locks);
        if ($grips === []) {
            $minded && $this->unkept[] = $place;
            $grips = $this->finder->nearest($pitches, $locks);
        }

        return $grips === [] ? null : $grips;
    }
}
