<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering;

use UprightPencil\Core\Fingering\Grips\FingerLink;
use UprightPencil\Core\Fingering\Grips\FingerWishes;
use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Search\DividedNote;
use UprightPencil\Core\Fingering\Search\Divisi;
use UprightPencil\Core\Fingering\Search\FingeredLine;
use UprightPencil\Core\Score\Event;
use UprightPencil\Core\Strings\Instrument;

/** What a director should know about a fingered line. */
final readonly class FingeringFindings
{
    public function __construct(
        private Instrument $instrument,
        private FingerWishes $wishes,
        private Divisi $divisi,
    ) {}

    /** @return list<FingeringFinding> */
    public function of(FingeredLine $line): array
    {
        return [
            ...array_map($this->unplayable(...), $line->candidates->unplayable),
            ...array_map(fn (int $place): FingeringFinding => $this->unkept($line->events[$place], $line->grips[$place]), $line->decided->unkept),
            ...array_map(fn (int $place): FingeringFinding => $this->finding($line->events[$place], 'no-choice', "{$this->name($line->events[$place])} is not both an open string and a fourth finger: there is nothing to choose."), $line->decided->noChoice),
            ...$this->unlinked($line->events, $line->grips),
            ...$this->untaught($line->events, $line->grips),
        ];
    }

    private function unplayable(Event $event): FingeringFinding
    {
        if (count($event->notes) === 1) {
            return $this->finding($event, 'out-of-range', "{$this->name($event)} cannot be played on this instrument.");
        }
        $divided = $this->divisi->of($event, null);

        return $this->finding($event, 'unplayable-chord', 'One hand cannot hold this chord. '.($divided === [] ? 'Divide it or leave notes out.' : $this->shared($divided)), $divided);
    }

    /**
     * “Divided: outside C4 (3 on G), inside B3 (2 on G).”
     *
     * @param  list<DividedNote>  $divided
     */
    private function shared(array $divided): string
    {
        return 'Divided: '.implode(', ', array_map(fn (DividedNote $one): string => "{$one->player} {$one->note->pitch?->spoken()} ({$one->stop->finger} on {$this->instrument->stringName($one->stop->string)})", $divided)).'.';
    }

    private function unkept(Event $event, Grip $grip): FingeringFinding
    {
        $head = $this->head($event);
        $note = $event->notes[$head];

        return $this->finding($event, 'impossible-decision', "The fingering marked for {$note->pitch?->spoken()} cannot be played; the nearest that can is {$this->words($grip, $head)}.");
    }

    /** The head of a chord that the decision is about. */
    private function head(Event $event): int
    {
        foreach ($event->notes as $head => $note) {
            if (isset($this->wishes->decided[$note->id]) || isset($this->wishes->printed[$note->id])) {
                return $head;
            }
        }

        return 0;
    }

    /** “finger 2 on the D string in third position”. */
    private function words(Grip $grip, int $head): string
    {
        $stop = $grip->stops[$head];
        $string = $this->instrument->stringName($stop->string);

        return $stop->finger === 0 ? "the open {$string} string" : "finger {$stop->finger} on the {$string} string, in ".Instrument::positionName($grip->position);
    }

    /**
     * @param  list<Event>  $events
     * @param  list<Grip>  $grips
     * @return list<FingeringFinding>
     */
    private function unlinked(array $events, array $grips): array
    {
        $findings = [];
        foreach ($events as $place => $event) {
            $before = $events[$place - 1] ?? null;
            $link = $before === null ? null : $this->wishes->link($before->first()->id, $event->first()->id);
            if ($link !== null && ! $link->isKept($grips[$place - 1], $grips[$place])) {
                // It is told where it was marked: at the note it leads to, or the one from which it goes on.
                $at = isset($this->wishes->links[$event->first()->id]) ? $event : $before;
                $findings[] = $this->finding($at, 'impossible-decision', $this->broken($link, $this->name($before), $this->name($event)));
            }
        }
        [$first, $last] = [$events[0] ?? null, $events[count($events) - 1] ?? null];
        if ($first !== null && isset($this->wishes->links[$first->first()->id])) {
            $findings[] = $this->finding($first, 'impossible-decision', "There is no note before {$this->name($first)} for the hand to come from.");
        }
        if ($last !== null && isset($this->wishes->onward[$last->first()->id])) {
            $findings[] = $this->finding($last, 'impossible-decision', "There is no note after {$this->name($last)} for the finger to go on to.");
        }

        return $findings;
    }

    private function broken(FingerLink $link, string $before, string $note): string
    {
        return match ($link) {
            FingerLink::Slide => "No finger can slide from {$before} to {$note} on one string.",
            FingerLink::Bar => "No finger lies over both {$before} and {$note}: they are not a fifth apart on neighbouring strings.",
            FingerLink::Shift => "The hand cannot move to {$note}: it lies in the same place as {$before}, or is an open string.",
            FingerLink::Stay => "The hand cannot stay from {$before} to {$note}: one position does not reach both.",
        };
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
                $divided = count($grip->stops) > 1 ? $this->divisi->of($events[$index], $grips[$index - 1] ?? null) : [];
                $findings[$grip->untaught] = $this->finding($events[$index], 'not-taught', "{$this->name($events[$index])} needs {$grip->untaught}, which this class has not been taught ({$often}).".($divided === [] ? '' : ' '.$this->shared($divided)), $divided);
            }
        }

        return array_values($findings);
    }

    private function name(?Event $event): string
    {
        return (string) $event?->first()->pitch?->spoken();
    }

    /** @param list<DividedNote> $divisi */
    private function finding(Event $event, string $code, string $message, array $divisi = []): FingeringFinding
    {
        $note = $event->notes[$code === 'impossible-decision' ? $this->head($event) : 0];

        return new FingeringFinding($code, $event->measure, $note, $message, $divisi);
    }
}
