<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\MusicXml;

use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Barline;
use UprightPencil\Core\Score\Clef;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Transposition;
use UprightPencil\Core\Score\Verbatim;

/** Writes one `<part>`. */
final class PartWriter
{
    private int $cursor = 0;

    /** @param int $resolution ticks in a quarter, which become the file's divisions */
    public function __construct(private readonly int $resolution) {}

    public function write(Part $part): string
    {
        $measures = '';
        $blockEnds = 0;
        foreach ($part->measures as $index => $measure) {
            if (! $measure->entered) {
                $block = $index < $blockEnds ? 0 : NotEntered::block($part->measures, $index);
                $blockEnds = max($blockEnds, $index + $block);
                $measure = NotEntered::signed($measure, $block);
            }
            $measures .= $this->measure($measure, $index === 0);
        }

        return '<part'.Xml::attributes(['id' => $part->id]).">\n{$measures}</part>\n";
    }

    private function measure(Measure $measure, bool $first): string
    {
        $this->cursor = 0;
        $reached = 0;
        $inner = $this->barlines($measure, left: true);
        $needsDivisions = $first;
        foreach ($measure->items as $item) {
            if ($needsDivisions && ! $item instanceof Verbatim) {
                $inner .= $item instanceof Attributes ? '' : Xml::element('attributes', $this->divisions())."\n";
            }
            $inner .= $this->moveTo($item instanceof Note && $item->chord ? $this->cursor : $item->onset);
            $inner .= $this->item($item, $needsDivisions)."\n";
            $needsDivisions = $needsDivisions && $item instanceof Verbatim;
            $this->cursor = $item instanceof Note && ! $item->chord ? $item->end() : $this->cursor;
            $reached = max($reached, $this->cursor, $item instanceof Note ? $item->end() : 0);
        }
        if ($needsDivisions) {
            $inner .= Xml::element('attributes', $this->divisions())."\n";
        }
        $inner .= $reached < $measure->length ? $this->moveTo($measure->length) : '';
        $attributes = ['number' => $measure->number] + ($measure->implicit ? ['implicit' => 'yes'] : []);

        return '<measure'.Xml::attributes($attributes).">\n{$inner}".$this->barlines($measure, left: false)."</measure>\n";
    }

    private function divisions(): string
    {
        return Xml::text('divisions', $this->resolution);
    }

    private function moveTo(int $onset): string
    {
        $by = $onset - $this->cursor;
        $this->cursor = $onset;

        return match (true) {
            $by > 0 => Xml::element('forward', Xml::text('duration', $by))."\n",
            $by < 0 => Xml::element('backup', Xml::text('duration', -$by))."\n",
            default => '',
        };
    }

    private function item(Note|Direction|Attributes|Verbatim $item, bool $withDivisions): string
    {
        return match (true) {
            $item instanceof Note => NoteWriter::write($item),
            $item instanceof Direction => self::direction($item),
            $item instanceof Attributes => $this->attributes($item, $withDivisions),
            default => $item->kept,
        };
    }

    private function attributes(Attributes $attributes, bool $withDivisions): string
    {
        $kept = $attributes->kept;
        $inner = $withDivisions ? $this->divisions() : '';
        $inner .= $attributes->key === null ? '' : self::key($attributes->key);
        $inner .= $kept['keys'] ?? '';
        $inner .= $attributes->meter === null ? '' : self::meter($attributes->meter);
        $inner .= $kept['times'] ?? '';
        $inner .= $attributes->staves === null ? '' : Xml::text('staves', $attributes->staves);
        $inner .= ($kept['part-symbol'] ?? '').($kept['instruments'] ?? '');
        $inner .= implode('', array_map(self::clef(...), $attributes->clefs));
        $inner .= $kept['staff-details'] ?? '';
        $inner .= $attributes->transposition === null ? '' : self::transposition($attributes->transposition);

        return Xml::element('attributes', $inner.($kept['last'] ?? ''));
    }

    private static function key(Key $key): string
    {
        $attributes = array_intersect_key($key->kept, ['number' => 1, 'print-object' => 1]);
        $inner = $key->kept['signs'] ?? ($key->alters === [] ? Xml::text('fifths', $key->fifths) : self::signs($key->alters))
            .($key->mode === null || $key->alters !== [] ? '' : Xml::text('mode', $key->mode)).($key->kept['octaves'] ?? '');

        return Xml::element('key', $inner, $attributes);
    }

    /** @param array<string, int> $alters */
    private static function signs(array $alters): string
    {
        return implode('', array_map(static fn (string $letter, int $semitones): string => Xml::text('key-step', $letter).Xml::text('key-alter', $semitones), array_keys($alters), $alters));
    }

    private static function meter(Meter $meter): string
    {
        $attributes = array_intersect_key($meter->kept, ['number' => 1, 'symbol' => 1, 'separator' => 1, 'print-object' => 1]);
        $inner = '';
        foreach ($meter->terms as [$beats, $value]) {
            $inner .= Xml::text('beats', $beats).Xml::text('beat-type', $value);
        }
        if ($meter->terms === []) {
            $inner = Xml::text('senza-misura', trim($meter->kept['senza-misura'] ?? ''));
        }

        return Xml::element('time', $inner.($meter->kept['last'] ?? ''), $attributes);
    }

    private static function clef(Clef $clef): string
    {
        $inner = Xml::text('sign', $clef->sign)
            .($clef->line === null ? '' : Xml::text('line', $clef->line))
            .($clef->octave === 0 ? '' : Xml::text('clef-octave-change', $clef->octave));

        return Xml::element('clef', $inner, $clef->staff === 1 ? [] : ['number' => $clef->staff]);
    }

    private static function transposition(Transposition $transposition): string
    {
        return Xml::element('transpose', ($transposition->diatonic === null ? '' : Xml::text('diatonic', $transposition->diatonic))
            .Xml::text('chromatic', $transposition->chromatic)
            .($transposition->octaves === 0 ? '' : Xml::text('octave-change', $transposition->octaves))
            .($transposition->double ? '<double/>' : ''));
    }

    private static function direction(Direction $direction): string
    {
        $sound = $direction->sound === [] ? '' : Xml::element('sound', '', $direction->sound);
        if ($direction->soundOnly) {
            return $sound === '' ? '<sound/>' : $sound;
        }
        $inner = implode('', array_map(
            static fn (DirectionSign $sign): string => Xml::element('direction-type', $sign->kept ?? self::sign($sign)),
            $direction->signs,
        ));
        $inner .= $direction->offset === 0 ? '' : Xml::text('offset', $direction->offset);
        $inner .= $direction->voice === null ? '' : Xml::text('voice', $direction->voice);
        $inner .= $direction->staff === null ? '' : Xml::text('staff', $direction->staff);

        return Xml::element('direction', $inner.$sound, $direction->placement === null ? [] : ['placement' => $direction->placement]);
    }

    /** A sign that was made here, not read from a file. */
    private static function sign(DirectionSign $sign): string
    {
        return match ($sign->kind) {
            DirectionKind::Dynamics => Xml::element('dynamics', "<{$sign->text}/>"),
            DirectionKind::Wedge => Xml::element('wedge', '', ['type' => $sign->text]),
            DirectionKind::Dashes => Xml::element('dashes', '', ['type' => $sign->text, 'number' => $sign->number]),
            DirectionKind::Segno, DirectionKind::Coda => "<{$sign->kind->value}/>",
            DirectionKind::Metronome => Xml::element('metronome', Xml::text('beat-unit', 'quarter').Xml::text('per-minute', (string) $sign->tempo)),
            DirectionKind::Rehearsal => Xml::text('rehearsal', $sign->text),
            default => Xml::text('words', $sign->text),
        };
    }

    private function barlines(Measure $measure, bool $left): string
    {
        $text = '';
        foreach ($measure->barlines as $barline) {
            if (($barline->place === 'left') === $left) {
                $text .= self::barline($barline)."\n";
            }
        }

        return $text;
    }

    private static function barline(Barline $barline): string
    {
        $ending = $barline->endingType === null ? '' : ($barline->kept['ending'] ?? Xml::element('ending', '', [
            'number' => implode(',', $barline->endings),
            'type' => $barline->endingType,
        ]));
        $repeat = $barline->repeat === null ? '' : Xml::element('repeat', '', ['direction' => $barline->repeat]
            + ($barline->times > 2 ? ['times' => $barline->times] : []));

        return Xml::element('barline', ($barline->kept['before'] ?? '').$ending.$repeat, ['location' => $barline->place]);
    }
}
