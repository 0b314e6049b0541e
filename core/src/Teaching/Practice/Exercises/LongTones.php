<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice\Exercises;

use UprightPencil\Core\Fingering\Trouble\PlayedNote;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Teaching\Practice\Exercise;
use UprightPencil\Core\Teaching\Practice\Material;

/** Long tones on the notes by which the class can tune: one section after another, against an open string where there is one. */
final readonly class LongTones implements Exercise
{
    private const MOST = 4;

    public function name(): string
    {
        return 'long-tones';
    }

    public function title(): string
    {
        return 'Long tones to tune';
    }

    public function because(Material $of): ?string
    {
        return self::chosen($of)[0]['against'] === null ? null : 'Open strings ring with notes here: they can be tuned by ear.';
    }

    public function steps(Material $of): array
    {
        $measure = Meter::of(4, 4)->ticks($of->resolution) ?? 4 * $of->resolution;
        $tones = [];
        foreach (self::chosen($of) as ['note' => $note, 'against' => $against]) {
            $said = $against === null ? null : "against the open {$against}";
            $tones[] = $of->tone($note, $measure, BowSign::Down)->with(said: $said);
            $tones[] = $of->tone($note, $measure)->with(finger: null, string: null);
        }

        return [$of->step($this, $this->title(), 'Hold each for a whole bow, down and up. Basses and cellos begin, then violas, then violins: listen before you come in.', 'Go on when the string below or above rings along.', $of->staff('long', $tones, Meter::of(4, 4)), 1, [60.0])];
    }

    /** @return non-empty-list<array{note: PlayedNote, against: string|null}> those that ring with an open string first, then the longest */
    private static function chosen(Material $of): array
    {
        $notes = array_map(static fn (PlayedNote $note): array => ['note' => $note, 'against' => self::against($of, $note)], $of->pitches());
        usort($notes, static fn (array $one, array $other): int => [$one['against'] === null, -$one['note']->event->first()->duration] <=> [$other['against'] === null, -$other['note']->event->first()->duration]);

        return array_slice($notes, 0, self::MOST) ?: throw new \LogicException('A passage has notes.');
    }

    /** An open string next to it that is the same note, an octave or a fifth away. */
    private static function against(Material $of, PlayedNote $note): ?string
    {
        if ($note->stop()->finger === 0) {
            return null;
        }
        foreach ([-1, 1] as $side) {
            $string = $note->stop()->string + $side;
            if ($string < 0 || $string > 3) {
                continue;
            }
            $apart = abs($note->pitch()->midi() - $of->open($string)->midi());
            if (in_array($apart, [0, 12], true)) {
                return $of->instrument->stringName($string);
            }
        }

        return null;
    }
}
