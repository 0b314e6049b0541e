<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice\Exercises;

use UprightPencil\Core\Fingering\Trouble\PlayedNote;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Strings\InstrumentData;
use UprightPencil\Core\Strings\Placement;
use UprightPencil\Core\Teaching\Practice\Exercise;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;
use UprightPencil\Core\Teaching\Practice\Step;

/** Into the pitch from the wrong side: from above it, sliding until it locks; then the pattern around it, no note before the last is in tune. */
final readonly class IntoPitch implements Exercise
{
    private const MOST = 2;

    public function name(): string
    {
        return 'into-pitch';
    }

    public function title(): string
    {
        return 'Into the pitch from above';
    }

    public function because(Material $of): ?string
    {
        return $of->trouble('off-the-key', 'both-forms', 'low-and-regular', 'wide-interval', 'stretch');
    }

    public function steps(Material $of): array
    {
        $targets = array_slice(self::targets($of), 0, self::MOST);
        $targets === [] && throw new NothingToPractise("Only open strings are played in {$of->where()}.");

        return array_map(fn (PlayedNote $target, int $number): Step => $this->into($of, $target, $number), $targets, array_keys($targets));
    }

    /** @return list<PlayedNote> what a class sits beside: off the key, low or high, stretched; else the highest stopped note */
    private static function targets(Material $of): array
    {
        $stopped = $of->pitches(static fn (PlayedNote $note): bool => $note->stop()->finger !== 0 && $note->stop()->offset < InstrumentData::HIGHEST_STOP);
        $doubtful = array_values(array_filter($stopped, static fn (PlayedNote $note): bool => $note->offKey() !== 0.0 || ! in_array($note->stop()->placement, [Placement::Regular, Placement::Harmonic], true)));

        return $doubtful ?: array_slice($stopped, -1);
    }

    private function into(Material $of, PlayedNote $target, int $number): Step
    {
        $pitch = $target->pitch();
        $above = $of->pitch($pitch->midi() + 1);
        $beat = $of->resolution;
        $tones = [
            $of->tone($target, $beat, BowSign::Down)->with(pitch: $above, finger: null, said: 'slide down until it locks', slides: true),
            $of->tone($target, 3 * $beat)->with(sung: $pitch->spokenLetter()),
        ];
        foreach (self::around($of, $target) as $note) {
            $tones[] = $of->tone($note, 2 * $beat)->with(sung: $note->pitch()->spokenLetter());
        }

        return $of->step($this, "Into {$pitch->spokenLetter()}", 'Start too high with the finger of the note, slide until it locks with the open string beside it or with another section. Never go on before it is in tune.', 'Go on when it is found without sliding.', $of->staff("into{$number}", $tones), 2);
    }

    /** @return list<PlayedNote> the next pitch below, itself, and the next above */
    private static function around(Material $of, PlayedNote $target): array
    {
        $all = $of->pitches();
        $place = (int) array_search($target, $all, true);

        return array_values(array_filter([$all[$place - 1] ?? null, $target, $all[$place + 1] ?? null]));
    }
}
