<?php

declare(strict_types=1);

namespace UprightPencil\Core\Fingering\Trouble;

use UprightPencil\Core\Strings\HandSize;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\Placement;

/** Extensions that are held or come again and again; for small hands any stretch. */
final class Stretches implements Detector
{
    /** Seconds. */
    private const HELD = 1.0;

    private const REPEATED = 3;

    private const WITHIN_MEASURES = 2;

    /** The usual caution (`product.md`, “Hands and bodies”). */
    private const CARE = 'Let the first finger go, or shift instead; stop if it hurts and tell the teacher.';

    public function find(PlayedLine $line): array
    {
        $stretched = array_values(array_filter($line->notes, static fn (PlayedNote $note): bool => $note->stop()->placement === Placement::Extended));
        $spots = [];
        foreach ($stretched as $index => $note) {
            $reason = $this->reason($line, $stretched, $index);
            if ($reason !== null) {
                $spots[] = new TroubleSpot('stretch', "{$note->stop()->finger}/{$note->stop()->string}", $line->profile->handSize === HandSize::Small ? 2.2 : 1.5, $note, "Extended {$note->stop()->finger} for {$note->name()} {$reason}.", self::CARE);
            }
        }
        if ($line->instrument === Instrument::Bass && $line->profile->fourFingerBass && $line->profile->handSize === HandSize::Small) {
            foreach (array_slice(array_filter($line->notes, static fn (PlayedNote $note): bool => $note->stop()->finger === 4), 0, 1) as $note) {
                $spots[] = new TroubleSpot('stretch', 'four-finger', 1.5, $note, 'A finger to each half step is wide for a small hand on the bass.', self::CARE);
            }
        }

        return $spots;
    }

    /** @param list<PlayedNote> $stretched */
    private function reason(PlayedLine $line, array $stretched, int $index): ?string
    {
        $note = $stretched[$index];
        $before = $stretched[$index - self::REPEATED + 1] ?? null;

        return match (true) {
            $line->profile->handSize === HandSize::Small => 'is a stretch for small hands',
            $note->step->seconds >= self::HELD => 'is held',
            $before !== null && $note->event->measure - $before->event->measure <= self::WITHIN_MEASURES => 'comes again and again',
            default => null,
        };
    }
}
