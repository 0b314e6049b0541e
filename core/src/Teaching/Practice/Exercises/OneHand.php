<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice\Exercises;

use UprightPencil\Core\Fingering\Trouble\PlayedNote;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Teaching\Practice\Exercise;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;
use UprightPencil\Core\Teaching\Practice\Step;

/** All notes of one hand first, up and down without rhythm, hand by hand. */
final readonly class OneHand implements Exercise
{
    public function name(): string
    {
        return 'one-hand';
    }

    public function title(): string
    {
        return 'All notes of one hand first';
    }

    public function because(Material $of): ?string
    {
        return $of->trouble('new-hand', 'held', 'entry', 'pattern-changes') ?? (count(self::hands($of)) > 1 ? 'The hand moves here: each place is learned by itself.' : null);
    }

    public function steps(Material $of): array
    {
        $hands = self::hands($of);
        $hands === [] && throw new NothingToPractise("Only open strings are played in {$of->where()}.");

        return array_map(function (int $hand, int $number) use ($of): Step {
            $notes = $of->pitches(static fn (PlayedNote $note): bool => $note->stop()->finger !== 0 && $note->grip->hand === $hand);
            $name = Instrument::positionName($notes[0]->grip->position);

            return $of->step($this, ucfirst("the hand in {$name}"), 'Set the whole hand before the bow begins; fingers stay down where they can.', 'Go on when every finger falls where it belongs.', $of->staff("hand{$number}", UpAndDown::of($of, $notes, 1)), 2);
        }, $hands, array_keys($hands));
    }

    /** @return list<int> in the order in which they come */
    private static function hands(Material $of): array
    {
        $stopped = array_filter($of->played, static fn (PlayedNote $note): bool => $note->stop()->finger !== 0);

        return array_values(array_unique(array_map(static fn (PlayedNote $note): int => $note->grip->hand, $stopped)));
    }
}
