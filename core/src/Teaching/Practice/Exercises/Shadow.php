<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice\Exercises;

use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Technical;
use UprightPencil\Core\Teaching\Practice\Exercise;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\NothingToPractise;
use UprightPencil\Core\Teaching\Practice\Staff;

/** Bowing in the air, and counting aloud. */
final readonly class Shadow implements Exercise
{
    private const QUARTERS = [0 => '', 1 => 'e', 2 => '&', 3 => 'a'];

    /** Letter and octave of the middle line, by the sign of the clef. */
    private const MIDDLE = ['G' => ['B', 4], 'C' => ['C', 4], 'F' => ['D', 3]];

    public function name(): string
    {
        return 'shadow';
    }

    public function title(): string
    {
        return 'Shadow bowing, counting aloud';
    }

    public function because(Material $of): ?string
    {
        return $of->trouble('entry-off-the-beat', 'syncopation', 'tie-carries') ?? ($of->hasSlurs() ? 'Slurs and separate bows follow each other: the arm learns them first.' : null);
    }

    public function steps(Material $of): array
    {
        $of->isBowed() || throw new NothingToPractise("{$of->where()} is plucked: there is no bow to practise.");
        $measures = $of->changed('shadow', static fn (Note $note, ?NoteMark $mark): ?Note => $note->rest ? $note : ($note->chord || $note->grace ? null : self::shadow($of, $note, $mark)));

        return [$of->step($this, $this->title(), 'Bow hold in the air or over the shoulder: directions and slurs as written, the count aloud. No sound.', 'Go on when arm and count agree twice in a row.', $measures, 2)];
    }

    private static function shadow(Material $of, Note $note, ?NoteMark $mark): Note
    {
        [$step, $octave] = self::MIDDLE[$of->clef->sign] ?? self::MIDDLE['G'];

        return $note->with(
            pitch: null, accidental: null, technical: new Technical($note->technical->bow),
            kept: [...array_diff_key($note->kept, ['accidental' => 1, 'stem' => 1]), 'unpitched' => "<unpitched><display-step>{$step}</display-step><display-octave>{$octave}</display-octave></unpitched>", 'notehead' => '<notehead>x</notehead>']
                + (($count = self::count($of, $note, $mark)) === null ? [] : ['lyric' => Staff::lyric($count)]),
        );
    }

    /** “2”, “&”, “e”, “a”; in threes the eighths are counted. */
    private static function count(Material $of, Note $note, ?NoteMark $mark): ?string
    {
        if ($mark === null || $note->tieStop) {
            return null;
        }
        $beat = $mark->place->beat;
        $part = (int) round(4 * ($beat - floor($beat)));

        return abs(4 * ($beat - floor($beat)) - $part) > 0.05 ? '·' : ($part === 0 || $part === 4 ? (string) (int) round($beat) : self::QUARTERS[$part] ?? '·');
    }
}
