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
use UprightPencil\Core\Teaching\Practice\NothingToPractise;

/** Each note is the open string that it is fingered on: crossings and directions stay, the left hand rests. */
final readonly class OpenStrings implements Exercise
{
    public function name(): string
    {
        return 'open-strings';
    }

    public function title(): string
    {
        return 'Bow alone on open strings';
    }

    public function because(Material $of): ?string
    {
        return $of->trouble('fast-crossings', 'skips-a-string', 'rocks-in-slur') ?? (count($of->strings()) > 1 && $of->isBowed() ? 'The bow crosses strings here.' : null);
    }

    public function steps(Material $of): array
    {
        $of->isBowed() || throw new NothingToPractise("{$of->where()} is plucked: there is no bow to practise.");

        return [$of->step($this, $this->title(), 'Bow, strings and directions as in the music; the left hand rests. The elbow leads each crossing.', 'Go on when every crossing is silent.', self::bowed($of, 'open'), 2)];
    }

    /**
     * @param  string  $name  with which the ids of its notes begin
     * @param  int|null  $on  one string for all of it; null: each note on the string that it is fingered on
     * @return list<Measure>
     */
    public static function bowed(Material $of, string $name, ?int $on = null): array
    {
        return PrintedAccidentals::over(self::held($of->changed($name, static fn (Note $note, ?NoteMark $mark): ?Note => self::opened($of, $note, $mark, $on)), $of, $name));
    }

    private static function opened(Material $of, Note $note, ?NoteMark $mark, ?int $on): ?Note
    {
        if ($note->rest) {
            return $note;
        }
        $stop = $mark?->finger?->fingering->stop;
        if ($note->grace || $stop === null) {
            return $note->grace ? null : $note;
        }

        return $note->with(
            pitch: $of->open($on ?? $stop->string), accidental: null, kept: array_diff_key($note->kept, ['accidental' => 1, 'stem' => 1, 'lyric' => 1]),
            technical: new Technical($note->technical->bow, '0', Material::stringNumber($on ?? $stop->string)),
        );
    }

    /**
     * Under one slur the same open string is one long note.
     *
     * @param  list<Measure>  $measures
     * @return list<Measure>
     */
    private static function held(array $measures, Material $of, string $name): array
    {
        $heads = array_values(array_filter(array_merge(...array_map(static fn (Measure $measure): array => $measure->notes(), $measures)), static fn (Note $note): bool => $note->sounds() && ! $note->chord));
        $mark = static fn (Note $note): ?NoteMark => $of->marks[substr($note->id, strlen($name) + 1)] ?? null;
        $joined = [];
        foreach ($heads as $place => $note) {
            $next = $heads[$place + 1] ?? null;
            $goesOn = $next !== null && $next->pitch == $note->pitch && ($note->tieStart || ($mark($next)?->bow?->begins === false && $mark($next)->bow->action === null && $mark($next)->bow->stroke === $mark($note)?->bow?->stroke));
            $joined[$note->id] = [$joined[$note->id][0] ?? false, $goesOn];
            $next === null || $joined[$next->id] = [$goesOn, false];
        }

        return array_map(static fn (Measure $measure): Measure => $measure->with(items: array_map(static function (object $item) use ($joined): object {
            if (! $item instanceof Note || ! isset($joined[$item->id])) {
                return $item instanceof Note && $item->sounds() ? $item->with(tieStart: false, tieStop: false) : $item;
            }
            [$from, $to] = $joined[$item->id];

            return $item->with(tieStop: $from, tieStart: $to, articulations: $from || $to ? [] : $item->articulations, technical: $from ? new Technical : $item->technical);
        }, $measure->items)), $measures);
    }
}
