<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice\Exercises;

use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\PrintedAccidentals;
use UprightPencil\Core\Score\Technical;
use UprightPencil\Core\Teaching\Practice\Exercise;
use UprightPencil\Core\Teaching\Practice\Material;
use UprightPencil\Core\Teaching\Practice\Staff;
use UprightPencil\Core\Teaching\Practice\Tone;

/** The rhythm on one open string: in a simpler grouping first, the beats alone, then all of it. */
final readonly class Rhythm implements Exercise
{
    public function name(): string
    {
        return 'rhythm';
    }

    public function title(): string
    {
        return 'Rhythm on one note';
    }

    public function because(Material $of): ?string
    {
        return $of->trouble('syncopation', 'entry-off-the-beat', 'tie-carries', 'entry');
    }

    public function steps(Material $of): array
    {
        $string = $of->strings()[0] ?? 1;
        $open = $of->open($string);
        $first = array_key_first($of->marks);
        $under = SlurredNotes::of($of);
        $technical = static fn (Note $note): Technical => $note->id === $first ? new Technical($of->firstBow(), '0', Material::stringNumber($string)) : new Technical;
        $all = PrintedAccidentals::over($of->changed('rhythm', static fn (Note $note, ?NoteMark $mark): ?Note => match (true) {
            $note->rest => $note,
            $note->chord, $note->grace => null,
            default => $note->with(pitch: $open, accidental: null, slurs: [], articulations: isset($under[$note->id]) ? [] : $note->articulations, technical: $technical($note), kept: array_diff_key($note->kept, ['accidental' => 1, 'stem' => 1, 'lyric' => 1])),
        }));
        $beats = self::beats($of);
        $steps = [$of->step($this, 'The whole rhythm', 'On one open string, a bow a note, counting aloud.', 'Go on when nobody has to think of the count.', $all, 2)];
        if (count($beats) < count($of->marks)) {
            $tones = array_map(static fn (array $beat, int $place): Tone => new Tone($beat[1], $beat[0] ? $open : null, $place === 0 ? '0' : null, $place === 0 ? Material::stringNumber($string) : null, $place === 0 ? $of->firstBow() : null), $beats, array_keys($beats));
            array_unshift($steps, $of->step($this, 'The beats alone', 'Only what falls on a beat, held until the next: the frame of the rhythm.', 'Go on when the beats are even.', $of->staff('beats', self::fromTheBarline($of, $tones)), 2));
        }

        $places = self::places($of);
        if ($places !== []) {
            $shared = array_map(static fn (Measure $measure): Measure => $measure->with(items: array_map(static fn (object $item): object => $item instanceof Note && isset($places[substr($item->id, strlen('share-'))]) ? $item->with(kept: [...$item->kept, 'lyric' => Staff::lyric($of->part->style->vocabulary->say($places[substr($item->id, strlen('share-'))]))]) : $item, $measure->items)), OpenStrings::bowed($of, 'share', $string));
            $steps[] = $of->step($this, 'The bow shared out', 'On one open string with the bows of the music: a long stroke begins where the word under it says, short ones in little bow.', 'Go on when the bow never runs out.', $shared, 2);
        }

        return $steps;
    }

    /** @return array<string, string> note with which a stroke begins that is twice as long as the shortest => where on the bow */
    private static function places(Material $of): array
    {
        $lengths = $starts = [];
        foreach ($of->marks as $id => $mark) {
            if ($mark->bow?->direction !== null && ! $mark->note->chord && ! $mark->note->grace) {
                $lengths[$mark->bow->stroke] = ($lengths[$mark->bow->stroke] ?? 0) + $mark->note->duration;
                $mark->bow->travel === null || $starts[$mark->bow->stroke] ??= [$id, $mark->bow->travel->from];
            }
        }
        if ($lengths === [] || max($lengths) < 2 * min($lengths)) {
            return [];
        }
        $places = [];
        foreach ($starts as $stroke => [$id, $from]) {
            $lengths[$stroke] < 2 * min($lengths) || $places[$id] = $from < 1 / 3 ? 'frog' : ($from > 2 / 3 ? 'tip' : 'middle');
        }

        return $places;
    }

    /** @return list<array{bool, int}> whether something sounds, and for how many ticks: what begins between the beats goes to the one before */
    private static function beats(Material $of): array
    {
        $beats = [];
        $start = $of->measures[0]->start;
        foreach ($of->measures as $measure) {
            foreach ($measure->notes() as $note) {
                if ($note->chord || $note->grace) {
                    continue;
                }
                $onBeat = $note->onset % max(1, $measure->meter?->beatTicks($of->resolution) ?? $of->resolution) === 0;
                $last = array_key_last($beats);
                if ($last === null || ($onBeat && ! $note->tieStop)) {
                    $beats[] = [$note->sounds(), $note->duration];
                } else {
                    $beats[$last][1] += $note->duration;
                }
            }
        }

        return $start === 0 ? $beats : [];
    }

    /**
     * A pickup stands at the end of its measure.
     *
     * @param  list<Tone>  $tones
     * @return list<Tone>
     */
    private static function fromTheBarline(Material $of, array $tones): array
    {
        $short = ($of->meter->ticks($of->resolution) ?? 0) - $of->measures[0]->length;

        return $short > 0 ? [new Tone($short), ...$tones] : $tones;
    }
}
