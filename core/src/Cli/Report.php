<?php

declare(strict_types=1);

namespace UprightPencil\Core\Cli;

use UprightPencil\Core\Format\Csv;
use UprightPencil\Core\Marking\MarkedPage;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\SizeUp;
use UprightPencil\Core\Marking\TransferSheet;

/** Results as text for a terminal. */
final class Report
{
    /** @param array{title: string, composer: string, resolution: int, parts: list<array<string, mixed>>, warnings: list<array<string, mixed>>} $summary */
    public static function reading(array $summary): string
    {
        $text = ($summary['title'] ?: 'Untitled')."\n";
        foreach ($summary['parts'] as $part) {
            $text .= self::line('%s  %s: %s (by its %s), %d measures, %d notes', $part, 'id', 'name', 'instrument', 'guessedFrom', 'measures', 'notes');
        }
        foreach ($summary['warnings'] as $warning) {
            $text .= self::line('  ! %s', $warning, 'message');
        }

        return $text;
    }

    /** @param array<string, mixed> $values */
    private static function line(string $format, array $values, string ...$names): string
    {
        return vsprintf($format, array_map(static fn (string $name): string|int => is_int($values[$name]) || is_string($values[$name]) ? $values[$name] : '', $names))."\n";
    }

    /** @param list<array{MarkedPart, TransferSheet}> $sheets */
    public static function sheets(array $sheets): string
    {
        $text = '';
        foreach ($sheets as [$part, $sheet]) {
            $text .= "{$part->part->name}\n";
            foreach ($sheet->lines as $line) {
                $place = $line->measure === '' ? '' : $line->measure.($line->to === null ? '' : "–{$line->to}").' : '.MarkedPage::beat($line->beat)."  {$line->pitch}";
                $text .= sprintf("  %-18s %s\n", $place, $line->words);
            }
        }

        return $text;
    }

    /** @param list<array{MarkedPart, TransferSheet}> $sheets */
    public static function sheetsAsCsv(array $sheets): string
    {
        $rows = [['part', ...TransferSheet::COLUMNS]];
        foreach ($sheets as [$part, $sheet]) {
            array_push($rows, ...array_map(static fn (array $row): array => [$part->part->name, ...$row], $sheet->rows()));
        }

        return Csv::of($rows);
    }

    /** @param list<MarkedPart> $marked */
    public static function marking(array $marked, bool $planning): string
    {
        $text = '';
        foreach ($marked as $part) {
            $text .= "{$part->part->name}, {$part->instrument->value}, {$part->level->value}\n";
            $text .= $planning ? self::marks($part) : '';
            foreach ($part->open() as $finding) {
                $text .= "  ! measure {$finding->place->measure}: {$finding->message}\n";
            }
            foreach ($part->planNotes() as $note) {
                $text .= "  = measure {$note->place->measure}: {$note->message}\n";
            }
            $text .= self::sizedUp($part);
        }

        return $text;
    }

    private static function sizedUp(MarkedPart $part): string
    {
        $size = SizeUp::of($part)->toArray();
        $summary = $size['summary'];
        $text = $summary['highestPosition'] === null ? '' : "  highest: {$summary['highestPosition']['name']}; shifts: {$summary['shifts']}; crossings under slurs: {$summary['crossingsUnderSlurs']}; extensions: {$summary['extensions']}\n";
        foreach ($size['troubleSpots'] as $spot) {
            $text .= "  ~ measure {$spot['measure']}: {$spot['message']}".($spot['times'] > 1 ? " ({$spot['times']} times)" : '')."\n";
        }

        return $text;
    }

    private static function marks(MarkedPart $part): string
    {
        $page = new MarkedPage($part);
        $text = '';
        $measure = null;
        foreach ($part->notes as $note) {
            if ($note->place->measure !== $measure) {
                $measure = $note->place->measure;
                $text .= ($text === '' ? '' : "\n").sprintf('  %4s  ', $measure);
            }
            $bow = ['down' => '⊓', 'up' => '∨'][$note->bow?->direction->value ?? ''] ?? '';
            $finger = $note->finger === null ? '-' : $note->finger->string.$page->finger($note);
            $text .= "{$note->note->pitch?->name()}{$bow}{$finger} ";
        }

        return $text."\n";
    }
}
