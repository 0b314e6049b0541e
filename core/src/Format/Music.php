<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format;

use UprightPencil\Core\Score\Score;

/** The door to this folder: reads any format we know by its contents, writes one by the ending of a file name. */
final class Music
{
    /** @var list<string> */
    public const ENDINGS = ['musicxml', 'xml', 'mxl', 'abc'];

    /**
     * @param  int|null  $tune  which one of a file that holds several, counted from 1
     *
     * @throws UnreadableMusic
     */
    public static function read(string $bytes, ?int $tune = null): Reading
    {
        return Abc\Reader::isAbc($bytes) ? Abc\Reader::read($bytes, $tune) : MusicXml\Reader::read($bytes);
    }

    /** @param  string  $ending  one of ENDINGS */
    public static function write(Score $score, string $ending): string
    {
        return match ($ending) {
            'abc' => Abc\Writer::write($score),
            'mxl' => MusicXml\Archive::pack(MusicXml\Writer::write($score)),
            default => MusicXml\Writer::write($score),
        };
    }
}
