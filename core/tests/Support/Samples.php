<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Support;

use UprightPencil\Core\Format\MusicXml\Reader;
use UprightPencil\Core\Score\Score;

/** Made-up MusicXML as different notation programs would write it. */
final class Samples
{
    public const VIOLIN_CLEF = '<clef><sign>G</sign><line>2</line></clef>';

    /** Wraps measures into a score with one part. */
    public static function part(string $measures, string $name = 'Violin', string $extra = ''): string
    {
        return '<?xml version="1.0" encoding="UTF-8"?>'."\n"
            .'<!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 3.1 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd">'."\n"
            ."<score-partwise version=\"3.1\">{$extra}<part-list><score-part id=\"P1\"><part-name>{$name}</part-name></score-part></part-list>"
            ."<part id=\"P1\">{$measures}</part></score-partwise>";
    }

    public static function note(string $pitch, int $duration, string $type = '', string $inner = '', string $before = ''): string
    {
        $alter = match (substr($pitch, 1, -1)) {
            '#' => '<alter>1</alter>',
            'b' => '<alter>-1</alter>',
            default => '',
        };

        return "<note>{$before}<pitch><step>".$pitch[0]."</step>{$alter}<octave>".substr($pitch, -1).'</octave></pitch>'
            .($duration === 0 ? '' : "<duration>{$duration}</duration>")
            .'<voice>1</voice>'.($type === '' ? '' : "<type>{$type}</type>").$inner.'</note>';
    }

    public static function rest(int $duration, string $inner = '<rest/>'): string
    {
        return "<note>{$inner}<duration>{$duration}</duration><voice>1</voice></note>";
    }

    public static function attributes(int $divisions = 2, int $fifths = 0, string $time = '<beats>4</beats><beat-type>4</beat-type>', string $clef = self::VIOLIN_CLEF): string
    {
        return "<attributes><divisions>{$divisions}</divisions><key><fifths>{$fifths}</fifths></key><time>{$time}</time>{$clef}</attributes>";
    }

    /** Everything that a part may hold and that has to come back. */
    public static function rich(): string
    {
        $n = self::note(...);
        $pickup = '<measure number="0" implicit="yes">'.self::attributes(6, 2)
            .'<direction placement="above"><direction-type><words font-weight="bold">Lively</words></direction-type><direction-type><metronome><beat-unit>quarter</beat-unit><per-minute>112</per-minute></metronome></direction-type><sound tempo="112"/></direction>'
            .$n('A4', 6, 'quarter', '<notations><technical><up-bow/></technical></notations>').'</measure>';
        $one = '<measure number="1"><barline location="left"><repeat direction="forward"/></barline>'
            .'<direction placement="below"><direction-type><dynamics><mf/></dynamics></direction-type></direction>'
            .$n('D5', 0, 'eighth', '', '<grace slash="yes"/>')
            .$n('C#5', 3, 'eighth', '<stem>down</stem><beam number="1">begin</beam><notations><slur type="start" number="1"/><articulations><accent/></articulations></notations>')
            .$n('E5', 3, 'eighth', '<stem>down</stem><beam number="1">end</beam><notations><slur type="stop" number="1"/></notations>')
            .$n('D5', 6, 'quarter', '<notations><technical><fingering>3</fingering><string>2</string></technical></notations>')
            .$n('F#5', 6, 'quarter', '<notations><fermata type="upright"/></notations>', '<chord/>')
            .$n('B4', 2, 'eighth', '<time-modification><actual-notes>3</actual-notes><normal-notes>2</normal-notes></time-modification><notations><tuplet type="start" bracket="yes"/></notations>')
            .$n('C#5', 2, 'eighth', '<time-modification><actual-notes>3</actual-notes><normal-notes>2</normal-notes></time-modification>')
            .$n('D5', 2, 'eighth', '<time-modification><actual-notes>3</actual-notes><normal-notes>2</normal-notes></time-modification><notations><tuplet type="stop"/></notations>')
            .$n('E5', 6, 'quarter', '<notations><tied type="start"/></notations>', '').'</measure>';
        $one = str_replace('<duration>6</duration><voice>1</voice><type>quarter</type><notations><tied type="start"/>', '<duration>6</duration><tie type="start"/><voice>1</voice><type>quarter</type><notations><tied type="start"/>', $one);
        $two = '<measure number="2"><direction><direction-type><wedge type="crescendo"/></direction-type></direction>'
            .'<note><pitch><step>E</step><octave>5</octave></pitch><duration>12</duration><tie type="stop"/><voice>1</voice><type>half</type><notations><tied type="stop"/></notations></note>'
            .'<direction><direction-type><wedge type="stop"/></direction-type></direction>'
            .'<direction><direction-type><words>pizz.</words></direction-type></direction>'
            .self::rest(6).$n('A4', 6, 'quarter', '<notations><ornaments><tremolo type="single">2</tremolo></ornaments></notations>')
            .'<backup><duration>24</duration></backup><note><pitch><step>A</step><octave>3</octave></pitch><duration>24</duration><voice>2</voice><type>whole</type></note>'
            .'<barline location="right"><ending number="1" type="stop"/><repeat direction="backward"/></barline></measure>';
        $three = '<measure number="3"><attributes><key><fifths>-1</fifths><mode>minor</mode></key><time symbol="common"><beats>3</beats><beat-type>4</beat-type></time><clef><sign>C</sign><line>3</line></clef></attributes>'
            .'<direction><direction-type><rehearsal>B</rehearsal></direction-type></direction><direction><direction-type><segno/></direction-type><sound segno="s"/></direction>'
            .$n('Bb4', 12, 'half').$n('A4', 6, 'quarter', '<notations><technical><open-string/><down-bow/></technical></notations><lyric><text>la</text></lyric>')
            .'<barline location="right"><bar-style>light-heavy</bar-style></barline></measure>';

        return self::part($pickup.$one.$two.$three, 'Violin 1', '<work><work-title>Rich &amp; Full</work-title></work><identification><creator type="composer">Nobody</creator></identification>');
    }

    /** A piece or line of the demo. */
    public static function demo(string $name): Score
    {
        return Reader::read((string) file_get_contents(dirname(__DIR__, 3)."/demo/{$name}.musicxml"))->score;
    }
}
