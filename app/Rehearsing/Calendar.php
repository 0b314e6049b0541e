<?php

declare(strict_types=1);

namespace App\Rehearsing;

use App\Models\Ensemble;
use App\Models\Occasion;
use App\Models\Piece;

/** The dates of an ensemble as iCalendar (RFC 5545), for whatever calendar people have. */
final class Calendar
{
    /** Octets of a line, without its end. */
    private const LINE = 75;

    public static function of(Ensemble $ensemble): string
    {
        $lines = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Upright Pencil//Dates//EN', 'X-WR-CALNAME:'.self::text($ensemble->name)];
        foreach ($ensemble->occasions()->with('pieces')->orderBy('on')->get() as $occasion) {
            array_push($lines, ...self::event($ensemble, $occasion));
        }

        return implode('', array_map(self::folded(...), [...$lines, 'END:VCALENDAR']));
    }

    /** @return list<string> */
    private static function event(Ensemble $ensemble, Occasion $occasion): array
    {
        $day = $occasion->on->format('Ymd');
        $pieces = implode("\n", $occasion->pieces->map(static fn (Piece $piece): string => $piece->title)->all());
        // The hour is that of the place where it is played, in summer and winter: a floating time.
        $when = $occasion->starts === null
            ? ["DTSTART;VALUE=DATE:{$day}"]
            : ["DTSTART:{$day}T".str_replace(':', '', $occasion->starts).'00', 'DURATION:PT'.($occasion->minutes ?? Planning::MINUTES).'M'];

        return [
            'BEGIN:VEVENT',
            "UID:occasion-{$occasion->id}@upright-pencil",
            'DTSTAMP:'.($occasion->updated_at ?? now())->utc()->format('Ymd\THis\Z'),
            ...$when,
            'SUMMARY:'.self::text("{$ensemble->name}: {$occasion->name}"),
            ...$pieces === '' ? [] : ['DESCRIPTION:'.self::text($pieces)],
            'END:VEVENT',
        ];
    }

    private static function text(string $text): string
    {
        return str_replace(["\r", "\n"], ['', '\n'], (string) preg_replace('/([\\\\;,])/', '\\\\$1', $text));
    }

    /** A long line goes on in the next, after a space; no letter is cut through. */
    private static function folded(string $line): string
    {
        $folded = '';
        $room = self::LINE;
        foreach (mb_str_split($line) as $letter) {
            if (strlen($letter) > $room) {
                $folded .= "\r\n ";
                $room = self::LINE - 1;
            }
            $folded .= $letter;
            $room -= strlen($letter);
        }

        return "{$folded}\r\n";
    }
}
