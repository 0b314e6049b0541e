<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Format\Budget;
use UprightPencil\Core\Format\ByteOrderMark;
use UprightPencil\Core\Format\CleanText;
use UprightPencil\Core\Format\UnreadableMusic;

/** The text of an ABC file: how its bytes become lines, and how it writes letters that a keyboard lacks. */
final class Text
{
    /** What stands after the backslash in `\'e`, `\"u` and the like, and what HTML calls that sign. */
    private const ACCENTS = ["'" => 'acute', '`' => 'grave', '^' => 'circ', '"' => 'uml', '~' => 'tilde', ',' => 'cedil', 'o' => 'ring', '/' => 'slash'];

    /** A byte-order mark says what the bytes are; text that is not UTF-8 is Latin-1, which the older files are in. */
    public static function decoded(string $bytes): string
    {
        return ByteOrderMark::decoded($bytes) ?? (mb_check_encoding($bytes, 'UTF-8') ? $bytes : (string) mb_convert_encoding($bytes, 'UTF-8', 'ISO-8859-1'));
    }

    /**
     * The lines of a file by their numbers, from 1.
     *
     * @return array<int, string>
     *
     * @throws UnreadableMusic where a line is longer than any music
     */
    public static function lines(string $bytes): array
    {
        $lines = [];
        foreach (preg_split('/\r\n|\r|\n/', CleanText::of(self::decoded($bytes))) ?: [] as $index => $line) {
            Budget::refuseLongLine(strlen($line), $index + 1);
            $lines[$index + 1] = rtrim($line);
        }

        return $lines;
    }

    /** A line without the remark at its end; `\%` is a percent sign. */
    public static function withoutRemark(string $line): string
    {
        return str_contains($line, '%') ? rtrim(strtr((string) preg_replace('/(?<!\\\\)%.*$/', '', $line), ['\\%' => '%'])) : $line;
    }

    /** Words as people read them: `\'e`, `&eacute;` and `\u00e9` are é. */
    public static function plain(string $text): string
    {
        $text = (string) preg_replace_callback('/\\\\u([0-9a-fA-F]{4})/', static fn (array $found): string => html_entity_decode("&#x{$found[1]};", ENT_QUOTES | ENT_HTML5), $text);
        $text = (string) preg_replace_callback('/\\\\([\'`^"~,o\/])([A-Za-z])/', static function (array $found): string {
            $letter = html_entity_decode("&{$found[2]}".self::ACCENTS[$found[1]].';', ENT_QUOTES | ENT_HTML5);

            return str_starts_with($letter, '&') ? $found[2] : $letter;
        }, $text);

        return CleanText::line(html_entity_decode($text, ENT_QUOTES | ENT_HTML5));
    }

    /** The other way round: words in one line, with nothing in them that ABC would take for a sign. */
    public static function typed(string $text): string
    {
        return strtr(CleanText::line($text), ['\\' => '\u005c', '&' => '&amp;', '%' => '\%', '"' => "'"]);
    }
}
