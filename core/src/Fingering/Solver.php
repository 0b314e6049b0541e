<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering;

use UprightPencil\Core\Score\Dynamics;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\SoundingPitch;

/** Finds the cheapest fingering of a line that a class can play, with what was decided in it. */
final readonly class Solver
{
    private Terms $terms;

    private GripFinder $finder;

    private Steps $steps;

    public function __construct(
        private Instrument $instrument,
        ClassProfile $profile,
        private SoundingPitch $sounding,
        TempoMap $tempo,
        Dynamics $dynamics,
    ) {
        $this->terms = Terms::for($instrument, $profile);
        $this->finder = new GripFinder($instrument, $profile);
        $this->steps = new Steps($tempo, $dynamics);
    }

    /** @param array<int, true> $joined events that share a stroke with the event before them */
    public function solve(Line $line, FingerWishes $wishes, array $joined): FingeredLine
    {
        $candidates = Candidates::of($line, $this->finder, $this->sounding, $wishes);
        $steps = $this->steps->of($candidates->events, $joined, $wishes->suggested);
        $search = new FingeringSearch($candidates->events, $candidates->free, $steps, $this->terms);
        $grips = $search->cheapest()->states;
        if ($candidates->touched !== []) {
            $search = new FingeringSearch($candidates->events, $candidates->decided, $this->linked($candidates, $steps, $wishes), $this->terms);
            $grips = Windows::around($candidates, $steps, $grips)->solved($search, $grips);
        }
        $fingerings = $this->fingerings($candidates, $grips, $wishes);
        $this->carryOverTies($line, $fingerings);

        return new FingeredLine($fingerings, (new FingeringFindings($this->instrument, $wishes, $this->divisi()))->of($candidates, $grips), $search->costOf(0, $grips, null, null), new Alternatives($search, $grips), HandMarks::of($candidates->events, $grips, $steps), $candidates->events, $grips, $steps);
    }

    private function divisi(): Divisi
    {
        return new Divisi(fn (Note $note): array => $note->pitch === null ? [] : $this->finder->grips([$this->sounding->sounding($note->pitch)], []));
    }

    /**
     * @param  list<Step>  $steps
     * @return list<Step>
     */
    private function linked(Candidates $candidates, array $steps, FingerWishes $wishes): array
    {
        $linked = $steps;
        foreach ($steps as $place => $step) {
            $link = $place === 0 ? null : $wishes->link($candidates->events[$place - 1]->first()->id, $candidates->events[$place]->first()->id);
            $link === null || $linked[$place] = $step->linked($link);
        }

        return array_values($linked);
    }

    /**
     * @param  list<Grip>  $grips
     * @return array<string, Fingering>
     */
    private function fingerings(Candidates $candidates, array $grips, FingerWishes $wishes): array
    {
        $choice = array_diff_key($wishes->open, array_flip(array_map(static fn (int $place): string => $candidates->events[$place]->first()->id, $candidates->noChoice)));
        $fingerings = [];
        foreach ($candidates->events as $place => $event) {
            $grip = $grips[$place];
            foreach ($event->notes as $head => $note) {
                $locked = isset($wishes->decided[$note->id]) || isset($wishes->printed[$note->id]);
                $fingerings[$note->id] = new Fingering($grip->stops[$head], $grip->hand, $grip->position, $grip->untaught, $locked, isset($choice[$note->id]));
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
}
