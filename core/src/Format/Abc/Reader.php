<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Format\MusicXml\Archive;
use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Format\Warning;
use UprightPencil\Core\Score\Resolution;

/** Reads a tune of an ABC file (version 2.1), each voice as a part unless the tune says which voices are one. */
final class Reader
{
    public const RESOLUTION = Resolution::FINE;

    /** A text of which nobody says that it is ABC is looked through up to so many bytes. */
    private const MOST_UNKNOWN = 1_000_000;

    /** Most tunes of a file that are named when one of them was read. */
    private const MOST_NAMED = 12;

    /** By a key or a number of a tune; without either, by other fields with music under them. */
    public static function isAbc(string $bytes): bool
    {
        if (preg_match('/^(PK\x03\x04|%PDF|\x89PNG|\xFF\xD8\xFF)/', $bytes) === 1) {
            return false;
        }
        $text = str_replace("\r", "\n", Text::decoded($bytes));
        if (preg_match('/^\s*</', $text) === 1) {
            return false;
        }

        return preg_match('/^[ \t]*(?:K ?:|X ?:[ \t]*\d)/m', $text) === 1
            || (strlen($text) <= self::MOST_UNKNOWN && preg_match('/^[ \t]*[TML] ?:/m', $text) === 1 && Book::tunes(explode("\n", $text)) !== []);
    }

    /**
     * @param  int|null  $tune  which tune of the file, counted from 1; null: the first, with a warning that names the others
     *
     * @throws UnreadableMusic
     */
    public static function read(string $bytes, ?int $tune = null): Reading
    {
        if (strlen($bytes) > Archive::MOST_BYTES) {
            throw new UnreadableMusic('This file is over 20 MB; a score this large is refused.');
        }
        $tunes = Book::tunes(Text::lines($bytes));
        if ($tunes === []) {
            throw new UnreadableMusic('This ABC tune is empty: it has a heading but no notes.');
        }
        $chosen = $tunes[($tune ?? 1) - 1] ?? throw new UnreadableMusic('This file has no tune '.$tune.'; it holds '.(count($tunes) === 1 ? 'one.' : count($tunes).'.'));
        $reading = TuneReader::read($chosen);
        $titles = array_map(static fn (TuneText $text, int $index): string => $text->title() ?: 'Tune '.($index + 1), $tunes, array_keys($tunes));

        return new Reading($reading->score, $tune === null && count($tunes) > 1 ? [self::others($titles), ...$reading->warnings] : $reading->warnings, $titles);
    }

    /** @param list<string> $titles */
    private static function others(array $titles): Warning
    {
        $others = [];
        foreach (array_slice($titles, 1, self::MOST_NAMED, true) as $index => $title) {
            $others[] = ($index + 1)." “{$title}”";
        }
        $more = count($titles) - 1 - count($others);

        return new Warning('This file holds '.count($titles)." tunes; the first, “{$titles[0]}”, was read. The others are ".implode(', ', $others).($more > 0 ? " and {$more} more." : '.'));
    }
}
