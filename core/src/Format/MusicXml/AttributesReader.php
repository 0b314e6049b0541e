<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\MusicXml;

use UprightPencil\Core\Format\CleanText;
use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Bounds;
use UprightPencil\Core\Score\Clef;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Transposition;

/** Reads `<attributes>`. */
final class AttributesReader
{
    /** @param \Closure(string): void $warn */
    public static function read(\DOMElement $element, int $onset, \Closure $warn): Attributes
    {
        $clefs = [];
        foreach (Dom::children($element, 'clef') as $clef) {
            $clefs[] = self::clef($clef);
        }
        $keys = iterator_to_array(Dom::children($element, 'key'), false);
        $times = iterator_to_array(Dom::children($element, 'time'), false);
        $transpose = Dom::child($element, 'transpose');
        $kept = [
            'keys' => implode('', array_map(Dom::verbatim(...), array_slice($keys, 1))),
            'times' => implode('', array_map(Dom::verbatim(...), array_slice($times, 1))),
            'part-symbol' => Dom::allVerbatim($element, 'part-symbol'),
            'instruments' => Dom::allVerbatim($element, 'instruments'),
            'staff-details' => Dom::allVerbatim($element, 'staff-details'),
            'last' => Dom::allVerbatim($element, 'directive').Dom::allVerbatim($element, 'measure-style'),
        ];

        return new Attributes(
            $onset,
            $keys === [] ? null : self::key($keys[0]),
            $times === [] ? null : self::meter($times[0], $warn),
            $clefs,
            $transpose === null ? null : self::transposition($transpose),
            Dom::whole($element, 'staves'),
            array_filter($kept, static fn (string $text): bool => $text !== ''),
        );
    }

    private static function key(\DOMElement $key): Key
    {
        $kept = Dom::attributes($key, 'number', 'print-object');
        if (Dom::child($key, 'fifths') === null) {
            $kept['signs'] = Dom::allVerbatim($key, 'key-step', 'key-alter', 'key-accidental', 'key-octave');
        }
        $extra = Dom::allVerbatim($key, 'key-octave');
        if ($extra !== '' && ! isset($kept['signs'])) {
            $kept['octaves'] = $extra;
        }
        if (isset($kept['signs'])) {
            return (new Key(0))->altered(self::alters($key))->with(kept: $kept);
        }

        return new Key(Dom::whole($key, 'fifths') ?? 0, Dom::text($key, 'mode'), $kept);
    }

    /** @return array<string, int> letter => semitones, of a signature that is spelled out */
    private static function alters(\DOMElement $key): array
    {
        $alters = [];
        $letter = '';
        foreach (Dom::children($key) as $child) {
            $text = trim($child->textContent);
            if ($child->localName === 'key-step') {
                $letter = strlen($text) === 1 && str_contains('ABCDEFG', $text) ? $text : '';
            } elseif ($child->localName === 'key-alter' && $letter !== '') {
                $alters[$letter] = max(-2, min(2, (int) round((float) $text)));
            }
        }

        return $alters;
    }

    /** @param \Closure(string): void $warn */
    private static function meter(\DOMElement $time, \Closure $warn): Meter
    {
        $terms = [];
        $beats = null;
        foreach (Dom::children($time) as $child) {
            if ($child->localName === 'beats') {
                $beats = trim($child->textContent);
            } elseif ($child->localName === 'beat-type' && $beats !== null) {
                $value = trim($child->textContent);
                if (Bounds::isMeter($beats, $value)) {
                    $terms[] = [(string) preg_replace('/\s+/', '', $beats), (int) $value];
                } else {
                    $warn('The meter '.CleanText::line("{$beats}/{$value}", 40).' is not one that we know; its measures are not checked.');
                }
            }
        }
        $kept = Dom::attributes($time, 'symbol', 'separator', 'number', 'print-object');
        $kept['last'] = Dom::allVerbatim($time, 'interchangeable');
        $senza = Dom::text($time, 'senza-misura');
        if ($senza !== null) {
            $kept['senza-misura'] = $senza === '' ? ' ' : $senza;
        }

        return new Meter(
            $terms,
            $time->getAttribute('print-object') !== 'no',
            array_filter($kept, static fn (string $text): bool => $text !== ''),
        );
    }

    private static function clef(\DOMElement $clef): Clef
    {
        return new Clef(
            Dom::text($clef, 'sign') ?: 'G',
            Dom::whole($clef, 'line'),
            Dom::whole($clef, 'clef-octave-change') ?? 0,
            max(1, (int) ($clef->getAttribute('number') ?: 1)),
        );
    }

    private static function transposition(\DOMElement $transpose): Transposition
    {
        return new Transposition(
            Dom::whole($transpose, 'chromatic') ?? 0,
            Dom::whole($transpose, 'octave-change') ?? 0,
            Dom::whole($transpose, 'diatonic'),
            Dom::child($transpose, 'double') !== null,
        );
    }
}
