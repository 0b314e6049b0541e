<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Format\Beaming;
use UprightPencil\Core\Format\Budget;
use UprightPencil\Core\Format\Warning;
use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Barline;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\DirectionSign;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\NoteValue;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\Span;

/** Reads the lines of one ABC voice into measures. Used once and thrown away. */
final class VoiceReader
{
    private const MOST_RESTS = 500;

    private const ACCIDENTALS = ['^^' => 2, '^' => 1, '=' => 0, '_' => -1, '__' => -2];

    private Key $key;

    private Meter $meter;

    private Rhythm $rhythm;

    private Decorations $decorations;

    private int $onset = 0;

    private int $start = 0;

    /** @var array<int, Note|Direction|Attributes> */
    private array $items = [];

    /** @var list<Barline> */
    private array $barlines = [];

    /** @var array<int, Measure> */
    private array $measures = [];

    /** @var array<string, float> letter and octave => alteration that holds until the barline */
    private array $held = [];

    private int $slursToOpen = 0;

    /** @var list<int> numbers of the open slurs */
    private array $openSlurs = [];

    /** @var array<int, true> MIDI numbers tied to the next note */
    private array $tied = [];

    /** @var array<int, true>|null what is tied into the endings that are under way; a later ending is entered from the same note */
    private ?array $tiedIntoEndings = null;

    private bool $afterSpace = true;

    private int $notes = 0;

    private int $inMeasure = 0;

    /** @var list<int> passes of the ending under way */
    private array $ending = [];

    /** @var list<Warning> */
    private array $warnings = [];

    private bool $isFirst = true;

    private int $lineNumber = 0;

    /** @param array<string, string> $header */
    public function __construct(
        private readonly string $part,
        array $header,
        private string $clef,
    ) {
        $this->meter = Fields::meter($header['M']);
        $this->rhythm = new Rhythm(Fields::unit($header['L'], $header['M']));
        $this->decorations = new Decorations;
        $this->key = $this->keyOf($header['K']);
        $this->setTempo($header['Q']);
    }

    public function line(string $line, int $number): void
    {
        $this->lineNumber = $number;
        $this->afterSpace = true;
        foreach (Lexer::tokens(rtrim($line, '\\')) as [$kind, $text]) {
            $this->token($kind, $text);
            $this->afterSpace = $kind === 'space' || $kind === 'bar' || ($this->afterSpace && ! in_array($kind, ['note', 'chord'], true));
        }
    }

    /** @return list<Measure> */
    public function measures(): array
    {
        $this->closeMeasure([]);

        return Beaming::over(array_values($this->measures));
    }

    /** @return list<Warning> */
    public function warnings(): array
    {
        return $this->warnings;
    }

    private function token(string $kind, string $text): void
    {
        match ($kind) {
            'field' => $this->field($text[1], trim(substr($text, 3, -1))),
            'text' => $this->annotation(substr($text, 1, -1)),
            'sign' => $this->decorations->add(trim($text, '!+')),
            'bar' => $this->barline($text),
            'tuplet' => $this->rhythm->startTuplet($text, $this->meter) || $this->warn("“{$text}” is a tuplet that makes no sense; it was left out."),
            'grace' => $this->grace($text),
            'chord' => $this->chord($text),
            'note' => $this->sound([$text], ''),
            'rest' => $this->rest($text),
            'broken' => $this->breakRhythm($text),
            'slur' => $text === '(' ? $this->slursToOpen++ : $this->closeSlur(),
            'short' => $this->decorations->addShort($text),
            'odd' => $this->warn("“{$text}” is not ABC that we know; it was left out."),
            default => null,
        };
    }

    private function field(string $name, string $value): void
    {
        match ($name) {
            'K' => $this->change(key: $this->keyOf($value)),
            'M' => $this->change(meter: Fields::meter($value)),
            'L' => $this->rhythm->unit = Fields::unit($value, '4/4'),
            'Q' => $this->setTempo($value),
            default => null,
        };
    }

    private function change(?Key $key = null, ?Meter $meter = null): void
    {
        $this->key = $key ?? $this->key;
        $this->meter = $meter ?? $this->meter;
        if (! $this->isFirst) {
            $this->items[] = new Attributes($this->onset, $key, $meter);
        }
    }

    private function keyOf(string $text): Key
    {
        $this->clef = $this->clef === '' ? Fields::clefName($text) : $this->clef;

        return Fields::key($text);
    }

    private function setTempo(string $text): void
    {
        $tempo = Fields::tempo($text, $this->onset);
        $tempo === null || $this->items[] = $tempo;
    }

    /** “^pizz.” and the like are words on the page; bare ones are chord symbols, which nobody here plays. */
    private function annotation(string $text): void
    {
        if (preg_match('/^[\^_<>@](.*)$/u', $text, $found) === 1 && trim($found[1]) !== '') {
            $this->items[] = new Direction($this->onset, [new DirectionSign(DirectionKind::Words, trim($found[1]))], placement: $text[0] === '_' ? 'below' : 'above');
        }
    }

    private function barline(string $text): void
    {
        $sign = BarSign::of($text);
        array_push($this->items, ...$this->decorations->directions($this->onset));
        $this->closeMeasure($sign->right);
        array_push($this->barlines, ...$sign->left());
        if ($sign->passes !== []) {
            $this->tiedIntoEndings ??= $this->tied;
            $this->tied += $this->tiedIntoEndings;
            $this->ending = $sign->passes;
        } elseif ($this->ending === []) {
            $this->tiedIntoEndings = null;
        }
    }

    /** @param list<Barline> $right */
    private function closeMeasure(array $right): void
    {
        $this->held = [];
        $this->inMeasure = 0;
        if ($this->onset === 0 && array_filter($this->items, static fn (object $item): bool => $item instanceof Note) === []) {
            $this->closeEmpty($right);

            return;
        }
        $full = $this->meter->ticks(Reader::RESOLUTION);
        $first = $this->measures === [];
        $pickup = $first && $full !== null && $this->onset < $full;
        $numbered = count($this->measures) + (($pickup || ($this->measures[0]->implicit ?? false)) ? 0 : 1);
        if ($this->isFirst) {
            array_unshift($this->items, new Attributes(0, $this->key, $this->meter, [Fields::clef($this->clef)]));
            $this->isFirst = false;
        }
        $right = $this->endEnding($right);
        $this->checkBeats($full, (string) $numbered, $first || $right !== [] || $this->barlines !== []);
        $this->measures[] = new Measure((string) $numbered, $this->start, $this->onset, $this->meter, $this->key, $pickup, array_values($this->items), [...$this->barlines, ...$right]);
        $this->start += $this->onset;
        $this->onset = 0;
        $this->items = $this->barlines = [];
    }

    /**
     * A barline at the start of a line, after one at the end of the line before, belongs to the measure before.
     *
     * @param  list<Barline>  $right
     */
    private function closeEmpty(array $right): void
    {
        $last = count($this->measures) - 1;
        if ($right !== [] && $last >= 0) {
            $this->measures[$last] = $this->measures[$last]->with(barlines: [...$this->measures[$last]->barlines, ...$right]);
        }
    }

    /**
     * A first ending lasts to its repeat, a last one to the end of the measure.
     *
     * @param  list<Barline>  $right
     * @return list<Barline>
     */
    private function endEnding(array $right): array
    {
        if ($this->ending === []) {
            return $right;
        }
        $repeats = array_filter($right, static fn (Barline $barline): bool => $barline->repeat === 'backward') !== [];
        if (! $repeats && $this->ending[0] === 1 && $right === []) {
            return $right;
        }
        $stop = new Barline('right', $repeats ? 'backward' : null, 2, $this->ending, 'stop');
        $this->ending = [];

        return [$stop, ...array_filter($right, static fn (Barline $barline): bool => $barline->repeat === null)];
    }

    private function checkBeats(?int $full, string $number, bool $maybeShort): void
    {
        if ($full === null || $this->onset === $full || ($this->onset < $full && $maybeShort)) {
            return;
        }
        $this->warnings[] = new Warning($this->meter->misfit($number, $this->onset, $full, Reader::RESOLUTION), $this->part, $number, $this->lineNumber);
    }

    private function breakRhythm(string $text): void
    {
        $last = array_key_last(array_filter($this->items, static fn (object $item): bool => $item instanceof Note && ! $item->grace));
        $first = $this->rhythm->breakNotes($text);
        $from = $last === null ? 0 : $this->items[$last]->onset;
        foreach ($this->items as $place => $item) {
            if ($item instanceof Note && ! $item->grace && $item->onset === $from && $last !== null) {
                $duration = intdiv($item->duration * $first[0], $first[1]);
                $this->onset += $item->chord ? 0 : $duration - $item->duration;
                $this->items[$place] = $item->with(duration: $duration, value: Rhythm::valueOf($duration, null));
            }
        }
    }

    private function rest(string $text): void
    {
        $letter = $text[0];
        $length = substr($text, 1);
        if ($letter === 'Z' || $letter === 'X') {
            for ($count = max(1, min(self::MOST_RESTS, (int) $length)); $count > 0; $count--) {
                $full = $this->meter->ticks(Reader::RESOLUTION) ?? 4 * Reader::RESOLUTION;
                $this->add(new Note($this->nextId(), $this->onset, $full, rest: true, voice: '1', kept: ['rest' => '<rest measure="yes"/>']));
                $count > 1 && $this->closeMeasure([]);
            }

            return;
        }
        [$duration, $value, $tuplets] = $this->rhythm->time($this->rhythm->ticksOf($length));
        $this->add(new Note($this->nextId(), $this->onset, $duration, rest: true, voice: '1', value: $value, tuplets: $tuplets, kept: $letter === 'x' ? ['print-object' => 'no'] : []));
    }

    private function chord(string $text): void
    {
        preg_match('/^\[(.*)\]([\d\/]*)(-?)$/', $text, $found);
        $heads = Lexer::heads($found[1] ?? '');
        if ($heads === []) {
            $this->warn("“{$text}” is a chord without notes; it was left out.");

            return;
        }
        $tie = $found[3] ?? '';
        $this->sound(array_map(static fn (string $head): string => $head.(str_ends_with($head, '-') ? '' : $tie), $heads), $found[2] ?? '');
    }

    /** @param non-empty-list<string> $heads */
    private function sound(array $heads, string $chordLength): void
    {
        preg_match('/[\d\/]*(?=-?$)/', $heads[0], $own);
        [$duration, $value, $tuplets] = $this->rhythm->time(intdiv($this->rhythm->ticksOf($own[0] ?? '') * $this->rhythm->ticksOf($chordLength), $this->rhythm->unit));
        array_push($this->items, ...$this->decorations->directions($this->onset));
        $slurs = $this->openedSlurs();
        $tied = $this->tied;
        $this->tied = [];
        foreach ($heads as $index => $head) {
            $pitch = $this->pitchOf($head);
            $ties = str_ends_with($head, '-');
            $ties && $this->tied[$pitch->midi()] = true;
            $decorated = $index === 0 ? $this->decorations->forNote() : [];
            $note = new Note(
                $this->nextId(),
                $this->onset,
                $duration,
                $pitch,
                chord: $index > 0,
                voice: '1',
                value: $value,
                tieStart: $ties,
                tieStop: isset($tied[$pitch->midi()]),
                slurs: $index === 0 ? $slurs : [],
                tuplets: $index === 0 ? $tuplets : [],
                kept: $this->afterSpace ? [] : ['beam' => ''],
            );
            $this->items[] = $decorated === [] ? $note : $note->with(...$decorated);
        }
        $this->onset += $duration;
    }

    private function grace(string $text): void
    {
        foreach (Lexer::heads($text) as $head) {
            $this->items[] = new Note($this->nextId(), $this->onset, 0, $this->pitchOf($head), grace: true, voice: '1', value: NoteValue::lasting(intdiv(Reader::RESOLUTION, 2), Reader::RESOLUTION), slurs: $this->openedSlurs(), kept: str_starts_with($text, '{/') ? ['grace' => '<grace slash="yes"/>'] : []);
        }
    }

    private function add(Note $note): void
    {
        array_push($this->items, ...$this->decorations->directions($this->onset));
        $fermata = $this->decorations->forNote()['fermata'] ?? false;
        $this->items[] = $fermata === true ? $note->with(fermata: true) : $note;
        $this->onset += $note->duration;
    }

    private function nextId(): string
    {
        Budget::refuseFullMeasure(++$this->inMeasure, $this->part, (string) (count($this->measures) + 1));
        Budget::refuseManyMeasures(count($this->measures), $this->part);

        return "{$this->part}-".(count($this->measures) + 1).'-'.(++$this->notes);
    }

    private function pitchOf(string $text): Pitch
    {
        preg_match('/^(\^\^|\^|__|_|=)?([A-Ga-g])([,\']*)/', $text, $found);
        $letter = strtoupper($found[2] ?? 'C');
        $octave = (ctype_lower($found[2] ?? '') ? 5 : 4) + substr_count($found[3] ?? '', "'") - substr_count($found[3] ?? '', ',');
        $place = "{$letter}{$octave}";
        if (($found[1] ?? '') !== '') {
            $this->held[$place] = self::ACCIDENTALS[$found[1]];
        }

        return Pitch::of($letter, $this->held[$place] ?? $this->key->alterOf($letter), max(-1, min(10, $octave)));
    }

    /** @return list<Span> */
    private function openedSlurs(): array
    {
        $slurs = [];
        for (; $this->slursToOpen > 0; $this->slursToOpen--) {
            $number = min(array_diff(range(1, 16), $this->openSlurs) ?: [16]);
            $this->openSlurs[] = $number;
            $slurs[] = new Span('start', $number);
        }

        return $slurs;
    }

    private function closeSlur(): void
    {
        $number = array_pop($this->openSlurs);
        for ($place = count($this->items) - 1; $place >= 0 && $number !== null; $place--) {
            $item = $this->items[$place];
            if ($item instanceof Note && ! $item->rest && ! $item->chord) {
                $this->items[$place] = $item->with(slurs: [new Span('stop', $number), ...$item->slurs]);

                return;
            }
        }
        $this->warn('A slur ends here that was not begun; it was left out.');
    }

    /** @return true */
    private function warn(string $message): bool
    {
        $this->warnings[] = new Warning($message, $this->part, (string) (count($this->measures) + 1), $this->lineNumber);

        return true;
    }
}
