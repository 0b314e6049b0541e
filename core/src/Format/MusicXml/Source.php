<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\MusicXml;

use UprightPencil\Core\Format\Budget;
use UprightPencil\Core\Format\ByteOrderMark;
use UprightPencil\Core\Format\UnreadableMusic;

/** Turns bytes into a partwise document, without touching the network or expanding entities. */
final class Source
{
    /** @throws UnreadableMusic */
    public static function partwise(string $bytes): \DOMElement
    {
        if (strlen($bytes) > Archive::MOST_BYTES) {
            throw new UnreadableMusic('This file is over 20 MB; a score this large is refused.');
        }
        if (trim($bytes) === '') {
            throw new UnreadableMusic('This file is empty.');
        }
        $document = self::parse(Archive::isOne($bytes) ? Archive::unpack($bytes) : $bytes);
        $root = $document->documentElement;

        return match ($root?->localName) {
            'score-partwise' => $root,
            'score-timewise' => self::turnedPartwise($document, $root),
            default => throw new UnreadableMusic("This is an XML file but not MusicXML: it starts with <{$root?->localName}>, line {$root?->getLineNo()}."),
        };
    }

    /** @throws UnreadableMusic */
    public static function parse(string $bytes): \DOMDocument
    {
        $xml = self::asMarked($bytes);
        Budget::refuseLargeXml($xml);
        $document = new \DOMDocument;
        $document->preserveWhiteSpace = false;
        $before = libxml_use_internal_errors(true);
        try {
            $read = $document->loadXML($xml, LIBXML_NONET | LIBXML_COMPACT);
            $fault = libxml_get_errors()[0] ?? null;
        } finally {
            libxml_clear_errors();
            libxml_use_internal_errors($before);
        }
        if (str_contains($document->doctype->internalSubset ?? '', '<!ENTITY') || str_contains($fault->message ?? '', 'entity reference loop')) {
            throw new UnreadableMusic('This file defines XML entities; for safety such files are refused.');
        }
        if (! $read) {
            throw new UnreadableMusic(self::sentence($bytes, $fault));
        }

        return $document;
    }

    /** A byte-order mark says what the bytes are, whatever encoding the file declares; without one, the bytes themselves do. */
    private static function asMarked(string $bytes): string
    {
        $text = ByteOrderMark::decoded($bytes) ?? match (true) {
            str_starts_with($bytes, "\0<\0") => (string) mb_convert_encoding($bytes, 'UTF-8', 'UTF-16BE'),
            str_starts_with($bytes, "<\0") => (string) mb_convert_encoding($bytes, 'UTF-8', 'UTF-16LE'),
            default => self::asDeclared($bytes),
        };

        return $text === null ? $bytes : (string) preg_replace('/^(\s*<\?xml\b[^>]*?)\s+encoding=("[^"]*"|\'[^\']*\')/', '$1', $text);
    }

    /**
     * Bytes that cannot be what they are declared to be: text of one byte a letter that calls itself UTF-16, or Latin letters in a
     * file that calls itself UTF-8.
     *
     * @return string|null as UTF-8; null where the declaration may be right
     */
    private static function asDeclared(string $bytes): ?string
    {
        $declared = preg_match('/^\s*<\?xml\b[^>]*?\bencoding=["\']([^"\']+)["\']/', $bytes, $found) === 1 ? strtolower($found[1]) : 'utf-8';
        $isUtf8 = mb_check_encoding($bytes, 'UTF-8');

        return match (true) {
            str_starts_with($declared, 'utf-16') || str_starts_with($declared, 'utf-32') || str_starts_with($declared, 'ucs-') => $isUtf8 ? $bytes : (string) mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252'),
            $declared === 'utf-8' && ! $isUtf8 => (string) mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252'),
            default => null,
        };
    }

    private static function sentence(string $bytes, ?\LibXMLError $fault): string
    {
        if (preg_match('/^(\xEF\xBB\xBF|\xFE\xFF|\xFF\xFE)?\s*\0?</', $bytes) !== 1) {
            return 'This is not a music file that we read: it is neither MusicXML (plain or zipped) nor ABC.';
        }
        $line = $fault->line ?? 1;

        return str_contains($fault->message ?? '', 'Premature end') || str_contains($fault->message ?? '', "Couldn't find end")
            ? "This file is cut off: it ends at line {$line} before the score does."
            : "This file is not well-formed XML: line {$line} is where reading it fails.";
    }

    /** Timewise scores hold parts inside measures; we turn them inside out. */
    private static function turnedPartwise(\DOMDocument $document, \DOMElement $timewise): \DOMElement
    {
        $partwise = $document->createElement('score-partwise');
        $parts = [];
        foreach (iterator_to_array($timewise->childNodes) as $child) {
            if (! $child instanceof \DOMElement || $child->localName !== 'measure') {
                $partwise->appendChild($child);

                continue;
            }
            foreach (iterator_to_array($child->childNodes) as $slice) {
                if (! $slice instanceof \DOMElement || $slice->localName !== 'part') {
                    continue;
                }
                $id = $slice->getAttribute('id');
                if (! isset($parts[$id])) {
                    $parts[$id] = $document->createElement('part');
                    $parts[$id]->setAttribute('id', $id);
                }
                $parts[$id]->appendChild(self::measureFrom($document, $child, $slice));
            }
        }
        foreach ($parts as $part) {
            $partwise->appendChild($part);
        }
        $document->replaceChild($partwise, $timewise);

        return $partwise;
    }

    private static function measureFrom(\DOMDocument $document, \DOMElement $measure, \DOMElement $slice): \DOMElement
    {
        $made = $document->createElement('measure');
        foreach ($measure->attributes as $attribute) {
            if ($attribute->name !== 'id') {
                $made->setAttribute($attribute->name, $attribute->value);
            }
        }
        foreach (iterator_to_array($slice->childNodes) as $child) {
            $made->appendChild($child);
        }

        return $made;
    }
}
