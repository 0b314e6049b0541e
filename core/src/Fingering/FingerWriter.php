<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering;

use UprightPencil\Core\Fingering\Grips\Fingering;
use UprightPencil\Core\Fingering\Grips\FingerLock;
use UprightPencil\Core\Fingering\Grips\FingerWishes;
use UprightPencil\Core\Fingering\Search\FingeredLine;
use UprightPencil\Core\Fingering\Writing\BrokenChords;
use UprightPencil\Core\Fingering\Writing\FingerMarks;
use UprightPencil\Core\Fingering\Writing\HandMarks;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Strings\FingersWritten;
use UprightPencil\Core\Strings\Instrument;

/** Says for every note of a fingered line what the hand does at it, and what of that is written on the page. */
final readonly class FingerWriter
{
    /**
     * @param  array<string, FingerLock>  $printed  by note id
     */
    public function __construct(
        private Instrument $instrument,
        private FingersWritten $density,
        private FingerWishes $wishes,
        private array $printed,
    ) {}

    /**
     * @param  list<string>  $impossible  notes whose decided finger cannot be played
     * @return array<string, FingerMark> by note id
     */
    public function marks(Line $line, FingeredLine $fingered, array $impossible): array
    {
        $between = HandMarks::of($fingered->events, $fingered->grips, $fingered->steps);
        $written = FingerMarks::of($line, $fingered->fingerings, $between, $this->density);
        $stays = $this->stays($line, $between->stays);
        $broken = BrokenChords::of($fingered->events);
        $locks = array_intersect_key([...$this->wishes->printed, ...$this->wishes->decided], array_flip($impossible));
        $marks = [];
        foreach ($fingered->fingerings as $id => $fingering) {
            $against = $this->isAgainstPrint($id, $fingering);
            $marks[$id] = new FingerMark(
                $fingering,
                $this->instrument->stringName($fingering->stop->string),
                isset($written->written[$id]) || isset($stays[$id]) || isset($locks[$id]) || $against,
                isset($written->moves[$id]),
                $this->wishes->isOff('slide', $id) ? null : $between->slides[$id] ?? null,
                $this->wishes->isOff('bar', $id) ? null : $between->bars[$id] ?? null,
                $this->wishes->isOff('stay', $id) ? null : $stays[$id] ?? null,
                $locks[$id] ?? null,
                [
                    ...($fingering->untaught === null ? [] : ["Not taught yet: {$fingering->untaught}."]),
                    ...(isset($broken[$id]) ? [$broken[$id]] : []),
                    ...($against ? ['The print has another fingering here.'] : []),
                ],
            );
        }

        return $marks;
    }

    private function isAgainstPrint(string $note, Fingering $fingering): bool
    {
        return isset($this->printed[$note]) && ! $this->printed[$note]->admits($fingering->stop, $fingering->position);
    }

    /**
     * Fingers that stay down, also where somebody decided it: until the next note.
     *
     * @param  array<string, string>  $stays
     * @return array<string, string>
     */
    private function stays(Line $line, array $stays): array
    {
        foreach ($this->wishes->stays === [] ? [] : $line->events as $place => $event) {
            $next = $line->events[$place + 1] ?? null;
            if ($next !== null && isset($this->wishes->stays[$event->first()->id])) {
                $stays[$event->first()->id] ??= $next->first()->id;
            }
        }

        return $stays;
    }
}
