<?php

declare(strict_types=1);

namespace App\Marking;

use Illuminate\Support\Facades\Cache;
use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Score\Score;

/**
 * Reading XML takes longer than everything else, so what was read is kept, under the hash of the file and of the code that
 * read it: an update of the core reads anew. What is lost or cannot be woken up is read anew too.
 */
final class CachedScores
{
    public static function of(string $music): Score
    {
        $key = 'score:'.CoreCode::of('Score', 'Format').':'.hash('sha256', $music);
        $kept = Cached::get($key);
        if ($kept instanceof Score) {
            return $kept;
        }
        $score = Reader::read($music)->score;
        Cache::put($key, $score, now()->addMonth());

        return $score;
    }
}
