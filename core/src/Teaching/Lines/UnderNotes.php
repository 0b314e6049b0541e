<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Lines;

use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Score\Barline;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Teaching\Practice\Staff;

/** For beginners: the name of each note under it, its finger, or the count where that is needed. */
enum UnderNotes: string
{
    case Names = 'names';
    case Fingers = 'fingers';
    /** The beats where it begins, ends short and begins again: pickup and repeat are counted. */
    case Counts = 'counts';
    case Nothing = 'nothing';

    /** @param Part $written the part of which the notes are marked */
    public function on(Part $written, MarkedPart $marked): Part
    {
        $fingers = [];
        foreach ($marked->notes as $mark) {
            $mark->finger === null || $fingers[$mark->note->id] = $marked->style->finger($mark->finger->fingering->stop->finger, $mark->finger->fingering->stop->placement);
        }

        $beats = $this === self::Counts ? self::beats($written, $marked) : [];

        return $written->withNotes(function (Note $note) use ($marked, $fingers, $beats): Note {
            $text = match (true) {
                $this === self::Nothing, ! $note->sounds(), $note->chord, $note->tieStop => null,
                $this === self::Names => $note->pitch === null ? null : $marked->style->vocabulary->say($note->pitch->spokenLetter()),
                $this === self::Counts => $beats[$note->id] ?? null,
                default => $fingers[$note->id] ?? null,
            };

            return $text === null ? $note : $note->with(kept: [...$note->kept, 'lyric' => Staff::lyric($text)]);
        });
    }

    /** @return array<string, string> note => its beat, in a pickup, the short last measure and where a repeat begins and ends */
    private static function beats(Part $written, MarkedPart $marked): array
    {
        $beats = [];
        $last = count($written->measures) - 1;
        foreach ($written->measures as $index => $measure) {
            $short = ($index === 0 || $index === $last) && $measure->length < ($measure->meter?->ticks($marked->beats->resolution) ?? 0);
            $repeats = array_filter($measure->barlines, static fn (Barline $barline): bool => $barline->repeat !== null) !== [];
            foreach ($short || $repeats ? $measure->notes() : [] as $note) {
                $beat = $marked->beats->beatIn($index, $note->onset);
                $beats[$note->id] = $beat === floor($beat) ? (string) (int) $beat : '&';
            }
        }

        return $beats;
    }
}
