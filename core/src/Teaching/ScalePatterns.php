<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching;

use UprightPencil\Core\Fingering\Trouble\FingerPattern;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Marking\PartDecisions;
use UprightPencil\Core\Marking\PartMarker;
use UprightPencil\Core\Marking\Settings;
use UprightPencil\Core\Score\UnknownPitch;
use UprightPencil\Core\Strings\Instrument;

/** One-octave major scales by the finger that they start on: “starts on 1: 3-4 on both strings, from A♭ to C♯ on the G string”. */
final class ScalePatterns
{
    private const TONICS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];

    /** Octaves of a tonic that an instrument may have in its lower positions. */
    private const OCTAVES = 3;

    private const NOTES = 8;

    /**
     * @return list<array{starts: string, patterns: string, on: array<string, list<string>>}> the finger, where the half steps lie on each string that is used, and on which strings from which tonics
     */
    public static function of(Instrument $instrument, Settings $settings): array
    {
        $rows = [];
        foreach (self::TONICS as $tonic) {
            for ($above = 0; $above < self::OCTAVES; $above++) {
                $marked = self::marked($instrument, $tonic, $above, $settings);
                $start = $marked?->sounding()[0]->finger ?? null;
                if ($marked === null || $start === null || ! self::isTaught($marked)) {
                    continue;
                }
                $starts = $start->fingering->stop->finger === 0 ? 'open' : $marked->style->finger($start->fingering->stop->finger, $start->fingering->stop->placement);
                $patterns = implode(', ', self::patterns($marked));
                $rows["{$starts} {$patterns}"] ??= ['starts' => $starts, 'patterns' => $patterns, 'on' => []];
                $rows["{$starts} {$patterns}"]['on'][$start->string][] = $marked->sounding()[0]->note->pitch?->spokenLetter() ?? '';
            }
        }
        uasort($rows, static fn (array $one, array $other): int => self::finger($one['starts']) <=> self::finger($other['starts']) ?: $one['starts'] <=> $other['starts'] ?: $one['patterns'] <=> $other['patterns']);

        return array_values($rows);
    }

    /** Open strings first, then finger by finger. */
    private static function finger(string $starts): int
    {
        return (int) preg_replace('/\D/', '', $starts);
    }

    private static function marked(Instrument $instrument, string $tonic, int $above, Settings $settings): ?MarkedPart
    {
        try {
            $scale = Scale::of($instrument, $tonic, ScaleMode::Major, 1, false, $above);
        } catch (UnknownPitch) {
            return null;
        }

        return PartMarker::mark($scale, $scale->parts[0], PartDecisions::of($scale->parts[0], []), $settings->for($instrument));
    }

    private static function isTaught(MarkedPart $marked): bool
    {
        return array_filter(array_slice($marked->sounding(), 0, self::NOTES), static fn (NoteMark $mark): bool => $mark->finger === null || $mark->finger->fingering->untaught !== null) === [];
    }

    /** @return list<string> of the way up, as the fingers lie first on each string */
    private static function patterns(MarkedPart $marked): array
    {
        $found = [];
        foreach ($marked->lines() as $line) {
            foreach ($line->patterns() as $pattern) {
                /** @var FingerPattern $pattern */
                $pattern->first->place >= self::NOTES || $found[$pattern->string] ??= $pattern->name;
            }
        }

        return array_values($found);
    }
}
