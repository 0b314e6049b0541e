<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Barline;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\Resolution;
use UprightPencil\Core\Score\Technical;
use UprightPencil\Core\Score\TimeModification;

/** Writes one part as an ABC voice, four measures a line. */
final class VoiceWriter
{
    private const MEASURES_A_LINE = 4;

    private const ARTICULATIONS = ['staccato' => '.', 'accent' => '!>!', 'tenuto' => '!tenuto!', 'staccatissimo' => '!wedge!', 'strong-accent' => '!marcato!', 'spiccato' => '.', 'detached-legato' => '!tenuto!'];

    private Key $key;

    private bool $first = true;

    /** @var array<string, int> letter and octave => alteration in force in this measure */
    private array $held = [];

    /** @param int $resolution ticks in a quarter */
    public function __construct(private readonly int $resolution)
    {
        $this->key = new Key(0);
    }

    public function write(Part $part): string
    {
        $text = '';
        foreach ($part->measures as $index => $measure) {
            $next = $part->measures[$index + 1] ?? null;
            $text .= $this->left($measure).$this->measure($measure, $this->voiceOf($part)).$this->right($measure, $next);
            $text .= ($index + 1) % self::MEASURES_A_LINE === 0 ? "\n" : ' ';
        }

        return rtrim($text)."\n";
    }

    /** The voice that speaks first on the first staff. */
    private function voiceOf(Part $part): ?string
    {
        return ($part->notes()[0] ?? null)?->voice;
    }

    private function left(Measure $measure): string
    {
        $text = '';
        foreach ($measure->barlines as $barline) {
            if ($barline->place === 'left') {
                $text .= ($barline->repeat === 'forward' ? '|:' : '')
                    .($barline->endingType === 'start' ? '['.implode(',', $barline->endings).' ' : '');
            }
        }

        return $text;
    }

    private function right(Measure $measure, ?Measure $next): string
    {
        foreach ($measure->barlines as $barline) {
            if ($barline->place === 'right' && $barline->repeat === 'backward') {
                return ':|';
            }
        }
        foreach ($measure->barlines as $barline) {
            if ($barline->place === 'right' && str_contains($barline->kept['before'] ?? '', 'light-light')) {
                return '||';
            }
        }
        $begins = array_filter($next === null ? [] : $next->barlines, static fn (Barline $barline): bool => $barline->place === 'left' && $barline->repeat === 'forward');

        return match (true) {
            $next === null => '|]',
            $begins !== [] => '',
            default => '|',
        };
    }

    private function measure(Measure $measure, ?string $voice): string
    {
        $this->held = [];
        $this->key = $measure->key ?? $this->key;
        $text = '';
        $items = array_values(array_filter($measure->items, static fn (object $item): bool => ! $item instanceof Note || (($item->voice ?? $voice) === $voice && ! $item->cue)));
        foreach ($items as $place => $item) {
            $following = $items[$place + 1] ?? null;
            $text .= match (true) {
                $item instanceof Attributes => $this->attributes($item),
                $item instanceof Direction => $this->direction($item),
                $item instanceof Note => $this->note($item, $following instanceof Note && $following->chord, $items, $place),
                default => '',
            };
        }
        $this->first = false;

        return $text;
    }

    private function attributes(Attributes $attributes): string
    {
        $this->key = $attributes->key ?? $this->key;
        if ($this->first) {
            return '';
        }

        return ($attributes->key === null ? '' : '[K:'.Writer::key($attributes->key).']')
            .($attributes->meter === null || $attributes->meter->terms === [] ? '' : '[M:'.Writer::meter($attributes->meter->terms).']');
    }

    private function direction(Direction $direction): string
    {
        $tempo = $direction->sound['tempo'] ?? null;

        return ($tempo !== null && is_numeric($tempo) && ! $this->first ? "[Q:1/4={$tempo}]" : '')
            .implode('', array_map(static fn (DirectionSign $sign): string => self::sign($sign), $direction->signs));
    }

    private static function sign(DirectionSign $sign): string
    {
        return match ($sign->kind) {
            DirectionKind::Words => $sign->text === '' ? '' : '"^'.str_replace('"', "'", $sign->text).'"',
            DirectionKind::Dynamics => in_array($sign->text, ['pppp', 'ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff', 'ffff', 'sfz'], true) ? "!{$sign->text}!" : '',
            DirectionKind::Wedge => ['crescendo' => '!crescendo(!', 'diminuendo' => '!diminuendo(!'][$sign->text] ?? '',
            DirectionKind::Segno => '!segno!',
            DirectionKind::Coda => '!coda!',
            DirectionKind::Rehearsal => '"^'.str_replace('"', "'", $sign->text).'"',
            default => '',
        };
    }

    /** @param list<object> $items */
    private function note(Note $note, bool $beforeChord, array $items, int $place): string
    {
        if ($note->rest) {
            return ($note->tuplets === [] ? '' : $this->tuplet($note, $items, $place)).(($note->kept['print-object'] ?? '') === 'no' ? 'x' : 'z').$this->length($note).' ';
        }
        if ($note->pitch === null) {
            return 'x'.$this->length($note).' ';
        }
        if ($note->grace) {
            return '{'.$this->pitch($note->pitch).'}';
        }
        $head = $this->pitch($note->pitch).($note->chord || $beforeChord ? '' : $this->length($note)).($note->tieStart ? '-' : '');
        if ($note->chord) {
            return $head.($beforeChord ? '' : ']'.$this->length($note).$this->slurEnds($this->leadOf($items, $place)).' ');
        }
        $text = $this->tuplet($note, $items, $place).self::signs($note).$this->slurStarts($note).($beforeChord ? '[' : '').$head;

        return $beforeChord ? $text : $text.$this->slurEnds($note).(str_contains($note->kept['beam'] ?? '', 'begin') || str_contains($note->kept['beam'] ?? '', 'continue') ? '' : ' ');
    }

    /** @param list<object> $items */
    private function leadOf(array $items, int $place): Note
    {
        for (; $place >= 0; $place--) {
            $item = $items[$place];
            if ($item instanceof Note && ! $item->chord) {
                return $item;
            }
        }
        throw new \LogicException('A chord has a first note.');
    }

    private function slurStarts(Note $note): string
    {
        return str_repeat('(', count(array_filter($note->slurs, static fn ($slur): bool => $slur->type === 'start')));
    }

    private function slurEnds(Note $note): string
    {
        return str_repeat(')', count(array_filter($note->slurs, static fn ($slur): bool => $slur->type === 'stop')));
    }

    private static function signs(Note $note): string
    {
        $technical = $note->technical;

        return match ($technical->bow) {
            BowSign::Down => 'v',
            BowSign::Up => 'u',
            null => '',
        }
            .self::fingers($technical)
            .implode('', array_map(static fn (Articulation $sign): string => self::ARTICULATIONS[$sign->value], $note->articulations))
            .($note->fermata ? '!fermata!' : '')
            .($note->breath ? '!breath!' : '');
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

    /** @param list<object> $items */
    private function tuplet(Note $note, array $items, int $place): string
    {
        $starts = array_filter($note->tuplets, static fn ($span): bool => $span->type === 'start') !== [];
        $ratio = $note->value?->tuplet;
        if (! $starts || $ratio === null) {
            return '';
        }
        $count = 0;
        for (; isset($items[$place]); $place++) {
            $item = $items[$place];
            if (! $item instanceof Note || $item->chord || $item->grace) {
                continue;
            }
            $count++;
            if (array_filter($item->tuplets, static fn ($span): bool => $span->type === 'stop') !== []) {
                break;
            }
        }

        return "({$ratio->actual}:{$ratio->normal}:{$count}";
    }

    /** In eighths; inside a tuplet the written length. */
    private function length(Note $note): string
    {
        $ratio = $note->value->tuplet ?? new TimeModification(1, 1);
        $above = 2 * $note->duration * $ratio->actual;
        $below = $this->resolution * $ratio->normal;
        $common = Resolution::divisor($above, $below);
        [$above, $below] = $common === 0 ? [1, 1] : [intdiv($above, $common), intdiv($below, $common)];

        return ($above === 1 ? '' : (string) $above).($below === 1 ? '' : "/{$below}");
    }

    private function pitch(Pitch $pitch): string
    {
        $place = $pitch->letter.$pitch->octave;
        $alter = (int) floor($pitch->alter);
        $inForce = $this->held[$place] ?? $this->key->alterOf($pitch->letter);
        $sign = $alter === $inForce ? '' : [-2 => '__', -1 => '_', 0 => '=', 1 => '^', 2 => '^^'][$alter] ?? '';
        $this->held[$place] = $alter;

        return $sign.($pitch->octave >= 5
            ? strtolower($pitch->letter).str_repeat("'", $pitch->octave - 5)
            : $pitch->letter.str_repeat(',', 4 - $pitch->octave));
    }
}
