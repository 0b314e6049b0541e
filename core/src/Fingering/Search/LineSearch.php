<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Search;

use UprightPencil\Core\Fingering\Grips\Candidates;
use UprightPencil\Core\Fingering\Grips\DecidedCandidates;
use UprightPencil\Core\Fingering\Grips\Fingering;
use UprightPencil\Core\Fingering\Grips\FingerWishes;
use UprightPencil\Core\Fingering\Grips\Grip;
use UprightPencil\Core\Fingering\Line\Step;
use UprightPencil\Core\Fingering\Line\Steps;
use UprightPencil\Core\Fingering\Terms\Terms;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Phrases;

/**
 * One line, ready to be fingered with whatever is decided in it. As it is printed it is searched once; a decision, also one
 * that changes a slur, is searched anew only in the stretch that it can reach (`Windows`).
 */
final class LineSearch
{
    /** @var list<Step> as printed */
    private readonly array $steps;

    private readonly FingeringSearch $printed;

    /** @var list<int> for each event its phrase */
    private readonly array $phrases;

    /** @param array<int, true> $joined events that share a stroke with the event before them, as printed */
    public function __construct(
        private readonly Line $line,
        Part $part,
        private readonly Candidates $candidates,
        Steps $reader,
        Terms $terms,
        private readonly array $joined,
    ) {
        $this->steps = $reader->of($candidates, $joined);
        $this->printed = new FingeringSearch($candidates->events, $candidates->free, $this->steps, $terms);
        $this->phrases = Phrases::of($candidates->events, $part, fn (int $place): bool => $this->steps[$place]->afterRest());
    }

    /** @param array<int, true> $joined events that share a stroke with the event before them, as it is bowed */
    public function solved(FingerWishes $wishes, array $joined): FingeredLine
    {
        $decided = DecidedCandidates::of($this->candidates, $wishes);
        $steps = $this->linked($joined === $this->joined ? $this->steps : Steps::slurredOtherwise($this->steps, $this->candidates->events, $joined), $wishes);
        $touched = $decided->touched + $this->slurredOtherwise($steps);
        $grips = $this->printed->cheapest();
        $search = $this->printed;
        if ($touched !== []) {
            $search = $this->printed->with($decided->layers, $steps);
            $grips = Windows::around($this->candidates->events, array_keys($touched), $steps, $grips)->solved($search, $grips);
        }

        return new FingeredLine($this->candidates, $decided, $this->fingerings($decided, $grips, $wishes), $search->price($grips), new Alternatives($search, $grips, $this->phrases), $grips, $steps, $this->phrases);
    }

    /**
     * @param  list<Step>  $steps
     * @return array<int, true> places whose slurs are not as they are printed
     */
    private function slurredOtherwise(array $steps): array
    {
        $touched = [];
        foreach ($steps === $this->steps ? [] : $steps as $place => $step) {
            if ($step->slurred !== $this->steps[$place]->slurred) {
                $touched[$place] = true;
            }
        }

        return $touched;
    }

    /**
     * @param  list<Step>  $steps
     * @return list<Step>
     */
    private function linked(array $steps, FingerWishes $wishes): array
    {
        $events = $this->candidates->events;
        foreach ($wishes->links === [] && $wishes->onward === [] ? [] : array_keys($steps) as $place) {
            $link = $place === 0 ? null : $wishes->link($events[$place - 1]->first()->id, $events[$place]->first()->id);
            $link === null || $steps[$place] = $steps[$place]->linked($link);
        }

        return array_values($steps);
    }

    /**
     * @param  list<Grip>  $grips
     * @return array<string, Fingering> by note id
     */
    private function fingerings(DecidedCandidates $decided, array $grips, FingerWishes $wishes): array
    {
        $noChoice = array_flip(array_map(fn (int $place): string => $this->candidates->events[$place]->first()->id, $decided->noChoice));
        $fingerings = [];
        foreach ($this->candidates->events as $place => $event) {
            $grip = $grips[$place];
            foreach ($event->notes as $head => $note) {
                $locked = isset($wishes->decided[$note->id]) || isset($wishes->printed[$note->id]);
                $fingerings[$note->id] = new Fingering($grip->stops[$head], $grip->hand, $grip->position, $grip->untaught, $locked, isset($wishes->open[$note->id]) && ! isset($noChoice[$note->id]));
            }
        }

        return $this->heldOver($fingerings);
    }

    /**
     * A note that is held over keeps the finger it has.
     *
     * @param  array<string, Fingering>  $fingerings
     * @return array<string, Fingering>
     */
    private function heldOver(array $fingerings): array
    {
        // The last fingering that was tied on, by MIDI number: a later ending goes on from the note before the first one.
        $held = [];
        foreach ($this->line->events as $event) {
            foreach ($event->notes as $note) {
                $midi = $note->pitch?->midi() ?? -1;
                if ($note->tieStop && isset($held[$midi]) && ! isset($fingerings[$note->id])) {
                    $fingerings[$note->id] = $held[$midi];
                }
                if ($note->tieStart && isset($fingerings[$note->id])) {
                    $held[$midi] = $fingerings[$note->id];
                }
            }
        }

        return $fingerings;
    }
}
