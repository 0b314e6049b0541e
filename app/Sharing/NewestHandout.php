<?php

declare(strict_types=1);

namespace App\Sharing;

/**
 * Which handout of a part is the newest for some players: their own, or everybody's where that is newer; none that was taken back,
 * and not what copies of an old set had. Asked in these words of SQL by whoever asks, also before the framework is there.
 */
final class NewestHandout
{
    /** Number of what copies of an old set had before anything was handed out. */
    public const OLD_SET = 0;

    /** What may be the newest. */
    public const MAY_BE = 'withdrawn_at is null and number > '.self::OLD_SET;

    /** Which of them comes first. */
    public const FIRST = 'number desc, audience desc';

    /**
     * @param  string  $what  a column of it
     * @param  string  $part  an expression: whose
     * @param  string  $audiences  expressions, separated by commas: '' is everybody
     */
    public static function sql(string $what, string $part, string $audiences = "''"): string
    {
        return "select {$what} from handouts where part_id = {$part} and audience in ({$audiences}) and ".self::MAY_BE.' order by '.self::FIRST.' limit 1';
    }
}
