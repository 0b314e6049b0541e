<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Format\Budget;
use UprightPencil\Core\Format\CleanText;
use UprightPencil\Core\Format\MusicXml\Archive;
use UprightPencil\Core\Format\Reading;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Resolution;
use UprightPencil\Core\Score\Score;

/** Reads the first tune of an ABC file (version 2.1), each voice as a part. */
final class Reader
{
    public const RESOLUTION = Resolution::FINE;

    public static function isAbc(string $bytes): bool
    {
        return preg_match('/^(\xEF\xBB\xBF)?(\s*%[^\n]*\n|\s*\n)*[A-Za-z]:[^\n]*\n/', substr($bytes, 0, 4000)) === 1
            && preg_match('/^K:/m', $bytes) === 1;
    }

    /** @throws UnreadableMusic */
    public static function read(string $bytes): Reading
    {
        if (strlen($bytes) > Archive::MOST_BYTES) {
            throw new UnreadableMusic('This file is over 20 MB; a score this large is refused.');
        }
        $header = ['T' => '', 'C' => '', 'M' => '4/4', 'L' => '', 'Q' => '', 'K' => ''];
        $voices = [];
        $current = '1';
        $inBody = false;
        foreach (preg_split('/\r\n|\r|\n/', CleanText::of($bytes)) ?: [] as $index => $line) {
            Budget::refuseLongLine(strlen($line), $index + 1);
            $line = trim((string) preg_replace('/(?<!\\\\)%.*$/', '', ltrim($line, "\u{FEFF}")));
            [$name, $value] = preg_match('/^([A-Za-z]):\s*(.*)$/', $line, $field) === 1 ? [$field[1], $field[2]] : ['', $line];
            if ($inBody && ($line === '' || $name === 'X')) {
                break;
            }
            if ($name === 'V') {
                $current = strtok($value, " \t") ?: '1';
                $voices["V{$current}"] ??= new VoiceText;
                $voices["V{$current}"]->describe($value);
            } elseif ($inBody && ($name === '' || str_contains('KMLQ', $name))) {
                $voices["V{$current}"] ??= new VoiceText;
                $voices["V{$current}"]->lines[$index + 1] = $name === '' ? $line : "[{$line}]";
            } elseif (! $inBody && $name !== '') {
                $header[$name] = $name === 'T' && $header['T'] !== '' ? $header['T'] : $value;
                $inBody = $name === 'K';
            }
        }

        return self::reading($header, $voices);
    }

    /**
     * @param  array<string, string>  $header
     * @param  array<string, VoiceText>  $voices
     */
    private static function reading(array $header, array $voices): Reading
    {
        $parts = $warnings = [];
        Budget::refuseManyParts(count($voices));
        foreach (array_values(array_filter($voices, static fn (VoiceText $voice): bool => $voice->lines !== [])) as $index => $voice) {
            $id = 'P'.($index + 1);
            $reader = new VoiceReader($id, $header, $voice->clef);
            foreach ($voice->lines as $number => $line) {
                $reader->line($line, $number);
            }
            $measures = $reader->measures();
            array_push($warnings, ...$reader->warnings());
            $parts[] = new Part($id, CleanText::line($voice->name, Budget::MOST_NAME) ?: "Voice {$id[1]}", $measures);
        }
        Budget::refuseManyNotes($parts);
        if (array_filter($parts, static fn (Part $part): bool => $part->measures !== []) === []) {
            throw new UnreadableMusic('This ABC tune is empty: it has a heading but no notes.');
        }

        return new Reading(new Score(CleanText::line($header['T']), CleanText::line($header['C']), self::RESOLUTION, $parts), $warnings);
    }
}
