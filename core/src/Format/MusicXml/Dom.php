<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\MusicXml;

use UprightPencil\Core\Score\Bounds;

/** Small questions to a DOM element. */
final class Dom
{
    /** @return \Generator<\DOMElement> */
    public static function children(\DOMElement $parent, ?string $name = null): \Generator
    {
        for ($node = $parent->firstChild; $node !== null; $node = $node->nextSibling) {
            if ($node instanceof \DOMElement && ($name === null || $node->localName === $name)) {
                yield $node;
            }
        }
    }

    public static function child(?\DOMElement $parent, string $name): ?\DOMElement
    {
        if ($parent !== null) {
            foreach (self::children($parent, $name) as $child) {
                return $child;
            }
        }

        return null;
    }

    public static function text(?\DOMElement $parent, string $name): ?string
    {
        $child = self::child($parent, $name);

        return $child === null ? null : trim($child->textContent);
    }

    /** A whole number in a child element; null when there is none. */
    public static function whole(?\DOMElement $parent, string $name): ?int
    {
        return Bounds::whole(self::text($parent, $name));
    }

    public static function attribute(\DOMElement $element, string $name): ?string
    {
        return $element->hasAttribute($name) ? $element->getAttribute($name) : null;
    }

    /** @return array<string, string> the named attributes that are there */
    public static function attributes(\DOMElement $element, string ...$names): array
    {
        $found = [];
        foreach ($names as $name) {
            if ($element->hasAttribute($name)) {
                $found[$name] = $element->getAttribute($name);
            }
        }

        return $found;
    }

    /** The element in the file's own words, without places on a page, ids and links, which do not fit a new engraving. */
    public static function verbatim(\DOMElement $element): string
    {
        self::strip($element);

        return (string) $element->ownerDocument?->saveXML($element);
    }

    private static function strip(\DOMElement $element): void
    {
        foreach (iterator_to_array($element->attributes) as $attribute) {
            if (preg_match('/^(default-[xy]|relative-[xy]|bezier-[xy]2?|id|color|xlink:.*)$/', $attribute->name) === 1) {
                $element->removeAttribute($attribute->name);
            }
        }
        foreach (self::children($element) as $child) {
            self::strip($child);
        }
        for ($node = $element->firstChild; $node !== null; $node = $next) {
            $next = $node->nextSibling;
            if ($node instanceof \DOMComment || $node instanceof \DOMProcessingInstruction) {
                $element->removeChild($node);
            }
        }
    }

    /** As allVerbatim, but ids stay: notes refer to a part's instruments by them. */
    public static function allVerbatimWithIds(\DOMElement $parent, string ...$names): string
    {
        $all = '';
        foreach (self::children($parent) as $child) {
            if (in_array($child->localName, $names, true)) {
                $all .= (string) $child->ownerDocument?->saveXML($child);
            }
        }

        return $all;
    }

    /** Verbatim copies of all children with this name, one after the other; empty when there are none. */
    public static function allVerbatim(\DOMElement $parent, string ...$names): string
    {
        $all = '';
        foreach (self::children($parent) as $child) {
            if (in_array($child->localName, $names, true)) {
                $all .= self::verbatim($child);
            }
        }

        return $all;
    }
}
