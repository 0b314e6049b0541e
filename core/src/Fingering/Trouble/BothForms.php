<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

/** A letter that is used both natural and altered on one string in one phrase: on two strings each finger keeps its place. */
final class BothForms implements Detector
{
    public function find(PlayedLine $line): array
    {
        $spots = [];
        foreach ($line->phrases() as $phrase) {
            $first = [];
            foreach ($phrase as $note) {
                $letter = "{$note->pitch()->letter} on {$note->stop()->string}";
                $first[$letter] ??= $note;
                if ($first[$letter]->pitch()->alter !== $note->pitch()->alter) {
                    $spots[] = new TroubleSpot('both-forms', $letter, 1.0, $note, "{$first[$letter]->name()} and {$note->name()} come in one phrase.", 'Say the note names of the phrase aloud, then play it.');
                    $first[$letter] = $note;
                    break;
                }
            }
        }

        return $spots;
    }
}
