<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Clef;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Technical;

/** Writes note heads: pitch by what is in force in the measure, and the signs on them. */
final class HeadWriter
{
    private const ARTICULATIONS = ['staccato' => '.', 'accent' => '!>!', 'tenuto' => '!tenuto!', 'staccatissimo' => '!wedge!', 'strong-accent' => '!marcato!', 'spiccato' => '.', 'detached-legato' => '!tenuto!'];

    private Key $key;

    private Clef $clef;

    /** @var array<string, float> letter and octave => alteration in force in this measure */
    private array $held = [];

    public function __construct()
    {
        $this->key = new Key(0);
        $this->clef = new Clef('G', 2);
    }

    public function change(?Key $key, ?Clef $clef): void
    {
        $this->key = $key ?? $this->key;
        $this->clef = $clef ?? $this->clef;
    }

    public function forget(): void
    {
        $this->held = [];
    }

    public function isPercussion(): bool
    {
        return $this->clef->sign === 'percussion';
    }

    /** @param non-empty-list<Note> $heads of one stem */
    public function of(array $heads, string $length): string
    {
        if (count($heads) === 1) {
            return $this->head($heads[0]).$length.($heads[0]->tieStart ? '-' : '');
        }
        $text = '';
        foreach ($heads as $index => $head) {
            $text .= ($index === 0 ? '' : self::fingers($head->technical)).$this->head($head).($head->tieStart ? '-' : '');
        }

        return "[{$text}]{$length}";
    }

    private function head(Note $note): string
    {
        if ($note->pitch === null) {
            preg_match('/<display-step>([A-G])<.*<display-octave>(\d)</s', $note->kept['unpitched'] ?? '', $shown);

            return self::lettered($shown[1] ?? 'B', (int) ($shown[2] ?? 4) - $this->clef->octave);
        }
        $pitch = $note->pitch;
        $place = $pitch->letter.$pitch->octave;
        $inForce = $this->held[$place] ?? (float) $this->key->alterOf($pitch->letter);
        // A tie carries its accidental over the barline.
        $carried = $note->tieStop && $note->accidental === null && ! isset($this->held[$place]);
        if (($pitch->alter === $inForce && $note->accidental === null) || $carried) {
            return self::lettered($pitch->letter, $pitch->octave - $this->clef->octave);
        }
        $this->held[$place] = $pitch->alter;

        return Accidentals::signOf($pitch->alter).self::lettered($pitch->letter, $pitch->octave - $this->clef->octave);
    }

    private static function lettered(string $letter, int $octave): string
    {
        return $octave >= 5
            ? strtolower($letter).str_repeat("'", $octave - 5)
            : $letter.str_repeat(',', 4 - $octave);
    }

    /** What stands before a note or a chord. */
    public static function signs(Note $note): string
    {
        $technical = $note->technical;

        return match ($technical->bow) {
            BowSign::Down => 'v',
            BowSign::Up => 'u',
            null => '',
        }
            .self::fingers($technical)
            .implode('', array_map(static fn (Articulation $sign): string => self::ARTICULATIONS[$sign->value], $note->articulations))
            .self::named(Decorations::ORNAMENTS, $note->kept['ornaments'] ?? '')
            .self::named(Decorations::TECHNICAL, implode('', $technical->other))
            .self::named(Decorations::NOTATIONS, $note->kept['notations'] ?? '')
            .($note->tremolo > 0 && $note->tremolo <= 4 ? '!'.str_repeat('/', $note->tremolo).'!' : '')
            .($note->fermata ? '!fermata!' : '')
            .($note->breath ? '!breath!' : '');
    }

    /** @param array<string, string> $names sign => MusicXML's words */
    private static function named(array $names, string $kept): string
    {
        $signs = '';
        foreach ($names as $name => $words) {
            preg_match('/^<[a-z-]+/', $words, $element);
            $signs .= preg_match('/'.($element[0] ?? '').'[\s\/>]/', $kept) === 1 ? "!{$name}!" : '';
        }

        return $signs;
    }

    /** ABC has one small circle for open strings and harmonics: with a finger it is a harmonic. */
    private static function fingers(Technical $technical): string
    {
        if ($technical->open) {
            return '!0!';
        }
        $fingers = preg_match('/^[0-5]( [0-5])*$/', $technical->finger ?? '') === 1 ? explode(' ', (string) $technical->finger) : [];

        return implode('', array_map(static fn (string $finger): string => "!{$finger}!", $fingers)).($technical->harmonic && $fingers !== [] ? '!open!' : '');
    }
}
