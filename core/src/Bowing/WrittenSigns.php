<?php

declare(strict_types=1);

namespace UprightPencil\Core\Bowing;

/** Chooses which directions are written on the page: the fewest that leave no doubt (`bowing.md`, “Marks on the page”). */
final class WrittenSigns
{
    /**
     * @param  BowMarks  $fixed  printed and decided marks, which are always written
     * @param  int  $measureTicks  a silence this long is followed by a sign as a reminder
     * @return array<int, true> stroke indexes
     */
    public static function of(BowedLine $line, BowMarks $fixed, int $measureTicks): array
    {
        $written = [];
        foreach ($line->played as $bowed) {
            $stroke = $line->strokes[$bowed->stroke];
            $needed = ! $stroke->changed && ($bowed->before === null
                || $bowed->before === $bowed->direction
                || $bowed->jumped
                || $stroke->gap >= $measureTicks
                || BowFollower::lock($stroke, $fixed) !== null);
            if ($needed) {
                $written[$bowed->stroke] = true;
            }
        }

        return $written;
    }
}
