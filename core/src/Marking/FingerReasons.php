<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Fingering\FingerMark;
use UprightPencil\Core\Fingering\Search\Alternative;
use UprightPencil\Core\Fingering\Search\FingeredLine;
use UprightPencil\Core\Score\Event;

/** Says of every written finger why it is there: each reason is a comparison with another way. */
final readonly class FingerReasons
{
    private const MOST_WORDS = 15;

    public function __construct(private MarkingCase $case) {}

    /**
     * @param  array<string, FingerMark>  $marks  by note id
     * @return array<string, FingerMark> with their reasons
     */
    public function told(FingeredLine $fingered, array $marks): array
    {
        foreach ($fingered->events as $place => $event) {
            $mark = $marks[$event->first()->id];
            if ($mark->written) {
                $marks[$event->first()->id] = $mark->with(reasons: [...$mark->reasons, ...$this->comparisons($fingered, $place, $mark->moves)]);
            }
        }

        return $marks;
    }

    /** @return list<string> with the runner-up and, for a shift, with staying where the hand was */
    private function comparisons(FingeredLine $fingered, int $place, bool $moves): array
    {
        $stay = $moves ? $fingered->alternatives->withoutShift($place) : null;
        $other = $fingered->alternatives->insteadOf($place);

        return array_values(array_filter([
            $stay === null || $stay->costs === [] ? null : self::short('Without the shift', $stay),
            $other === null ? null : self::short(sprintf($other->isAsGood() ? '%s is as good' : 'Not %s', $this->fingerOf($other, $fingered->events[$place])), $other),
        ]));
    }

    /** A reason is read at a glance: where two facts are too long, the weightier one says it. */
    private static function short(string $start, Alternative $way): string
    {
        foreach ([2, 1] as $facts) {
            $brief = $way->brief($facts);
            $reason = $brief === '' ? "{$start}." : "{$start}: {$brief}.";
            if (count(explode(' ', $reason)) <= self::MOST_WORDS) {
                return $reason;
            }
        }

        return "{$start}.";
    }

    private function fingerOf(Alternative $way, Event $event): string
    {
        $stop = $way->grips[(int) array_search($event, $way->events, true)]->lead();

        return $this->case->settings->style->finger($stop->finger, $stop->placement).' on '.$this->case->instrument->stringName($stop->string);
    }
}
