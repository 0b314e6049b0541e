<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Search;

use UprightPencil\Core\Fingering\Grips\Candidates;
use UprightPencil\Core\Fingering\Grips\FingerLock;
use UprightPencil\Core\Fingering\Grips\GripFinder;
use UprightPencil\Core\Fingering\Line\Steps;
use UprightPencil\Core\Fingering\Terms\Terms;
use UprightPencil\Core\Score\Dynamics;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\TempoMap;
use UprightPencil\Core\Strings\ClassProfile;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\SoundingPitch;

/** Finds the cheapest fingering of the lines of a part that a class can play. */
final readonly class Solver
{
    private Terms $terms;

    private GripFinder $finder;

    private Steps $steps;

    public function __construct(
        private Part $part,
        Instrument $instrument,
        ClassProfile $profile,
        private SoundingPitch $sounding,
        TempoMap $tempo,
        Dynamics $dynamics,
    ) {
        $this->terms = Terms::for($instrument, $profile);
        $this->finder = new GripFinder($instrument, $profile);
        $this->steps = new Steps($tempo, $dynamics);
    }

    /**
     * @param  array<string, FingerLock>  $printed  fingers that are followed unless decided otherwise, by note id
     * @param  array<string, FingerLock>  $suggested  printed fingers that are suggestions only
     * @param  array<int, true>  $joined  events that share a stroke with the event before them, as printed
     */
    public function line(Line $line, array $printed, array $suggested, array $joined): LineSearch
    {
        $candidates = Candidates::of($line, $this->finder, $this->sounding, $printed, $suggested);

        return new LineSearch($line, $this->part, $candidates, $this->steps, $this->terms, $joined);
    }

    /** Shares chords among players. */
    public function divisi(): Divisi
    {
        return new Divisi(fn (Note $note): array => $note->pitch === null ? [] : $this->finder->grips([$this->sounding->sounding($note->pitch)], []));
    }
}
