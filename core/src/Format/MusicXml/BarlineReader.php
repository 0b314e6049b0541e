<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\MusicXml;

use UprightPencil\Core\Score\Barline;

/** Reads `<barline>`. */
final class BarlineReader
{
    public static function read(\DOMElement $element): Barline
    {
        $repeat = Dom::child($element, 'repeat');
        $ending = Dom::child($element, 'ending');
        $kept = [
            'before' => Dom::allVerbatim($element, 'bar-style', 'footnote', 'level', 'wavy-line', 'segno', 'coda', 'fermata'),
            'ending' => $ending === null ? '' : Dom::verbatim($ending),
        ];

        return new Barline(
            Dom::attribute($element, 'location') ?? 'right',
            $repeat === null ? null : Dom::attribute($repeat, 'direction'),
            max(2, (int) ($repeat?->getAttribute('times') ?: 2)),
            $ending === null ? [] : self::passes($ending->getAttribute('number')),
            $ending === null ? null : Dom::attribute($ending, 'type'),
            array_filter($kept, static fn (string $text): bool => $text !== ''),
        );
    }

    /** @return list<int> */
    private static function passes(string $number): array
    {
        preg_match_all('/\d+/', $number, $found);

        return array_map(intval(...), $found[0]);
    }
}
