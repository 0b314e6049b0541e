<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

/** Notes that begin between the beats and hold over the next one, and entries between the beats after a rest. */
final class OffTheBeat implements Detector
{
    public function find(PlayedLine $line): array
    {
        $spots = [];
        foreach ($line->notes as $note) {
            if ($note->onTheBeat || $note->event->isGrace()) {
                continue;
            }
            if ($note->holdsOverABeat) {
                $spots[] = new TroubleSpot('syncopation', 'held', 1.0, $note, "{$note->name()} begins between the beats and holds over the next.", 'Say the beats aloud and clap the rhythm; then play it with a small push on each beat.');
            } elseif ($note->place > 0 && $note->step->afterRest()) {
                $spots[] = new TroubleSpot('entry-off-the-beat', 'entry', 0.9, $note, "The entry on {$note->name()} comes between the beats.", 'Breathe in on the beat before it.');
            }
        }

        return $spots;
    }
}
