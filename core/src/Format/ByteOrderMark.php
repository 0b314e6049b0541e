<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format;

/** The mark at the beginning of a file that says how its letters are written, whatever else it declares. */
final class ByteOrderMark
{
    /** @return string|null as UTF-8, without the mark; null where there is none */
    public static function decoded(string $bytes): ?string
    {
        return match (true) {
            str_starts_with($bytes, "\xEF\xBB\xBF") => substr($bytes, 3),
            str_starts_with($bytes, "\xFE\xFF") => (string) mb_convert_encoding(substr($bytes, 2), 'UTF-8', 'UTF-16BE'),
            str_starts_with($bytes, "\xFF\xFE") => (string) mb_convert_encoding(substr($bytes, 2), 'UTF-8', 'UTF-16LE'),
            default => null,
        };
    }
}
