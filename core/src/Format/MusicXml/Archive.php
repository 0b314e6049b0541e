<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\MusicXml;

use UprightPencil\Core\Format\UnreadableMusic;

/** Compressed MusicXML (`.mxl`): a zip with the score and a `META-INF/container.xml` that names it. */
final class Archive
{
    public const MOST_BYTES = 20 * 1024 * 1024;

    public const MOST_UNPACKED_BYTES = 100 * 1024 * 1024;

    public const MOST_ENTRIES = 200;

    private const CONTAINER = 'META-INF/container.xml';

    /** True for bytes that start as a zip does. */
    public static function isOne(string $bytes): bool
    {
        return str_starts_with($bytes, "PK\x03\x04");
    }

    /**
     * The score inside.
     *
     * @throws UnreadableMusic when the archive is damaged, too large or holds no score
     */
    public static function unpack(string $bytes): string
    {
        $file = tempnam(sys_get_temp_dir(), 'pencil');
        if ($file === false || file_put_contents($file, $bytes) === false) {
            throw new UnreadableMusic('There is no room to unpack this .mxl file on the server.');
        }
        $zip = new \ZipArchive;
        $opened = $zip->open($file, \ZipArchive::RDONLY) === true;
        try {
            if (! $opened) {
                throw new UnreadableMusic('This .mxl file is damaged: it is not a whole zip archive.');
            }
            self::refuseLarge($zip);

            return self::scoreIn($zip);
        } finally {
            $opened && $zip->close();
            unlink($file);
        }
    }

    public static function pack(string $musicXml): string
    {
        $file = tempnam(sys_get_temp_dir(), 'pencil');
        if ($file === false) {
            throw new \RuntimeException('No temporary file could be made.');
        }
        $zip = new \ZipArchive;
        $zip->open($file, \ZipArchive::OVERWRITE);
        $zip->addFromString('mimetype', 'application/vnd.recordare.musicxml');
        $zip->setCompressionName('mimetype', \ZipArchive::CM_STORE);
        $zip->addFromString(self::CONTAINER, '<?xml version="1.0" encoding="UTF-8"?>'."\n"
            .'<container><rootfiles><rootfile full-path="score.musicxml" media-type="application/vnd.recordare.musicxml+xml"/></rootfiles></container>'."\n");
        $zip->addFromString('score.musicxml', $musicXml);
        $zip->close();
        $bytes = (string) file_get_contents($file);
        unlink($file);

        return $bytes;
    }

    private static function refuseLarge(\ZipArchive $zip): void
    {
        if ($zip->numFiles > self::MOST_ENTRIES) {
            throw new UnreadableMusic('This .mxl file holds more than '.self::MOST_ENTRIES.' entries; it was not unpacked.');
        }
        $size = 0;
        for ($index = 0; $index < $zip->numFiles; $index++) {
            $size += $zip->statIndex($index)['size'] ?? 0;
        }
        if ($size > self::MOST_UNPACKED_BYTES) {
            throw new UnreadableMusic('This .mxl file would unpack to more than 100 MB; it was not unpacked.');
        }
    }

    private static function scoreIn(\ZipArchive $zip): string
    {
        $name = self::namedScore($zip) ?? self::firstScore($zip);
        $bytes = $name === null ? false : self::contents($zip, $name);
        if ($bytes === false) {
            throw new UnreadableMusic('This .mxl file holds no score.');
        }

        return $bytes;
    }

    /** Reads no more than the limit, whatever the zip's directory claims. */
    private static function contents(\ZipArchive $zip, string $name): string|false
    {
        $bytes = $zip->getFromName($name, self::MOST_UNPACKED_BYTES + 1);
        if ($bytes !== false && strlen($bytes) > self::MOST_UNPACKED_BYTES) {
            throw new UnreadableMusic('This .mxl file would unpack to more than 100 MB; it was not unpacked.');
        }

        return $bytes;
    }

    private static function namedScore(\ZipArchive $zip): ?string
    {
        $container = self::contents($zip, self::CONTAINER);
        if ($container === false) {
            return null;
        }
        $root = Source::parse($container)->getElementsByTagName('rootfile')->item(0);
        $name = $root?->getAttribute('full-path');

        return $name === null || $zip->locateName($name) === false ? null : $name;
    }

    private static function firstScore(\ZipArchive $zip): ?string
    {
        for ($index = 0; $index < $zip->numFiles; $index++) {
            $name = (string) $zip->getNameIndex($index);
            if (! str_starts_with($name, 'META-INF/') && preg_match('/\.(musicxml|xml)$/i', $name) === 1) {
                return $name;
            }
        }

        return null;
    }
}
