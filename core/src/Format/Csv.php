<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format;

/** A table as text, for a spreadsheet (RFC 4180). */
final class Csv
{
    /** @param list<list<string>> $rows */
    public static function of(array $rows): string
    {
        $out = fopen('php://memory', 'w+') ?: throw new \RuntimeException('There is no memory to write in.');
        foreach ($rows as $row) {
            // A sheet that is opened in a table must not take a name for a formula.
            fputcsv($out, array_map(static fn (string $cell): string => preg_match('/^[=+\-@]/', $cell) === 1 ? "'{$cell}" : $cell, $row), escape: '');
        }
        rewind($out);

        return (string) stream_get_contents($out);
    }
}
