<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Support;

use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\Attributes;
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
use UprightPencil\Core\Score\NoteType;
use UprightPencil\Core\Score\NoteValue;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\Span;
use UprightPencil\Core\Score\Technical;

/**
 * Writes a short tune as a teacher would say it: `4/4 2# | D5q E5 (F#5 G5) | A5h rq B5q`.
 *
 * A note is its pitch, a value (w h q e s, dots) that holds until the next, and signs: `>` accent, `'` staccato,
 * `-` tie to the next, `!d` `!u` printed bow, `^2` printed finger, `+` chord with the note before. `( )` slur, `|:` `:|` repeats,
 * `|1` `|2` endings, `pizz` `arco`, `=120` a tempo in quarters, `mf` and the like, `<` to `>` a crescendo. Notes are n1, n2, … in order; a first measure that is too short is a pickup.
 */
final class Tune
{
    private const RESOLUTION = 480;

    private const VALUES = ['w' => NoteType::Whole, 'h' => NoteType::Half, 'q' => NoteType::Quarter, 'e' => NoteType::Eighth, 's' => NoteType::N16];

    private NoteValue $value;

    private Meter $meter;

    private Key $key;

    private int $notes = 0;

    private int $onset = 0;

    private int $lastOnset = 0;

    private bool $tied = false;

    /** @var list<Note|Direction|Attributes> */
    private array $items = [];

    /** @var list<Barline> */
    private array $barlines = [];

    /** @var array<string, float> letter and octave => the accidental that holds in this measure */
    private array $held = [];

    /** @var list<Measure> */
    private array $measures = [];

    private int $start = 0;

    private function __construct(private readonly string $clef)
    {
        $this->value = new NoteValue(NoteType::Quarter);
        $this->meter = Meter::of(4, 4);
        $this->key = new Key(0, 'major');
    }

    public static function score(string $text, string $name = 'Violin', string $clef = 'G2'): Score
    {
        $tune = new self($clef);
        foreach (preg_split('/\s+/', trim($text)) ?: [] as $word) {
            $tune->word($word);
        }
        $tune->close([]);

        return new Score('Tune', '', self::RESOLUTION, [new Part('P1', $name, $tune->measures)]);
    }

    private function word(string $word): void
    {
        match (true) {
            preg_match('/^(\d+)\/(\d+)$/', $word, $found) === 1 => $this->meter = Meter::of((int) $found[1], (int) $found[2]),
            preg_match('/^(\d)([#b])$/', $word, $found) === 1 => $this->key = new Key(($found[2] === '#' ? 1 : -1) * (int) $found[1], 'major'),
            preg_match('/^:?\|/', $word) === 1 => $this->barline($word),
            in_array($word, ['pizz', 'arco', 'Fine', 'D.C.'], true) => $this->items[] = new Direction($this->onset, [new DirectionSign(DirectionKind::Words, $word === 'D.C.' ? 'D.C. al Fine' : $word)]),
            preg_match('/^=(\d+)$/', $word, $found) === 1 => $this->items[] = new Direction($this->onset, sound: ['tempo' => $found[1]], soundOnly: true),
            preg_match('/^(p{1,3}|f{1,3}|m[pf]|sfz?)$/', $word) === 1 => $this->items[] = new Direction($this->onset, [new DirectionSign(DirectionKind::Dynamics, $word)]),
            in_array($word, ['<', '>', '<!'], true) => $this->items[] = new Direction($this->onset, [new DirectionSign(DirectionKind::Wedge, ['<' => 'crescendo', '>' => 'stop', '<!' => 'stop'][$word])]),
            default => $this->note($word),
        };
    }

    private function barline(string $word): void
    {
        $this->close(str_starts_with($word, ':') ? [new Barline('right', 'backward')] : []);
        if ($word === '|:') {
            $this->barlines[] = new Barline('left', 'forward');
        }
        if (preg_match('/\|(\d)$/', $word, $found) === 1) {
            $this->barlines[] = new Barline('left', null, 2, [(int) $found[1]], 'start');
        }
    }

    /** @param list<Barline> $right */
    private function close(array $right): void
    {
        if ($this->onset === 0) {
            return;
        }
        $inEnding = array_filter($this->barlines, static fn (Barline $barline): bool => $barline->endingType === 'start');
        foreach ($inEnding as $barline) {
            $right[] = new Barline('right', null, 2, $barline->endings, 'stop');
        }
        $first = $this->measures === [];
        if ($first) {
            $sign = new Clef($this->clef[0], (int) $this->clef[1]);
            array_unshift($this->items, new Attributes(0, $this->key, $this->meter, [$sign]));
        }
        $pickup = $first && $this->onset < $this->meter->ticks(self::RESOLUTION);
        $hasPickup = $pickup || ($this->measures[0]->implicit ?? false);
        $number = (string) (count($this->measures) + ($hasPickup ? 0 : 1));
        $this->measures[] = new Measure($number, $this->start, $this->onset, $this->meter, $this->key, $pickup, $this->items, [...$this->barlines, ...$right]);
        $this->start += $this->onset;
        $this->onset = $this->lastOnset = 0;
        $this->items = $this->barlines = $this->held = [];
    }

    private function note(string $word): void
    {
        if (preg_match('/^(\(?)(\+?)(r|[A-G][#b]{0,2}\d)([whqes]?\.*)([>\'-]*)(!d|!u)?(\)?)(?:\^([0-4]))?$/', $word, $found) !== 1) {
            throw new \InvalidArgumentException("A tune has no word “{$word}”.");
        }
        [, $open, $chord, $what, $value, $signs, $bow, $close, $finger] = $found + array_fill(0, 9, '');
        if ($value !== '') {
            $this->value = new NoteValue(self::VALUES[$value[0]] ?? $this->value->type, substr_count($value, '.'));
        }
        $duration = (int) $this->value->ticks(self::RESOLUTION);
        $slurs = [];
        $close === ')' && $slurs[] = new Span('stop');
        $open === '(' && $slurs[] = new Span('start');
        $ties = str_contains($signs, '-');
        $this->lastOnset = $chord === '' ? $this->onset : $this->lastOnset;
        $this->items[] = new Note(
            'n'.(++$this->notes),
            $this->lastOnset,
            $duration,
            pitch: $what === 'r' ? null : Pitch::named($what),
            rest: $what === 'r',
            chord: $chord === '+',
            voice: '1',
            value: $this->value,
            accidental: $what === 'r' ? null : $this->accidental(Pitch::named($what)),
            tieStart: $ties,
            tieStop: $this->tied,
            slurs: $slurs,
            articulations: array_values(array_filter([
                str_contains($signs, '>') ? Articulation::Accent : null,
                str_contains($signs, "'") ? Articulation::Staccato : null,
            ])),
            technical: new Technical(match ($bow) {
                '!d' => BowSign::Down,
                '!u' => BowSign::Up,
                default => null,
            }, $finger === '' ? null : $finger),
        );
        $this->tied = $chord === '+' ? $this->tied : $ties;
        $this->onset = $chord === '' ? $this->onset + $duration : $this->onset;
    }

    /** The sign that a publisher would print before a note; none where the key, the measure or a tie says it already. */
    private function accidental(Pitch $pitch): ?string
    {
        $letter = $pitch->letter.$pitch->octave;
        $now = $this->held[$letter] ?? (float) $this->key->alterOf($pitch->letter);
        $this->tied || $this->held[$letter] = (float) $pitch->alter;

        return $this->tied || $now === (float) $pitch->alter ? null : [-2 => 'flat-flat', -1 => 'flat', 0 => 'natural', 1 => 'sharp', 2 => 'double-sharp'][(int) $pitch->alter];
    }
}
