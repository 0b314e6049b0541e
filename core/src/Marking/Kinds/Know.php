<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking\Kinds;

/** What a section has to know of a passage, in the director's words, over the line that was worked out. Nothing is drawn. */
final class Know extends Kind
{
    public const FIELD = 'know';

    private const MOST = 160;

    public function name(): string
    {
        return self::FIELD;
    }

    public function field(): string
    {
        return self::FIELD;
    }

    public function rule(): string
    {
        return '“know” has a “text” of up to '.self::MOST.' characters, and in “of” the line that it takes the place of.';
    }

    public function accepts(mixed $value, Reach $reach): bool
    {
        return self::read($value) !== null && $reach === Reach::Note;
    }

    /** @return array{text: string, of: string}|null null where it is none */
    public static function read(mixed $value): ?array
    {
        [$text, $of] = is_array($value) ? [$value['text'] ?? null, $value['of'] ?? null] : [null, null];

        return is_string($text) && trim($text) !== '' && mb_strlen($text) <= self::MOST && is_string($of) && mb_strlen($of) <= 2 * self::MOST ? ['text' => trim($text), 'of' => $of] : null;
    }

    public function isCarried(): bool
    {
        return false;
    }

    public function isTyped(): bool
    {
        return true;
    }
}
