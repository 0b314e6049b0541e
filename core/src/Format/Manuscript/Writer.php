<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Manuscript;

use UprightPencil\Core\Score\Barline;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Clef;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\NoteValue;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\Score;

/**
 * Writes a part as a manuscript, to be corrected by typing. A measure that holds more than can be typed (a second voice, a
 * change of key in its middle, a value that nobody writes) is sealed: it stays as it is. Used once and thrown away.
 */
final class Writer
{
    private Key $key;

    private Meter $meter;

    /** @var array<string, float> */
    private array $held = [];

    /** @var array<string, float> */
    private array $tied = [];

    /** @var list<int> */
    private array $ending = [];

    private function __construct(private readonly int $resolution)
    {
        $this->key = new Key(0);
        $this->meter = Meter::of(4, 4);
    }

    /** @return array{format: string, version: int, name: string, rhythm?: bool, first: int, measures: list<array<string, mixed>>} */
    public static function write(Score $score): array
    {
        $part = $score->parts[0];
        $first = $part->measures[0] ?? null;
        $numbers = array_values(array_filter($part->measures, static fn (Measure $measure): bool => ! $measure->implicit));

        return [
            'format' => Signs::FORMAT,
            'version' => Signs::VERSION,
            'name' => $part->name,
            ...self::isRhythm($score) ? ['rhythm' => true] : [],
            'first' => $first !== null && preg_match('/^\d{1,4}$/', $numbers[0]->number ?? '') === 1 ? (int) $numbers[0]->number : 1,
            'measures' => self::measures($score),
        ];
    }

    /** A part that has notes, and none of them a pitch. */
    public static function isRhythm(Score $score): bool
    {
        $heads = array_filter($score->parts[0]->notes(), static fn (Note $note): bool => $note->sounds());

        return $heads !== [] && array_filter($heads, static fn (Note $note): bool => $note->pitch !== null) === [];
    }

    /** @return list<array<string, mixed>> */
    public static function measures(Score $score): array
    {
        $writer = new self($score->resolution);
        $measures = $score->parts[0]->measures;
        $first = preg_match('/^\d{1,4}$/', $measures[0]->number ?? '') === 1 ? max((int) $measures[0]->number, 1) : 1;
        $numbering = new Numbering($first, false);
        $written = [];
        foreach ($measures as $index => $measure) {
            $one = $writer->measure($measure, self::id($index));
            $letter = is_string($one['letter'] ?? null) ? $one['letter'] : '';
            $expected = $numbering->next($letter, ! $measure->implicit, '');
            if ($expected !== $measure->number) {
                $one['number'] = $measure->number;
                $numbering->next($letter, ! $measure->implicit, $measure->number);
            }
            $written[] = $one;
        }

        return $written;
    }

    /** What a measure of the part is called in its manuscript, counted from 0. */
    public static function id(int $index): string
    {
        return "m{$index}";
    }

    /** @return array<string, mixed> */
    private function measure(Measure $measure, string $id): array
    {
        $made = ['id' => $id] + $this->signature($measure) + $this->over($measure) + $this->barlines($measure)
            + ($measure->implicit ? ['uncounted' => true] : []) + ($measure->entered ? [] : ['blank' => true]);
        $sealed = $this->sealed($measure);
        $this->held = [];
        $notes = $measure->entered ? $this->notes($measure) : [];
        if ($notes === null || $sealed !== null) {
            return $made + ['sealed' => $sealed ?? 'values that nobody types'];
        }

        return $notes === [] ? $made : $made + ['notes' => $notes];
    }

    /** @return array<string, mixed> */
    private function signature(Measure $measure): array
    {
        $made = [];
        foreach ($measure->attributes() as $attributes) {
            if ($attributes->onset > 0) {
                continue;
            }
            if ($attributes->key !== null) {
                $this->key = $attributes->key;
                $made['key'] = $attributes->key->fifths;
                in_array($attributes->key->mode, ['major', 'minor'], true) && $made['mode'] = $attributes->key->mode;
            }
            if ($attributes->meter !== null) {
                $this->meter = $attributes->meter;
                $made['meter'] = match ($attributes->meter->kept['symbol'] ?? '') {
                    'common' => 'C',
                    'cut' => 'C|',
                    default => $attributes->meter->name(),
                };
            }
            $clef = $attributes->clefs === [] ? null : self::clef($attributes->clefs[0]);
            $clef === null || $made['clef'] = $clef;
        }

        return $made;
    }

    private static function clef(Clef $clef): ?string
    {
        if ($clef->sign === 'percussion') {
            return 'rhythm';
        }
        $found = array_search([$clef->sign, $clef->line], Signs::CLEFS, true);

        return $found === false || $clef->octave !== 0 ? null : $found;
    }

    /** Why a measure can only stay as it is. */
    private function sealed(Measure $measure): ?string
    {
        $voices = array_unique(array_map(static fn (Note $note): string => $note->line(), $measure->notes()));
        foreach ($measure->attributes() as $attributes) {
            if ($attributes->onset > 0 && ($attributes->key !== null || $attributes->meter !== null)) {
                return 'a change of key or meter inside it';
            }
            foreach ($attributes->clefs as $clef) {
                if (self::clef($clef) === null) {
                    return 'a clef that is not typed here';
                }
            }
            if (($attributes->staves ?? 1) > 1) {
                return 'two staves';
            }
        }

        return match (true) {
            count($voices) > 1 => 'two voices',
            $this->meter->terms === [] || count($this->meter->terms) > 1 => 'a meter that is not typed here',
            abs($this->key->fifths) > 7 || isset($this->key->kept['signs']) => 'a key that is not typed here',
            default => null,
        };
    }

    /** @return array<string, mixed> */
    private function over(Measure $measure): array
    {
        $made = [];
        foreach (self::signs($measure, static fn (Direction $direction): bool => true) as [$direction, $sign]) {
            match ($sign->kind) {
                DirectionKind::Rehearsal => $made['letter'] = $sign->text,
                DirectionKind::Words => $direction->time() < $measure->length || $sign->text === '' || $made['endWords'] = $sign->text,
                DirectionKind::Metronome => $sign->tempo === null || $made['tempo'] = (int) round($sign->tempo),
                DirectionKind::Segno, DirectionKind::Coda => $made['signs'] = [...$made['signs'] ?? [], $sign->kind->value],
                default => null,
            };
        }

        return $made;
    }

    /**
     * @param  \Closure(Direction): bool  $which
     * @return list<array{Direction, DirectionSign}>
     */
    private static function signs(Measure $measure, \Closure $which): array
    {
        $found = [];
        foreach ($measure->directions() as $direction) {
            foreach ($which($direction) ? $direction->signs : [] as $sign) {
                $found[] = [$direction, $sign];
            }
        }

        return $found;
    }

    /** @return array<string, mixed> */
    private function barlines(Measure $measure): array
    {
        $made = [];
        foreach ($measure->barlines as $barline) {
            $made += $this->barline($barline);
            $this->ending = $barline->endingType === 'start' ? $barline->endings : $this->ending;
        }
        $ending = $this->ending;
        foreach ($measure->barlines as $barline) {
            $this->ending = in_array($barline->endingType, ['stop', 'discontinue'], true) ? [] : $this->ending;
        }

        return $made + ($ending === [] ? [] : ['ending' => $ending]);
    }

    /** @return array<string, mixed> */
    private function barline(Barline $barline): array
    {
        $style = $barline->kept['before'] ?? '';

        return match (true) {
            $barline->repeat === 'forward' => ['repeatStarts' => true],
            $barline->repeat === 'backward' => ['barline' => 'repeat'] + ($barline->times > 2 ? ['times' => $barline->times] : []),
            $barline->place === 'right' && str_contains($style, 'light-heavy') => ['barline' => 'final'],
            $barline->place === 'right' && str_contains($style, 'light-light') => ['barline' => 'double'],
            default => [],
        };
    }

    /** @return list<array<string, mixed>>|null null: something in it cannot be typed */
    private function notes(Measure $measure): ?array
    {
        $notes = [];
        $reached = 0;
        $tied = $this->tied;
        $this->tied = [];
        foreach ($measure->notes() as $note) {
            $last = array_key_last($notes);
            if ($note->chord && $last !== null) {
                $notes[$last]['heads'] = [...is_array($notes[$last]['heads'] ?? null) ? $notes[$last]['heads'] : [], $this->head($note, $tied)];

                continue;
            }
            $whole = $note->rest && str_contains($note->kept['rest'] ?? '', 'measure="yes"');
            if ($note->cue || $note->onset !== $reached || (! $whole && ! $this->isPlain($note))) {
                return null;
            }
            $notes[] = $this->note($note, $whole, $tied);
            $tied = $note->grace ? $tied : [];
            $reached = max($reached, $note->end());
        }

        return $reached < $measure->length && $notes !== [] ? null : $this->withSigns($measure, $notes);
    }

    private function isPlain(Note $note): bool
    {
        $value = $note->value;

        return $value !== null && in_array($value->type->value, Signs::VALUES, true) && $value->dots <= 2
            && ($note->grace || $value->ticks($this->resolution) === $note->duration)
            && ! isset($note->kept['print-object'])
            && in_array($note->pitch->alter ?? 0.0, array_values(Signs::ACCIDENTALS), true);
    }

    /**
     * @param  array<string, float>  $tied
     * @return array<string, mixed>
     */
    private function note(Note $note, bool $whole, array $tied): array
    {
        $head = $note->rest ? ['id' => $note->id, 'rest' => true] : ($note->pitch === null ? ['id' => $note->id] : ['heads' => [$this->head($note, $tied)]]);
        $count = static fn (string $type): int => count(array_filter($note->slurs, static fn ($slur): bool => $slur->type === $type));
        $tuplet = array_values(array_filter($note->tuplets, static fn ($span): bool => in_array($span->type, ['start', 'stop'], true)));

        return $head + array_filter([
            'full' => $whole,
            'grace' => $note->grace,
            'tie' => $note->tieStart,
            'slurs' => $count('start'),
            'slurEnds' => $count('stop'),
            'tuplet' => $tuplet[0]->type ?? null,
            'marks' => self::marks($note),
            'string' => $note->technical->string,
        ]) + ($whole || $note->value === null ? [] : self::value($note->value))
            + ($note->technical->finger === null || preg_match('/^[0-4T](-[0-4])?$/', $note->technical->finger) !== 1 ? [] : ['finger' => $note->technical->finger]);
    }

    /** @return array<string, mixed> */
    private static function value(NoteValue $value): array
    {
        return ['as' => (int) array_search($value->type->value, Signs::VALUES, true)]
            + ($value->dots === 0 ? [] : ['dots' => $value->dots])
            + ($value->tuplet === null ? [] : ['in' => [$value->tuplet->actual, $value->tuplet->normal]]);
    }

    /** @return list<string> */
    private static function marks(Note $note): array
    {
        return [
            ...array_map(static fn ($one): string => $one->value, $note->articulations),
            ...array_keys(array_filter([
                'down' => $note->technical->bow === BowSign::Down,
                'up' => $note->technical->bow === BowSign::Up,
                'open' => $note->technical->open,
                'harmonic' => $note->technical->harmonic,
                'fermata' => $note->fermata,
                'breath' => $note->breath,
                "tremolo-{$note->tremolo}" => $note->tremolo >= 1 && $note->tremolo <= 3,
            ])),
        ];
    }

    /**
     * @param  array<string, float>  $tied
     * @return array<string, mixed>
     */
    private function head(Note $note, array $tied): array
    {
        $pitch = $note->pitch ?? Pitch::of('B', 0, 4);
        $at = $pitch->letter.$pitch->octave;
        $usual = (float) $this->key->alterOf($pitch->letter);
        $expected = $note->tieStop && ($tied[$at] ?? null) === $pitch->alter ? $pitch->alter : ($this->held[$at] ?? $usual);
        $printed = array_search($note->accidental, Signs::ACCIDENTAL_NAMES, true);
        $sign = $printed !== false && Signs::ACCIDENTALS[$printed] === $pitch->alter ? $printed : ($expected === $pitch->alter ? null : (string) array_search($pitch->alter, Signs::ACCIDENTALS, true));
        $sign === null || $this->held[$at] = $pitch->alter;
        $note->tieStart && $this->tied[$at] = $pitch->alter;

        return ['id' => $note->id, 'at' => $at] + ($sign === null ? [] : ['sign' => $sign]);
    }

    /**
     * Words, dynamics and hairpins go to the note where they stand; those at no note's place stay in the print only where the
     * measure is left alone.
     *
     * @param  list<array<string, mixed>>  $notes
     * @return list<array<string, mixed>>
     */
    private function withSigns(Measure $measure, array $notes): array
    {
        $onsets = $ends = [];
        $heads = array_values(array_filter($measure->notes(), static fn (Note $note): bool => ! $note->chord));
        foreach ($heads as $index => $note) {
            $onsets[$note->onset] ??= $index;
            $note->grace || $onsets[$note->onset] = $index;
            $ends[$note->end()] = $index;
        }
        foreach (self::signs($measure, static fn (Direction $direction): bool => ! $direction->soundOnly) as [$direction, $sign]) {
            $at = $onsets[max(0, $direction->time())] ?? null;
            $end = $ends[$direction->time()] ?? $at;
            match (true) {
                $sign->kind === DirectionKind::Wedge && $sign->text === 'stop' => $end === null || $notes[$end]['hairpinEnds'] = true,
                $at === null => null,
                $sign->kind === DirectionKind::Words && $sign->text !== '' => $notes[$at]['words'] = trim((is_string($notes[$at]['words'] ?? null) ? $notes[$at]['words'] : '').' '.$sign->text),
                $sign->kind === DirectionKind::Dynamics && in_array($sign->text, Signs::DYNAMICS, true) => $notes[$at]['dynamic'] = $sign->text,
                $sign->kind === DirectionKind::Wedge && in_array($sign->text, Signs::HAIRPINS, true) => $notes[$at]['hairpin'] = $sign->text,
                default => null,
            };
        }
        foreach ($measure->attributes() as $attributes) {
            $at = $attributes->onset > 0 ? $onsets[$attributes->onset] ?? null : null;
            $clef = $attributes->clefs === [] ? null : self::clef($attributes->clefs[0]);
            $at === null || $clef === null || $notes[$at]['clef'] = $clef;
        }

        return $notes;
    }
}
