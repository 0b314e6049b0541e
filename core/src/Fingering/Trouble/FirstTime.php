<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

/** What this class has not been taught, or has only just learned, where it first comes. */
final class FirstTime implements Detector
{
    public function find(PlayedLine $line): array
    {
        $spots = [];
        foreach ($line->firstUses() as $use) {
            if ($use->newness !== Newness::Known) {
                $new = $use->newness === Newness::NotTaught;
                $spots[] = new TroubleSpot('first-use', $use->what, $new ? 2.4 : 0.6, $use->at, $new
                    ? "{$use->spoken()} has not been taught to this class; it first comes here with {$use->at->name()}."
                    : "{$use->spoken()} is among the newest things this class knows; it first comes here with {$use->at->name()}.");
            }
        }

        return $spots;
    }
}
