<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

/** An accidental that still holds later in the measure, or that a tie carries over the barline and the next note does not have. */
final class AccidentalHolds implements Detector
{
    public function find(PlayedLine $line): array
    {
        $spots = [];
        $held = [];
        $carried = null;
        foreach ($line->notes as $place => $note) {
            $before = $line->notes[$place - 1] ?? null;
            if ($before === null || $before->event->measure !== $note->event->measure) {
                $held = [];
            }
            $letter = $note->pitch()->letter.$note->pitch()->octave;
            // Right after the note that has the sign nobody forgets it.
            $later = $before !== null && $before->pitch()->midi() !== $note->pitch()->midi();
            if ($later && ($held[$letter] ?? null) === $note->pitch()->alter && $note->note()->accidental === null && $note->offKey() !== 0.0) {
                $spots[] = new TroubleSpot('accidental-holds', $letter, 1.1, $note, "{$note->name()} has no sign of its own: the accidental from earlier in the measure still holds.", 'Write the accidental in as a reminder.');
            }
            if ($carried !== null && $this->comesBackOtherwise($carried, $note)) {
                $spots[] = new TroubleSpot('tie-carries', $letter, 1.2, $note, "The tie carries {$carried->name()} over the barline, but the next {$note->pitch()->letter} is {$note->name()}.", 'Write the accidental in as a reminder.');
                $carried = null;
            }
            $note->offKey() !== 0.0 && $held[$letter] = $note->pitch()->alter;
            $carried = $note->note()->tieStart && $note->offKey() !== 0.0 ? $note : $this->stillNear($carried, $note);
        }

        return $spots;
    }

    private function comesBackOtherwise(PlayedNote $carried, PlayedNote $note): bool
    {
        return $carried->pitch()->letter === $note->pitch()->letter && $carried->pitch()->octave === $note->pitch()->octave && $carried->pitch()->alter !== $note->pitch()->alter;
    }

    /** A tie is remembered for the measure into which it leads. */
    private function stillNear(?PlayedNote $carried, PlayedNote $note): ?PlayedNote
    {
        return $carried !== null && $note->event->measure - $carried->event->measure <= 1 ? $carried : null;
    }
}
