<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

/** Cuts a line of ABC music into its signs. */
final class Lexer
{
    /** One note head, with its length and a tie. */
    public const HEAD = '(?:\^\^|\^|__|_|=)?[A-Ga-g][,\']*\d*\/*\d*-?';

    private const TOKEN = '/\G(?:
        (?<field>\[[A-Za-z]:[^\]]*\])
      | (?<text>"[^"]*")
      | (?<sign>![^!\s]*!|\+[^+\s]+\+)
      | (?<bar>:*\|[\]|:]*(?:\s*\[?[1-9][0-9,\-]*)?|\[\|\]?|::|\[[1-9][0-9,\-]*)
      | (?<tuplet>\(\d(?::\d?(?::\d?)?)?)
      | (?<grace>\{\/?[^}]*\})
      | (?<chord>\[[^\]|]*\]\d*\/*\d*-?)
      | (?<note>'.self::HEAD.')
      | (?<rest>[zxZX]\d*\/*\d*)
      | (?<broken>>+|<+)
      | (?<slur>[()])
      | (?<short>[.~HLMOPSTuv])
      | (?<space>[\s`]+)
      | (?<odd>.)
    )/xu';

    /** @return list<array{string, string}> what kind of sign, and its text */
    public static function tokens(string $line): array
    {
        $tokens = [];
        $place = 0;
        while ($place < strlen($line) && preg_match(self::TOKEN, $line, $token, PREG_UNMATCHED_AS_NULL, $place) === 1) {
            $place += strlen((string) $token[0]);
            $named = array_filter($token, static fn (?string $text, int|string $name): bool => is_string($name) && $text !== null, ARRAY_FILTER_USE_BOTH);
            $tokens[] = [(string) array_key_first($named), (string) $token[0]];
        }

        return $tokens;
    }

    /** @return list<string> the note heads of a chord or a group of grace notes */
    public static function heads(string $text): array
    {
        preg_match_all('/'.self::HEAD.'/', $text, $heads);

        return $heads[0];
    }
}
