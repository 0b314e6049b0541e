<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format;

use UprightPencil\Core\Score\Part;

/**
 * How much one file may hold: many times a school piece, and little enough that it is read and marked within seconds and
 * within 256 MB (a part of 10,000 notes takes 4 s and 160 MB to mark).
 */
final class Budget
{
    /** Elements of an XML file; a score of 30 parts and 200 measures has some 600,000. */
    public const MOST_ELEMENTS = 800_000;

    public const MOST_PARTS = 100;

    /** In one part. */
    public const MOST_MEASURES = 2_500;

    /** In one part. */
    public const MOST_NOTES = 10_000;

    public const MOST_NOTES_IN_A_MEASURE = 1_000;

    /** In all parts together. */
    public const MOST_NOTES_IN_ALL = 120_000;

    /** A line of ABC, in bytes. */
    public const MOST_LINE = 100_000;

    /** A title, words over a note. */
    public const MOST_TEXT = 1_000;

    /** A part's name. */
    public const MOST_NAME = 200;

    /**
     * Counts before anything is built: a tree takes far more room than its text.
     *
     * @throws UnreadableMusic
     */
    public static function refuseLargeXml(string $xml): void
    {
        // Every element has one “<” that no “/” follows; comments and the like only make the count safer.
        if (substr_count($xml, '<') - substr_count($xml, '</') > self::MOST_ELEMENTS) {
            throw new UnreadableMusic('This file has more than '.number_format(self::MOST_ELEMENTS).' elements; a score this large is refused.');
        }
        if (substr_count($xml, '<measure') > self::MOST_PARTS * self::MOST_MEASURES) {
            throw new UnreadableMusic('This file has more measures than any score we read.');
        }
        if (substr_count($xml, '<note') > 2 * self::MOST_NOTES_IN_ALL) {
            throw new UnreadableMusic('This file has more than '.number_format(2 * self::MOST_NOTES_IN_ALL).' notes; a score this large is refused.');
        }
    }

    /** @throws UnreadableMusic */
    public static function refuseLongLine(int $bytes, int $line): void
    {
        if ($bytes > self::MOST_LINE) {
            throw new UnreadableMusic("Line {$line} is longer than ".number_format(self::MOST_LINE).' characters; break it up.');
        }
    }

    /** @throws UnreadableMusic */
    public static function refuseManyParts(int $parts): void
    {
        if ($parts > self::MOST_PARTS) {
            throw new UnreadableMusic('This score has more than '.self::MOST_PARTS.' parts; split it and import one half after the other.');
        }
    }

    /** @throws UnreadableMusic */
    public static function refuseManyMeasures(int $measures, string $part): void
    {
        if ($measures > self::MOST_MEASURES) {
            throw new UnreadableMusic("Part {$part} has more than ".number_format(self::MOST_MEASURES).' measures; split the piece into movements.');
        }
    }

    /** @throws UnreadableMusic */
    public static function refuseFullMeasure(int $notes, string $part, string $measure): void
    {
        if ($notes > self::MOST_NOTES_IN_A_MEASURE) {
            throw new UnreadableMusic("Measure {$measure} of part {$part} has more than ".number_format(self::MOST_NOTES_IN_A_MEASURE).' notes; nothing that is played looks so.');
        }
    }

    /**
     * @param  list<Part>  $parts
     *
     * @throws UnreadableMusic
     */
    public static function refuseManyNotes(array $parts): void
    {
        $all = 0;
        foreach ($parts as $part) {
            $notes = count($part->notes());
            $all += $notes;
            if ($notes > self::MOST_NOTES) {
                throw new UnreadableMusic("Part {$part->name} has more than ".number_format(self::MOST_NOTES).' notes; split the piece into movements.');
            }
        }
        if ($all > self::MOST_NOTES_IN_ALL) {
            throw new UnreadableMusic('This score has more than '.number_format(self::MOST_NOTES_IN_ALL).' notes; import its movements one by one.');
        }
    }
}
