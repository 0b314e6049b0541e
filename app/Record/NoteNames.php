<?php

declare(strict_types=1);

namespace App\Record;

use App\Marking\Cached;
use App\Marking\CachedScores;
use App\Marking\CoreCode;
use App\Marking\Players;
use App\Marking\Rewritten;
use App\Models\Part;
use Illuminate\Support\Facades\Cache;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Kinds\Rewrite;
use UprightPencil\Core\Marking\NoteIndex;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\Rewriting;
use UprightPencil\Core\Marking\WrongDecision;

/** The notes of a part by their names and places. It is all that the record has to know of the music, and woken up in no time. */
final class NoteNames
{
    /** @param Part $part as it is printed */
    public static function of(Part $part): NoteIndex
    {
        return self::ofMusic($part->music);
    }

    /**
     * As it is played: with what is typed over the print, and for some of its players with their own notes.
     *
     * @param  list<Decision>  $decided  what counts in its record, as far as it is typed over the print
     */
    public static function played(Part $part, array $decided, ?Players $players = null): NoteIndex
    {
        $played = Rewritten::with($part, $decided)->part;

        return self::of($players?->own($played) ?? $played);
    }

    /**
     * @param  list<Decision>  $decided  what counts in its record
     * @param  list<Decision>  $more  what is to be decided
     *
     * @throws WrongDecision when one names a note or measure that this part does not have
     */
    public static function refuseUnknown(Part $part, array $decided, array $more, ?Players $players = null): void
    {
        if ($more === []) {
            return;
        }
        // What is typed over the print stands for the print's notes in what comes with it.
        $over = array_filter($more, static fn (Decision $decision): bool => array_keys($decision->fields) === [Rewrite::FIELD]);
        $names = $over === []
            ? self::played($part, $decided, $players)
            : NoteIndex::of(Rewriting::of(CachedScores::of($part->music), [...$decided, ...array_values($over)])->score->parts[0]);
        PartDecisions::of($names, array_values(array_diff_key($more, $over)));
    }

    private static function ofMusic(string $music): NoteIndex
    {
        Turn::outside('reading notes');
        $slot = 'notes:'.CoreCode::of('Score', 'Format', 'Marking').':'.hash('xxh128', $music);
        $kept = Cached::get($slot);
        if (! $kept instanceof NoteIndex) {
            Cache::put($slot, $kept = NoteIndex::of(CachedScores::of($music)->parts[0]), now()->addMonth());
        }

        return $kept;
    }
}
