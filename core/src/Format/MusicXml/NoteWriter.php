<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\MusicXml;

use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\Span;
use UprightPencil\Core\Score\Technical;
use UprightPencil\Core\Score\TimeModification;

/** Writes one `<note>`, its children in the order the schema asks for. */
final class NoteWriter
{
    public static function write(Note $note): string
    {
        $kept = $note->kept;
        $inner = self::sounding($note)
            .($kept['instrument'] ?? '')
            .($note->voice === null ? '' : Xml::text('voice', $note->voice))
            .($note->value === null ? '' : Xml::text('type', $note->value->type->value).str_repeat('<dot/>', $note->value->dots))
            .($kept['accidental'] ?? ($note->accidental === null ? '' : Xml::text('accidental', $note->accidental)))
            .($note->value?->tuplet === null ? '' : self::ratio($note->value->tuplet))
            .($kept['stem'] ?? '').($kept['notehead'] ?? '').($kept['notehead-text'] ?? '')
            .($note->staff === null ? '' : Xml::text('staff', $note->staff))
            .($kept['beam'] ?? '')
            .self::notations($note)
            .($kept['lyric'] ?? '').($kept['play'] ?? '').($kept['listen'] ?? '');
        $shown = isset($kept['print-object']) ? ['print-object' => $kept['print-object']] : [];

        return Xml::element('note', $inner, ['id' => $note->id] + $shown);
    }

    private static function sounding(Note $note): string
    {
        $what = match (true) {
            $note->rest => $note->kept['rest'] ?? '<rest/>',
            $note->pitch === null => $note->kept['unpitched'] ?? '<unpitched/>',
            default => self::pitch($note->pitch),
        };

        return ($note->grace ? $note->kept['grace'] ?? '<grace/>' : '')
            .($note->cue ? '<cue/>' : '')
            .($note->chord ? '<chord/>' : '')
            .$what
            .($note->grace ? '' : Xml::text('duration', $note->duration))
            .($note->cue ? '' : ($note->tieStop ? '<tie type="stop"/>' : '').($note->tieStart ? '<tie type="start"/>' : ''));
    }

    private static function pitch(Pitch $pitch): string
    {
        return Xml::element('pitch', Xml::text('step', $pitch->letter)
            .($pitch->alter === 0.0 ? '' : Xml::text('alter', (string) $pitch->alter))
            .Xml::text('octave', $pitch->octave));
    }

    private static function ratio(TimeModification $ratio): string
    {
        return Xml::element('time-modification', Xml::text('actual-notes', $ratio->actual)
            .Xml::text('normal-notes', $ratio->normal)
            .($ratio->normalType === null ? '' : Xml::text('normal-type', $ratio->normalType->value).str_repeat('<normal-dot/>', $ratio->normalDots)));
    }

    private static function notations(Note $note): string
    {
        $kept = $note->kept;
        $articulations = implode('', array_map(static fn (Articulation $sign): string => "<{$sign->value}/>", $note->articulations))
            .($kept['breath'] ?? ($note->breath ? '<breath-mark/>' : '')).($kept['articulations'] ?? '');
        $inner = ($note->tieStop ? '<tied type="stop"/>' : '').($note->tieStart ? '<tied type="start"/>' : '').($kept['tied'] ?? '')
            .implode('', array_map(self::slur(...), $note->slurs))
            .implode('', array_map(self::tuplet(...), $note->tuplets))
            .($kept['ornaments'] ?? '')
            .self::technical($note->technical)
            .($articulations === '' ? '' : Xml::element('articulations', $articulations))
            .($kept['fermata'] ?? ($note->fermata ? '<fermata/>' : ''))
            .($kept['notations'] ?? '');

        return $inner === '' ? '' : Xml::element('notations', $inner);
    }

    private static function slur(Span $slur): string
    {
        return Xml::element('slur', '', ['type' => $slur->type, 'number' => $slur->number] + $slur->look);
    }

    private static function tuplet(Span $tuplet): string
    {
        return Xml::element('tuplet', $tuplet->inner, ['type' => $tuplet->type, 'number' => $tuplet->number] + $tuplet->look);
    }

    private static function technical(Technical $technical): string
    {
        if ($technical->isEmpty()) {
            return '';
        }
        $fingers = $technical->finger === null ? [] : explode(' ', $technical->finger);

        return Xml::element('technical', ($technical->bow === null ? '' : "<{$technical->bow->value}-bow/>")
            .implode('', array_map(static fn (string $finger): string => Xml::text('fingering', $finger), $fingers))
            .($technical->string === null ? '' : Xml::text('string', $technical->string))
            .($technical->open ? '<open-string/>' : '')
            .($technical->harmonic && ! str_contains(implode('', $technical->other), '<harmonic') ? '<harmonic><natural/></harmonic>' : '')
            .implode('', $technical->other));
    }
}
