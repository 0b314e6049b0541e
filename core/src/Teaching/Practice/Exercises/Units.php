<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice\Exercises;

use UprightPencil\Core\Fingering\Trouble\PlayedNote;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Teaching\Practice\Exercise;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;
use UprightPencil\Core\Teaching\Practice\Tone;

/** Units of four notes, each beginning with the last of the one before; then two units joined. */
final readonly class Units implements Exercise
{
    public const SIZE = 4;

    public function name(): string
    {
        return 'units';
    }

    public function title(): string
    {
        return 'Units of four, joined';
    }

    public function because(Material $of): ?string
    {
        $quick = array_filter($of->played, static fn (PlayedNote $note): bool => 2 * $note->event->first()->duration <= $of->resolution);

        return 2 * count($quick) > count($of->played) ? 'Most notes are quick: four at a time are learned at tempo.' : null;
    }

    public function steps(Material $of): array
    {
        $notes = array_values(array_filter($of->played, static fn (PlayedNote $note): bool => ! $note->note()->tieStop && ! $note->note()->grace));
        count($notes) > self::SIZE || throw new NothingToPractise("There are too few notes in {$of->where()} for units of four.");
        $steps = [$of->step($this, $of->meter->isCompound() ? 'Threes, each into the next' : 'Units of four', 'The hand is set for the whole unit before the bow moves; a stop after each, in which it is ready for the next.', 'Go on when each is right twice in a row.', $of->staff('units', self::tones($of, $notes, self::SIZE)), 2)];
        if (count($notes) > 2 * self::SIZE - 1) {
            $steps[] = $of->step($this, $of->meter->isCompound() ? 'Sixes' : 'Units joined', 'Two units in one breath.', 'Go on when there is no seam; then once from memory.', $of->staff('joined', self::tones($of, $notes, 2 * self::SIZE - 1)), 2);
        }

        return $steps;
    }

    /**
     * @param  list<PlayedNote>  $notes
     * @return list<Tone>
     */
    private static function tones(Material $of, array $notes, int $size): array
    {
        $tones = [];
        for ($from = 0; $from < count($notes) - 1; $from += $size - 1) {
            foreach (array_slice($notes, $from, $size) as $place => $note) {
                $tones[] = $of->tone($note, self::plain($of, $note), $place === 0 ? self::bow($of, $note) : null)->with(measure: $place === 0);
            }
        }

        return $tones;
    }

    private static function bow(Material $of, PlayedNote $note): ?BowSign
    {
        return ($of->marks[$note->note()->id] ?? null)?->bow?->direction;
    }

    /** Its own length where that can be written plainly; a note of a triplet is an eighth. */
    private static function plain(Material $of, PlayedNote $note): int
    {
        $written = $note->note();

        return $written->value?->tuplet === null && $written->duration % max(1, intdiv($of->resolution, 8)) === 0 ? min($written->duration, 2 * $of->resolution) : intdiv($of->resolution, 2);
    }
}
