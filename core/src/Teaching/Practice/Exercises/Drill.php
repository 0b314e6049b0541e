<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice\Exercises;

use UprightPencil\Core\Fingering\Trouble\PlayedNote;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Strings\Placement;
use UprightPencil\Core\Teaching\Practice\Exercise;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;
use UprightPencil\Core\Teaching\Practice\Tone;

/** Low and regular: the two places of one finger side by side, each after its open string, there and back. */
final readonly class Drill implements Exercise
{
    private const TIMES = 4;

    public function name(): string
    {
        return 'drill';
    }

    public function title(): string
    {
        return 'Low and regular, grounded';
    }

    public function because(Material $of): ?string
    {
        return self::mixed($of) === null ? null : ($of->trouble('low-and-regular', 'both-forms', 'pattern-changes') ?? 'One finger lies in two places here.');
    }

    public function steps(Material $of): array
    {
        [$one, $other] = self::mixed($of) ?? throw new NothingToPractise("No finger lies in two places in {$of->where()}.");
        $there = [$this->open($of, $one), $this->named($of, $one), $this->open($of, $other), $this->named($of, $other)];
        $tones = [...$there, ...array_reverse($there)];
        $tones[0] = $tones[0]->with(bow: BowSign::Down);

        return [$of->step($this, "{$of->finger($one)} on {$of->instrument->stringName($one->stop()->string)}, {$of->finger($other)} on {$of->instrument->stringName($other->stop()->string)}", 'Say the finger before it falls; the open string before it says whether it is right.', 'Go on when it is right four times in a row.', $of->staff('drill', $tones), self::TIMES)];
    }

    /** The open string of a note's own string. */
    private function open(Material $of, PlayedNote $note): Tone
    {
        return new Tone($of->resolution, $of->open($note->stop()->string), $of->part->style->finger(0, Placement::Open), Material::stringNumber($note->stop()->string), sung: 'open');
    }

    private function named(Material $of, PlayedNote $note): Tone
    {
        return $of->tone($note, $of->resolution)->with(sung: trim(str_replace('regular', '', $note->stop()->placement->value).' '.$note->stop()->finger));
    }

    /**
     * The finger that lies in two places most often.
     *
     * @return array{PlayedNote, PlayedNote}|null
     */
    private static function mixed(Material $of): ?array
    {
        $places = $times = [];
        foreach ($of->played as $note) {
            $finger = $note->stop()->finger;
            if ($finger !== 0 && count($note->grip->stops) === 1) {
                $places[$finger][$note->stop()->place() - $note->grip->hand] ??= $note;
                $times[$finger] = ($times[$finger] ?? 0) + 1;
            }
        }
        arsort($times);
        foreach (array_keys($times) as $finger) {
            if (count($places[$finger]) > 1) {
                // The higher place first: that is the one the hand goes to by itself.
                krsort($places[$finger]);
                $two = array_values($places[$finger]);

                return [$two[0], $two[1]];
            }
        }

        return null;
    }
}
