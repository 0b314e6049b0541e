<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice\Exercises;

use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Teaching\Practice\Exercise;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\Staff;

/** Names are sung, then fingers are said, while the hand plays silently. */
final readonly class Names implements Exercise
{
    public function name(): string
    {
        return 'names';
    }

    public function title(): string
    {
        return 'Names sung, fingers said';
    }

    public function because(Material $of): ?string
    {
        return $of->trouble('off-the-key', 'accidental-holds', 'both-forms', 'wide-interval', 'first-use');
    }

    public function steps(Material $of): array
    {
        $sung = $of->changed('names', static fn (Note $note, ?NoteMark $mark): Note => self::under($note, $note->pitch === null || $note->tieStop || $note->chord ? null : $of->part->style->vocabulary->say($note->pitch->spokenLetter())));
        $said = $of->changed('fingers', static fn (Note $note, ?NoteMark $mark): Note => self::under($note, $mark?->finger === null || $note->tieStop || $note->chord ? null : $of->part->style->finger($mark->finger->fingering->stop->finger, $mark->finger->fingering->stop->placement)));

        return [
            $of->step($this, 'Names sung', 'Sing the names in rhythm; the fingers tap along on the string, without the bow.', 'Go on when no name comes late.', $sung),
            $of->step($this, 'Fingers said', 'The same, saying the fingers, low and high with them.', 'Go on when hand and voice agree.', $said),
        ];
    }

    private static function under(Note $note, ?string $text): Note
    {
        return $note->with(kept: [...array_diff_key($note->kept, ['lyric' => 1]), ...($text === null ? [] : ['lyric' => Staff::lyric($text)])]);
    }
}
