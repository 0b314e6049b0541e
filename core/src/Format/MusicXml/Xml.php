<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\MusicXml;

/** Writes XML as text. */
final class Xml
{
    /** @param array<string, string|int> $attributes */
    public static function attributes(array $attributes): string
    {
        $text = '';
        foreach ($attributes as $name => $value) {
            $text .= " {$name}=\"".self::escape((string) $value).'"';
        }

        return $text;
    }

    public static function escape(string $text): string
    {
        return htmlspecialchars($text, ENT_XML1 | ENT_QUOTES);
    }

    /**
     * An element with text inside.
     *
     * @param  array<string, string|int>  $attributes
     */
    public static function text(string $name, string|int $text, array $attributes = []): string
    {
        return "<{$name}".self::attributes($attributes).'>'.self::escape((string) $text)."</{$name}>";
    }

    /**
     * An element with elements inside; empty ones close themselves.
     *
     * @param  array<string, string|int>  $attributes
     */
    public static function element(string $name, string $inner = '', array $attributes = []): string
    {
        $open = "<{$name}".self::attributes($attributes);

        return $inner === '' ? "{$open}/>" : "{$open}>{$inner}</{$name}>";
    }
}
