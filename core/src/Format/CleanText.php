<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format;

/** Text as it may be kept: whole UTF-8, and none of the control characters that no XML file may hold. */
final class CleanText
{
    public static function of(string $text): string
    {
        return (string) preg_replace('/[\x{00}-\x{08}\x{0B}\x{0C}\x{0E}-\x{1F}\x{7F}\x{FFFE}\x{FFFF}]/u', '', mb_scrub($text, 'UTF-8'));
    }

    /** The same in one line, and no longer than anybody reads. */
    public static function line(string $text, int $most = Budget::MOST_TEXT): string
    {
        return mb_substr(trim((string) preg_replace('/\s+/u', ' ', self::of($text))), 0, $most);
    }
}
