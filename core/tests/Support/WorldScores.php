<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Support;

/**
 * Made-up MusicXML as scores for more than strings have it: two staves, many voices, gaps, cues, percussion, thirty parts. Written
 * partwise or timewise, and in any encoding; the number of heads of each part is known.
 */
final class WorldScores
{
    /** @return array<string, array{list<array{name: string, clefs: string, measures: list<string>}>, list<array{notes: int, cues: int, unpitched: int}>}> */
    public static function all(): array
    {
        return [
            'a piano between strings' => [[self::violin('Violin 1'), self::piano(), self::violin('Cello', 'F', 4)], [self::heads(16), self::heads(28), self::heads(16)]],
            'many voices on one staff' => [[self::voices()], [self::heads(24)]],
            'cues before an entry' => [[self::cues(), self::violin('Viola', 'C', 3)], [self::heads(8, 8), self::heads(16)]],
            'percussion' => [[self::violin('Violin 2'), self::drums()], [self::heads(16), self::heads(16, 0, 16)]],
            'thirty parts' => [array_map(static fn (int $number): array => self::violin(self::NAMES[$number % 10].' '.(1 + intdiv($number, 10))), range(0, 29)), array_fill(0, 30, self::heads(16))],
        ];
    }

    private const NAMES = ['Flute', 'Oboe', 'Clarinet in B♭', 'Horn in F', 'Trumpet', 'Timpani', 'Harp', 'Violin', 'Viola', 'Cello'];

    /** @return array{notes: int, cues: int, unpitched: int} */
    private static function heads(int $notes, int $cues = 0, int $unpitched = 0): array
    {
        return ['notes' => $notes, 'cues' => $cues, 'unpitched' => $unpitched];
    }

    private static function note(string $pitch, int $duration, string $more = '', string $before = '', int $staff = 1, string $voice = '1'): string
    {
        return "<note>{$before}<pitch><step>{$pitch[0]}</step><octave>{$pitch[1]}</octave></pitch><duration>{$duration}</duration><voice>{$voice}</voice>{$more}<staff>{$staff}</staff></note>";
    }

    private static function clef(string $sign, int $line, int $number = 1): string
    {
        return "<clef number=\"{$number}\"><sign>{$sign}</sign><line>{$line}</line></clef>";
    }

    private static function move(string $way, int $duration): string
    {
        return "<{$way}><duration>{$duration}</duration></{$way}>";
    }

    /** @return array{name: string, clefs: string, measures: list<string>} */
    private static function violin(string $name, string $sign = 'G', int $line = 2): array
    {
        $octave = $sign === 'F' ? 3 : 4;

        return ['name' => $name, 'clefs' => self::clef($sign, $line), 'measures' => array_fill(0, 4, implode('', array_map(static fn (string $letter): string => self::note("{$letter}{$octave}", 2), ['D', 'E', 'F', 'G'])))];
    }

    /**
     * Four voices on two staves; the second and fourth are silent for half of each measure, by a gap and by going back less far.
     *
     * @return array{name: string, clefs: string, measures: list<string>}
     */
    private static function piano(): array
    {
        $measure = self::note('C5', 4).self::note('E5', 4, '', '<chord/>').self::note('D5', 4)
            .self::move('backup', 8).self::move('forward', 4).self::note('G4', 4, '', '', 1, '2')
            .self::move('backup', 8).self::note('C3', 8, '', '', 2, '5')
            .self::move('backup', 4).self::note('G3', 2, '', '', 2, '6').self::note('A3', 2, '', '', 2, '6');

        return ['name' => 'Piano', 'clefs' => '<staves>2</staves>'.self::clef('G', 2).self::clef('F', 4, 2), 'measures' => array_fill(0, 4, $measure)];
    }

    /** @return array{name: string, clefs: string, measures: list<string>} */
    private static function voices(): array
    {
        $measure = self::note('G5', 8).self::move('backup', 8).self::note('E5', 4, '', '', 1, '2').self::note('D5', 4, '', '', 1, '2')
            .self::move('backup', 8).self::note('C5', 2, '', '', 1, '3').self::move('forward', 4).self::note('B4', 2, '', '', 1, '3')
            .self::move('backup', 2).self::note('G4', 2, '', '', 1, '4');

        return ['name' => 'Violin divided', 'clefs' => self::clef('G', 2), 'measures' => array_fill(0, 4, $measure)];
    }

    /** @return array{name: string, clefs: string, measures: list<string>} */
    private static function cues(): array
    {
        $cue = implode('', array_map(static fn (string $letter): string => self::note("{$letter}5", 2, '', '<cue/>', 1, '2'), ['D', 'E', 'F', 'G'])).self::move('backup', 8).'<note><rest/><duration>8</duration><voice>1</voice></note>';
        $own = implode('', array_map(static fn (string $letter): string => self::note("{$letter}4", 2), ['D', 'E', 'F', 'G']));

        return ['name' => 'Violin 1', 'clefs' => self::clef('G', 2), 'measures' => [$cue, $cue, $own, $own]];
    }

    /** @return array{name: string, clefs: string, measures: list<string>} */
    private static function drums(): array
    {
        $hit = '<note><unpitched><display-step>E</display-step><display-octave>4</display-octave></unpitched><duration>2</duration><voice>1</voice><staff>1</staff></note>';

        return ['name' => 'Drums', 'clefs' => '<clef><sign>percussion</sign></clef>', 'measures' => array_fill(0, 4, str_repeat($hit, 4))];
    }

    /** @param list<array{name: string, clefs: string, measures: list<string>}> $parts */
    public static function partwise(array $parts): string
    {
        $score = self::opening('partwise', $parts);
        foreach ($parts as $index => $part) {
            $score .= '<part id="P'.($index + 1).'">';
            foreach ($part['measures'] as $number => $measure) {
                $score .= '<measure number="'.($number + 1).'">'.($number === 0 ? self::attributes($part['clefs']) : '').$measure.'</measure>';
            }
            $score .= '</part>';
        }

        return $score.'</score-partwise>';
    }

    /** @param list<array{name: string, clefs: string, measures: list<string>}> $parts */
    public static function timewise(array $parts): string
    {
        $score = self::opening('timewise', $parts);
        foreach (array_keys($parts[0]['measures']) as $number) {
            $score .= '<measure number="'.($number + 1).'">';
            foreach ($parts as $index => $part) {
                $score .= '<part id="P'.($index + 1).'">'.($number === 0 ? self::attributes($part['clefs']) : '').$part['measures'][$number].'</part>';
            }
            $score .= '</measure>';
        }

        return $score.'</score-timewise>';
    }

    /** @param list<array{name: string, ...}> $parts */
    private static function opening(string $form, array $parts): string
    {
        $list = implode('', array_map(static fn (array $part, int $index): string => '<score-part id="P'.($index + 1).'"><part-name>'.htmlspecialchars($part['name']).'</part-name></score-part>', $parts, array_keys($parts)));

        return "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<score-{$form} version=\"4.0\"><work><work-title>Über die Höhen</work-title></work><part-list>{$list}</part-list>";
    }

    private static function attributes(string $clefs): string
    {
        $staves = str_starts_with($clefs, '<staves>') ? '<staves>2</staves>' : '';

        return "<attributes><divisions>2</divisions><key><fifths>0</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time>{$staves}".str_replace('<staves>2</staves>', '', $clefs).'</attributes>';
    }

    /** @return array<string, \Closure(string): string> */
    public static function encodings(): array
    {
        $declared = static fn (string $xml, string $encoding): string => str_replace('encoding="UTF-8"', "encoding=\"{$encoding}\"", $xml);
        $into = static fn (string $xml, string $encoding): string => (string) mb_convert_encoding($xml, $encoding, 'UTF-8');
        $latin = static fn (string $xml): string => str_replace('♭', '', $xml);

        return [
            'UTF-8' => static fn (string $xml): string => $xml,
            'UTF-8 with its mark' => static fn (string $xml): string => "\xEF\xBB\xBF{$xml}",
            'UTF-8 with its mark, declared as UTF-16' => static fn (string $xml): string => "\xEF\xBB\xBF".$declared($xml, 'UTF-16'),
            'UTF-8 declared as UTF-16' => static fn (string $xml): string => $declared($xml, 'UTF-16'),
            'UTF-16, little end first' => static fn (string $xml): string => "\xFF\xFE".$into($declared($xml, 'UTF-16'), 'UTF-16LE'),
            'UTF-16, big end first' => static fn (string $xml): string => "\xFE\xFF".$into($declared($xml, 'UTF-16'), 'UTF-16BE'),
            'UTF-16 declared as UTF-8' => static fn (string $xml): string => "\xFF\xFE".$into($xml, 'UTF-16LE'),
            'UTF-16 without a mark' => static fn (string $xml): string => $into($declared($xml, 'UTF-16'), 'UTF-16BE'),
            'Latin-1' => static fn (string $xml): string => $into($declared($latin($xml), 'ISO-8859-1'), 'ISO-8859-1'),
            'Latin-1 declared as UTF-8' => static fn (string $xml): string => $into($latin($xml), 'ISO-8859-1'),
            'no declaration' => static fn (string $xml): string => (string) preg_replace('/^<\?xml[^>]*>\s*/', '', $xml),
        ];
    }
}
