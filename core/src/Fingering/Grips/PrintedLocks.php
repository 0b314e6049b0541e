<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Grips;

use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Technical;
use UprightPencil\Core\Strings\Placement;

/** The fingers that are printed. Combined ones (“4-1”) say more than one thing and are left to the player. */
final class PrintedLocks
{
    /** @return array<string, FingerLock> by note id */
    public static function of(Line $line): array
    {
        $locks = [];
        foreach ($line->events as $event) {
            foreach ($event->notes as $note) {
                $lock = self::lock($note);
                $lock->isEmpty() || $locks[$note->id] = $lock;
            }
        }

        return $locks;
    }

    private static function lock(Note $note): FingerLock
    {
        $technical = $note->technical;
        $finger = $technical->open ? 0 : (preg_match('/^[0-4]$/', $technical->finger ?? '') === 1 ? (int) $technical->finger : null);

        return new FingerLock($finger, $technical->string === null ? null : 4 - $technical->string, self::isNaturalHarmonic($technical) ? Placement::Harmonic : null);
    }

    /** Artificial harmonics, and natural ones that are written where the finger touches, are left as they are printed. */
    private static function isNaturalHarmonic(Technical $technical): bool
    {
        return $technical->harmonic && preg_match('/artificial|touching-pitch|base-pitch/', implode('', $technical->other)) !== 1;
    }
}
