<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Grips;

use UprightPencil\Core\Score\Event;

/** The ways to play each event of a line within what was decided. */
final class DecidedCandidates
{
    /** @var list<non-empty-list<Grip>> for each event */
    public array $layers;

    /** @var list<int> places of events whose decided or printed fingering cannot be played */
    public array $unkept = [];

    /** @var list<int> places of events that are left to the player, but have no open string and fourth finger */
    public array $noChoice = [];

    /** @var array<int, true> places of events about which somebody decided something */
    public array $touched = [];

    private function __construct(
        private readonly Candidates $candidates,
        private readonly FingerWishes $wishes,
    ) {
        $this->layers = $candidates->free;
    }

    public static function of(Candidates $candidates, FingerWishes $wishes): self
    {
        $decided = new self($candidates, $wishes);
        $unkept = $candidates->unkept;
        foreach ($wishes->areNone() ? [] : $candidates->events as $place => $event) {
            if (self::isTouched($event, $wishes)) {
                $decided->touched[$place] = true;
                $locks = Candidates::locks($event, $wishes->decided);
                // Nobody minds a printed finger that cannot be played where another one was decided.
                if ($locks !== []) {
                    unset($unkept[$place]);
                }
                $decided->layers[$place] = $decided->asked($event, $locks, $place) ?? $candidates->free[$place];
            }
        }
        $decided->unkept = array_values(array_unique([...array_keys($unkept), ...$decided->unkept]));
        sort($decided->unkept);

        return $decided;
    }

    private static function isTouched(Event $event, FingerWishes $wishes): bool
    {
        foreach ($event->notes as $note) {
            if ($wishes->isDecided($note->id)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  list<FingerLock|null>  $locks
     * @return non-empty-list<Grip>|null null when nothing was decided that the grips have to keep
     */
    private function asked(Event $event, array $locks, int $place): ?array
    {
        if (isset($this->wishes->open[$event->first()->id])) {
            $either = $this->candidates->finder->openOrFour($this->candidates->pitches($event));
            $either !== [] || $this->noChoice[] = $place;

            return $either === [] ? null : $either;
        }
        [$grips, $isKept] = $this->candidates->within($event, $this->besidePrinted($event, $locks));
        if (! $isKept) {
            [$grips, $isKept] = $this->candidates->within($event, $locks);
        }
        $isKept || $this->unkept[] = $place;

        return $grips;
    }

    /**
     * A decided place of the hand leaves the printed finger as it is, where it can be played there.
     *
     * @param  list<FingerLock|null>  $locks
     * @return list<FingerLock|null>
     */
    private function besidePrinted(Event $event, array $locks): array
    {
        foreach ($locks as $head => $lock) {
            $printed = $this->wishes->printed[$event->notes[$head]->id] ?? null;
            $locks[$head] = $lock === null || $printed === null ? $lock : $lock->beside($printed);
        }

        return $locks;
    }
}
