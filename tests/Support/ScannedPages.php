<?php

declare(strict_types=1);

namespace Tests\Support;

/** A PDF as a scanner makes one of a printed part: staves, and the number of the page. */
final class ScannedPages
{
    private const STAVES = 8;

    public static function pdf(int $pages): string
    {
        $kids = implode(' ', array_map(static fn (int $page): string => (4 + 2 * $page).' 0 R', range(0, $pages - 1)));
        $objects = ['<< /Type /Catalog /Pages 2 0 R >>', "<< /Type /Pages /Count {$pages} /Kids [{$kids}] >>", '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>'];
        for ($page = 0; $page < $pages; $page++) {
            $content = self::page($page + 1);
            $objects[] = '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Resources << /Font << /F1 3 0 R >> >> /Contents '.(5 + 2 * $page).' 0 R >>';
            $objects[] = '<< /Length '.strlen($content)." >>\nstream\n{$content}\nendstream";
        }

        return self::file($objects);
    }

    private static function page(int $number): string
    {
        $drawn = "BT /F1 14 Tf 40 810 Td (Page {$number}) Tj ET\n0.8 w\n";
        for ($staff = 0; $staff < self::STAVES; $staff++) {
            foreach (range(0, 4) as $line) {
                $y = 760 - 92 * $staff - 6 * $line;
                $drawn .= "40 {$y} m 555 {$y} l S\n";
            }
            foreach (range(0, 7) as $note) {
                $drawn .= (70 + 62 * $note).' '.(736 - 92 * $staff + 3 * (($number + $note) % 8))." 7 5 re f\n";
            }
        }

        return $drawn;
    }

    /** @param list<string> $objects */
    private static function file(array $objects): string
    {
        $file = "%PDF-1.4\n";
        $places = [];
        foreach ($objects as $index => $object) {
            $places[] = strlen($file);
            $file .= ($index + 1)." 0 obj\n{$object}\nendobj\n";
        }
        $table = strlen($file);
        $count = count($objects) + 1;
        $rows = implode('', array_map(static fn (int $place): string => sprintf("%010d 00000 n \n", $place), $places));

        return "{$file}xref\n0 {$count}\n0000000000 65535 f \n{$rows}trailer\n<< /Size {$count} /Root 1 0 R >>\nstartxref\n{$table}\n%%EOF\n";
    }
}
