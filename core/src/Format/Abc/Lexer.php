<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

/** Cuts a line of ABC music into its signs. */
final class Lexer
{
    private const LENGTH = '\d*\/*\d*';

    /** One note head, with its length and a tie. */
    public const HEAD = '(?:\^\^|\^\/|\^|__|_\/|_|=)?[A-Ga-g][,\']*'.self::LENGTH.'-?';

    /** What begins an ending: `1`, `[1`, `1,3`, `1-3.` */
    private const PASSES = '\[?[1-9][0-9,\-.]*';

    private const TOKEN = '/\G(?:
        (?<field>\[[A-Za-z]:[^\]]*\])
      | (?<text>"[^"]*")
      | (?<sign>!(?:[^!\s|\[\]]+|(?:D\.? ?[CS]|[Dd]a |[Tt]o )[^!|\[\]]*)!|\+[^+\s|\[\]]+\+)
      | (?<dotted>\.(?=[(\-]))
      | (?<bar>\.?(?::*\|[\]|:]*(?:\[\|)?|:{2,}|\[\|[\]|:]*)(?:\s*'.self::PASSES.')?|\[[1-9][0-9,\-.]*)
      | (?<tuplet>\(\d+(?::\d*(?::\d*)?)?)
      | (?<grace>\{[^}]*\})
      | (?<chord>\[(?:"[^"]*"|!\S+?!|[^\]|"])*\]'.self::LENGTH.'-?)
      | (?<note>'.self::HEAD.')
      | (?<rest>[zxZX]'.self::LENGTH.')
      | (?<spacer>y'.self::LENGTH.')
      | (?<broken>>+|<+)
      | (?<overlay>\(&|&\)|&+)
      | (?<slur>[()])
      | (?<tie>-)
      | (?<short>[.~H-Wh-w])
      | (?<linebreak>[!$\\\\])
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
}
