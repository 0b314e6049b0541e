<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\MusicXml;

use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;

/** Reads `<direction>` and `<sound>`. */
final class DirectionReader
{
    private const QUARTERS = ['whole' => 4.0, 'half' => 2.0, 'quarter' => 1.0, 'eighth' => 0.5, '16th' => 0.25, 'breve' => 8.0];

    private const SOUND = ['tempo', 'dynamics', 'dacapo', 'segno', 'dalsegno', 'coda', 'tocoda', 'divisions', 'forward-repeat', 'fine', 'time-only', 'pizzicato'];

    /** @param \Closure(string): int $ticks divisions to ticks */
    public function direction(\DOMElement $element, int $onset, \Closure $ticks): Direction
    {
        $signs = [];
        foreach (Dom::children($element, 'direction-type') as $type) {
            foreach (Dom::children($type) as $sign) {
                $signs[] = self::sign($sign);
            }
        }
        $sound = Dom::child($element, 'sound');
        $offset = Dom::text($element, 'offset');

        return new Direction(
            $onset,
            $signs,
            $offset === null ? 0 : $ticks($offset),
            Dom::attribute($element, 'placement'),
            Dom::text($element, 'voice'),
            Dom::whole($element, 'staff'),
            $sound === null ? [] : self::told($sound),
        );
    }

    public function sound(\DOMElement $element, int $onset): Direction
    {
        return new Direction($onset, sound: self::told($element), soundOnly: true);
    }

    /** @return array<string, string> */
    private static function told(\DOMElement $sound): array
    {
        return Dom::attributes($sound, ...self::SOUND);
    }

    private static function sign(\DOMElement $sign): DirectionSign
    {
        $kind = DirectionKind::tryFrom($sign->localName ?? '') ?? DirectionKind::Other;
        $text = match ($kind) {
            DirectionKind::Words, DirectionKind::Rehearsal => trim($sign->textContent),
            DirectionKind::Wedge, DirectionKind::Dashes => $sign->getAttribute('type'),
            DirectionKind::Dynamics => self::dynamic($sign),
            default => '',
        };
        $tempo = $kind === DirectionKind::Metronome ? self::tempo($sign) : null;

        return new DirectionSign($kind, $text, $tempo, Dom::verbatim($sign), max(1, (int) $sign->getAttribute('number')));
    }

    private static function dynamic(\DOMElement $dynamics): string
    {
        foreach (Dom::children($dynamics) as $mark) {
            return $mark->localName === 'other-dynamics' ? trim($mark->textContent) : (string) $mark->localName;
        }

        return '';
    }

    private static function tempo(\DOMElement $metronome): ?float
    {
        $unit = self::QUARTERS[Dom::text($metronome, 'beat-unit') ?? ''] ?? null;
        $perMinute = Dom::text($metronome, 'per-minute');
        if ($unit === null || $perMinute === null || preg_match('/\d+(\.\d+)?/', $perMinute, $found) !== 1) {
            return null;
        }

        return (float) $found[0] * $unit * (Dom::child($metronome, 'beat-unit-dot') === null ? 1 : 1.5);
    }
}
