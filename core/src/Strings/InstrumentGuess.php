<?php

declare(strict_types=1);

namespace UprightPencil\Core\Strings;

use UprightPencil\Core\Score\Clef;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;

/** Which instrument a part is for, from its name, else its clef, else its range. */
final readonly class InstrumentGuess
{
    /** The name that stands first wins: “Violin 3 (Viola T.C.)” is the viola's line, played on a violin. */
    private const NAMES = [
        'cello' => '/cell|\bvcl?\b|\bvlc\b|\bvc\b/u',
        'viola' => '/viola|\bvl?a\b|\bvlas?\b|bratsche|\balto viol|altviool/u',
        'bass' => '/contra.?bass|kontra.?bass|double.?bass|string.?bass|\bcb\b|\bd\.?b\b|^bass(es|i)?\b|basso\b/u',
        'violin' => '/violin|violon(?!c)|violine|\bvlns?\b|\bvni?\b|\bvl\b|geige|viool|fiddle/u',
    ];

    private const NOT_STRINGS = '/clarinet|guitar|drum|trombone|clarin|flute|fl[öo]te|flauto|piccolo|recorder|oboe|hautbois|bassoon|fagott|horn|\bcor\b|corno|trumpet|trompet|cornet|euphonium|tuba|sax|piano|klavier|keyboard|celesta|harmonium|accordion|organ|orgel|harp|harfe|mandolin|ukulele|banjo|\bvoice(?! ?\d)|vocal|choir|chorus|\bsopran|\btenor|\bbaritone|percussion|timpani|pauken|xylophone|glockenspiel|marimba|vibraphone|triangle|tambourine|cymbal|snare|bells|wood.?block/u';

    /**
     * @param  string  $from  name, clef or range
     * @param  bool  $doubtful  it is a part for something else, by its name, its clef or its staves
     */
    private function __construct(
        public Instrument $instrument,
        public string $from,
        public bool $doubtful,
    ) {}

    public static function of(Part $part): self
    {
        $name = mb_strtolower(trim($part->name.' '.$part->instrumentSound));
        $other = preg_match(self::NOT_STRINGS, $name) === 1;
        $named = $other ? null : self::byName($name);
        if ($named !== null) {
            return new self($named, 'name', false);
        }
        $clef = $part->clefs()[0] ?? null;
        $other = $other || $clef?->sign === 'percussion' || $clef?->sign === 'TAB' || self::isKeyboard($part);
        $octaveDown = ($part->transposition()?->semitones() ?? 0) === -12;
        $byClef = match (true) {
            $clef?->name() === 'bass 8vb', $clef?->name() === 'bass' && $octaveDown => Instrument::Bass,
            $clef?->name() === 'bass', $clef?->name() === 'tenor' => Instrument::Cello,
            $clef?->name() === 'alto' => Instrument::Viola,
            $clef?->name() === 'treble' => Instrument::Violin,
            default => null,
        };

        return $byClef === null ? new self(self::byRange($part), 'range', $other) : new self($byClef, 'clef', $other);
    }

    /** Two staves in two clefs are nobody's who holds a bow. */
    private static function isKeyboard(Part $part): bool
    {
        foreach (isset($part->measures[0]) ? $part->measures[0]->attributes() : [] as $attributes) {
            if (($attributes->staves ?? 1) > 1) {
                return count(array_unique(array_map(static fn (Clef $clef): string => $clef->name(), $attributes->clefs))) > 1;
            }
        }

        return false;
    }

    private static function byName(string $name): ?Instrument
    {
        $first = null;
        $place = strlen($name);
        foreach (self::NAMES as $instrument => $pattern) {
            if (preg_match($pattern, $name, $found, PREG_OFFSET_CAPTURE) === 1 && $found[0][1] < $place) {
                $first = Instrument::from($instrument);
                $place = $found[0][1];
            }
        }

        return $first;
    }

    private static function byRange(Part $part): Instrument
    {
        $sounding = array_filter($part->notes(), static fn (Note $note): bool => $note->sounds() && $note->pitch !== null);
        $lowest = $sounding === [] ? 127 : min(array_map(static fn (Note $note): int => (int) $note->pitch?->midi(), $sounding));
        foreach ([Instrument::Violin, Instrument::Viola, Instrument::Cello] as $instrument) {
            if ($lowest >= $instrument->lowest()) {
                return $instrument;
            }
        }

        return Instrument::Bass;
    }
}
