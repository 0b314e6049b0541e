<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\MusicXml;

use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;

/** Writes partwise MusicXML 4.0. Reading what was written gives an equal score. */
final class Writer
{
    public static function write(Score $score): string
    {
        $parts = '';
        foreach ($score->parts as $part) {
            $parts .= (new PartWriter($score->resolution))->write($part);
        }

        return '<?xml version="1.0" encoding="UTF-8" standalone="no"?>'."\n"
            .'<score-partwise version="4.0">'."\n".self::header($score).self::partList($score).$parts."</score-partwise>\n";
    }

    private static function header(Score $score): string
    {
        $kept = $score->kept;
        $work = (isset($kept['work-number']) ? Xml::text('work-number', $kept['work-number']) : '')
            .($score->title === '' ? '' : Xml::text('work-title', $score->title));
        $header = $work === '' ? '' : Xml::element('work', $work)."\n";
        foreach (['movement-number', 'movement-title'] as $name) {
            $header .= isset($kept[$name]) ? Xml::text($name, $kept[$name])."\n" : '';
        }
        $composer = $score->composer === '' ? '' : Xml::text('creator', $score->composer, ['type' => 'composer']);
        $identification = $composer.($kept['creators'] ?? '').($kept['rights'] ?? '')
            .Xml::element('encoding', Xml::text('software', 'Upright Pencil'));

        return $header.Xml::element('identification', $identification)."\n";
    }

    private static function partList(Score $score): string
    {
        $list = '';
        foreach ($score->parts as $part) {
            $list .= ($score->kept["group-before-{$part->id}"] ?? '').self::listed($part)."\n";
        }

        return "<part-list>\n{$list}".($score->kept['group-last'] ?? '')."</part-list>\n";
    }

    private static function listed(Part $part): string
    {
        $inner = Xml::text('part-name', $part->name)
            .($part->abbreviation === null ? '' : Xml::text('part-abbreviation', $part->abbreviation))
            .($part->kept['instruments'] ?? self::instrument($part));

        return Xml::element('score-part', $inner, ['id' => $part->id]);
    }

    private static function instrument(Part $part): string
    {
        return $part->instrumentSound === null ? '' : Xml::element(
            'score-instrument',
            Xml::text('instrument-name', $part->name).Xml::text('instrument-sound', $part->instrumentSound),
            ['id' => "{$part->id}-I1"],
        );
    }
}
