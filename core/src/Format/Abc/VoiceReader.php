<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Abc;

use UprightPencil\Core\Format\Warning;
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
use UprightPencil\Core\Score\NoteValue;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\Span;
use UprightPencil\Core\Score\Technical;
use UprightPencil\Core\Score\TimeModification;

/** Reads the lines of one ABC voice into measures. Used once and thrown away. */
final class VoiceReader
{
    private const MOST_UNITS = 2000;

    private const CLEFS = ['treble' => ['G', 2], 'alto' => ['C', 3], 'tenor' => ['C', 4], 'bass' => ['F', 4]];

    private const TOKEN = '/\G(?:
        (?<field>\[[A-Za-z]:[^\]]*\])
      | (?<text>"[^"]*")
      | (?<sign>![^!\s]*!|\+[^+\s]+\+)
      | (?<bar>:*\|[\]|:]*(?:\s*\[?[1-9][0-9,\-]*)?|\[\|\]?|::|\[[1-9][0-9,\-]*)
      | (?<tuplet>\(\d(?::\d?(?::\d?)?)?)
      | (?<grace>\{\/?[^}]*\})
      | (?<chord>\[[^\]|]*\]\d*\/*\d*-?)
      | (?<note>(?:\^\^|\^|__|_|=)?[A-Ga-g][,\']*\d*\/*\d*-?)
      | (?<rest>[zxZX]\d*\/*\d*)
      | (?<broken>>+|<+)
      | (?<slur>[()])
      | (?<short>[.~HLMOPSTuv])
      | (?<space>[\s`]+)
      | (?<odd>.)
    )/xu';

    private const DYNAMICS = ['pppp', 'ppp', 'pp', 'p', 'mp', 'mf', 'f', 'ff', 'fff', 'ffff', 'sfz'];

    private const DECORATIONS = ['.' => 'staccato', 'u' => 'upbow', 'v' => 'downbow', 'H' => 'fermata', 'L' => 'accent'];

    private const ACCIDENTALS = ['^^' => 2, '^' => 1, '=' => 0, '_' => -1, '__' => -2];

    private Key $key;

    private Meter $meter;

    /** Ticks of the unit note length. */
    private int $unit;

    private int $onset = 0;

    private int $start = 0;

    /** @var array<int, Note|Direction|Attributes> */
    private array $items = [];

    /** @var list<Barline> */
    private array $barlines = [];

    /** @var array<int, Measure> */
    private array $measures = [];

    /** @var list<string> */
    private array $decorations = [];

    /** @var array<string, float> letter and octave => alteration that holds until the barline */
    private array $held = [];

    private int $slursToOpen = 0;

    /** @var list<int> numbers of the open slurs */
    private array $openSlurs = [];

    /** @var array{int, int, int}|null actual, normal and notes left of the tuplet under way */
    private ?array $tuplet = null;

    private bool $tupletStarts = false;

    /** @var array<int, true> MIDI numbers tied to the next note */
    private array $tied = [];

    /** @var array{int, int}|null a broken rhythm waiting for its second note: its length as a ratio */
    private ?array $broken = null;

    private bool $afterSpace = true;

    private int $notes = 0;

    private ?string $ending = null;

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
        $this->meter = self::meterOf($header['M']);
        $this->unit = $this->unitOf($header['L'], $header['M']);
        $this->key = $this->keyOf($header['K']);
        $this->setTempo($header['Q']);
    }

    public function line(string $line, int $number): void
    {
        $this->lineNumber = $number;
        $this->afterSpace = true;
        $line = rtrim($line, '\\');
        $place = 0;
        while ($place < strlen($line) && preg_match(self::TOKEN, $line, $token, PREG_UNMATCHED_AS_NULL, $place) === 1) {
            $place += strlen((string) $token[0]);
            $kind = (string) array_key_first(array_filter($token, static fn (?string $text, int|string $name): bool => is_string($name) && $text !== null, ARRAY_FILTER_USE_BOTH));
            $this->token($kind, (string) $token[0]);
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
            'sign' => $this->decorations[] = trim($text, '!+'),
            'bar' => $this->barline($text),
            'tuplet' => $this->startTuplet($text),
            'grace' => $this->grace($text),
            'chord' => $this->chord($text),
            'note' => $this->sound([$text], ''),
            'rest' => $this->rest($text),
            'broken' => $this->breakRhythm($text),
            'slur' => $text === '(' ? $this->slursToOpen++ : $this->closeSlur(),
            'short' => $this->decorations[] = self::DECORATIONS[$text] ?? '',
            'odd' => $this->warn("“{$text}” is not ABC that we know; it was left out."),
            default => null,
        };
    }

    private function field(string $name, string $value): void
    {
        match ($name) {
            'K' => $this->change(key: $this->keyOf($value)),
            'M' => $this->change(meter: self::meterOf($value)),
            'L' => $this->unit = $this->unitOf($value, '4/4'),
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

    private static function meterOf(string $text): Meter
    {
        return match (true) {
            $text === 'C' => new Meter([['4', 4]], kept: ['symbol' => 'common']),
            $text === 'C|' => new Meter([['2', 2]], kept: ['symbol' => 'cut']),
            preg_match('/^\(?(\d+(?:\+\d+)*)\)?\/(\d+)$/', $text, $found) === 1 && (int) $found[2] > 0 && (int) $found[1] > 0 => new Meter([[$found[1], (int) $found[2]]]),
            default => new Meter([], printed: false),
        };
    }

    /** Without L: the unit is a sixteenth in meters shorter than three quarters, else an eighth. */
    private function unitOf(string $length, string $meter): int
    {
        if (preg_match('/^1\/(\d+)$/', trim($length), $found) === 1 && (int) $found[1] > 0) {
            return intdiv(4 * Reader::RESOLUTION, (int) $found[1]);
        }
        $short = preg_match('/^(\d+)\/(\d+)$/', $meter, $found) === 1 && (int) $found[2] > 0 && (int) $found[1] / (int) $found[2] < 0.75;

        return intdiv(Reader::RESOLUTION, $short ? 4 : 2);
    }

    private function keyOf(string $text): Key
    {
        if (preg_match('/clef\s*=\s*(\S+)|\b(treble|alto|tenor|bass)\b/', $text, $clef) === 1 && $this->clef === '') {
            $this->clef = $clef[1] !== '' ? $clef[1] : $clef[2];
        }
        if (preg_match('/^\s*([A-G])([#b]?)\s*(maj|min|mix|dor|phr|lyd|loc|ion|aeo|m)?/i', $text, $found) !== 1) {
            return new Key(0);
        }
        $mode = strtolower($found[3] ?? '');
        $fifths = (int) strpos('FCGDAEB', strtoupper($found[1])) - 1 + 7 * (['#' => 1, 'b' => -1][$found[2]] ?? 0);
        $fifths += ['lyd' => 1, 'mix' => -1, 'dor' => -2, 'm' => -3, 'min' => -3, 'aeo' => -3, 'phr' => -4, 'loc' => -5][$mode] ?? 0;

        return new Key($fifths, ['' => 'major', 'maj' => 'major', 'ion' => 'major', 'm' => 'minor', 'min' => 'minor', 'aeo' => 'minor', 'dor' => 'dorian', 'mix' => 'mixolydian', 'phr' => 'phrygian', 'lyd' => 'lydian', 'loc' => 'locrian'][$mode] ?? null);
    }

    private function setTempo(string $text): void
    {
        if (preg_match('/(?:(\d+)\/(\d+)\s*=\s*)?(\d+)\s*$/', trim((string) preg_replace('/"[^"]*"/', '', $text)), $found) !== 1) {
            return;
        }
        $beat = $found[1] !== '' && (int) $found[2] > 0 ? 4 * (int) $found[1] / (int) $found[2] : 1.0;
        $this->items[] = new Direction($this->onset, sound: ['tempo' => (string) ((int) $found[3] * $beat)], soundOnly: true);
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
        preg_match('/\[?([1-9][0-9,\-]*)$/', $text, $ending);
        $sign = trim(substr($text, 0, strlen($text) - strlen($ending[0] ?? '')));
        $right = [];
        if ($sign === '::' || str_starts_with($sign, ':')) {
            $right[] = new Barline('right', 'backward');
        } elseif (str_ends_with($sign, ']') || $sign === '||') {
            $right[] = new Barline('right', kept: ['before' => '<bar-style>'.($sign === '||' ? 'light-light' : 'light-heavy').'</bar-style>']);
        }
        $this->closeMeasure($right);
        if ($sign === '::' || (str_ends_with($sign, ':') && $sign !== ':|')) {
            $this->barlines[] = new Barline('left', 'forward');
        }
        if (isset($ending[1])) {
            $this->barlines[] = new Barline('left', null, 2, self::passes($ending[1]), 'start');
            $this->ending = $ending[1];
        }
    }

    /** @return list<int> */
    private static function passes(string $text): array
    {
        $passes = [];
        foreach (explode(',', $text) as $run) {
            $ends = array_map(intval(...), explode('-', $run));
            array_push($passes, ...range($ends[0], max($ends[0], min(20, $ends[count($ends) - 1]))));
        }

        return $passes;
    }

    /** @param list<Barline> $right */
    private function closeMeasure(array $right): void
    {
        $this->held = [];
        if ($this->onset === 0 && array_filter($this->items, static fn (object $item): bool => $item instanceof Note) === []) {
            $this->closeEmpty($right);

            return;
        }
        $full = $this->meter->ticks(Reader::RESOLUTION);
        $first = $this->measures === [];
        $pickup = $first && $full !== null && $this->onset < $full;
        $numbered = count($this->measures) + (($pickup || ($this->measures[0]->implicit ?? false)) ? 0 : 1);
        if ($this->isFirst) {
            array_unshift($this->items, new Attributes(0, $this->key, $this->meter, [$this->clefOf()]));
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
        if ($this->ending === null) {
            return $right;
        }
        $repeats = array_filter($right, static fn (Barline $barline): bool => $barline->repeat === 'backward') !== [];
        if (! $repeats && str_starts_with($this->ending, '1') && $right === []) {
            return $right;
        }
        $stop = new Barline('right', $repeats ? 'backward' : null, 2, self::passes($this->ending), 'stop');
        $this->ending = null;

        return [$stop, ...array_filter($right, static fn (Barline $barline): bool => $barline->repeat === null)];
    }

    private function checkBeats(?int $full, string $number, bool $maybeShort): void
    {
        if ($full === null || $this->onset === $full || ($this->onset < $full && $maybeShort)) {
            return;
        }
        $beat = $this->meter->beatTicks(Reader::RESOLUTION);
        $beats = rtrim(rtrim(number_format($this->onset / $beat, 3, '.', ''), '0'), '.');
        $this->warnings[] = new Warning("Measure {$number} holds {$beats} beats; the meter {$this->meter->name()} has ".($full / $beat).'.', $this->part, $number, $this->lineNumber);
    }

    private function clefOf(): Clef
    {
        $name = strtolower((string) preg_replace('/[^a-z].*$/i', '', $this->clef));
        [$sign, $line] = self::CLEFS[$name] ?? ['G', 2];
        $octave = str_contains($this->clef, '-8') ? -1 : (str_contains($this->clef, '+8') ? 1 : 0);

        return new Clef($sign, $line, $octave);
    }

    private function startTuplet(string $text): void
    {
        $numbers = explode(':', substr($text, 1));
        $actual = (int) $numbers[0];
        $compound = in_array($this->meter->terms[0][0] ?? '', ['6', '9', '12'], true);
        $usual = [2 => 3, 3 => 2, 4 => 3, 6 => 2, 8 => 3][$actual] ?? ($compound ? 3 : 2);
        $normal = (int) ($numbers[1] ?? 0) ?: $usual;
        if ($actual < 2) {
            $this->warn("A tuplet of {$actual} makes no sense; it was left out.");

            return;
        }
        $this->tuplet = [$actual, $normal, (int) ($numbers[2] ?? 0) ?: $actual];
        $this->tupletStarts = true;
    }

    private function breakRhythm(string $text): void
    {
        $last = array_key_last(array_filter($this->items, static fn (object $item): bool => $item instanceof Note && ! $item->grace));
        $halves = 1 << strlen($text);
        $longer = [2 * $halves - 1, $halves];
        $shorter = [1, $halves];
        [$first, $this->broken] = $text[0] === '>' ? [$longer, $shorter] : [$shorter, $longer];
        $from = $last === null ? 0 : $this->items[$last]->onset;
        foreach ($this->items as $place => $item) {
            if ($item instanceof Note && ! $item->grace && $item->onset === $from && $last !== null) {
                $duration = intdiv($item->duration * $first[0], $first[1]);
                $this->onset += $item->chord ? 0 : $duration - $item->duration;
                $this->items[$place] = $item->with(duration: $duration, value: $this->valueOf($duration, null));
            }
        }
    }

    /** Ticks of a length such as 2, /, /4 or 3/2, in unit notes. */
    private function ticksOf(string $length): int
    {
        preg_match('/^(\d*)(\/*)(\d*)$/', $length, $found);
        $above = ($found[1] ?? '') === '' ? 1 : min(self::MOST_UNITS, (int) $found[1]);
        $slashes = min(8, strlen($found[2] ?? ''));
        $below = ($found[3] ?? '') !== '' ? max(1, min(self::MOST_UNITS, (int) $found[3])) : 1 << $slashes;

        return intdiv($this->unit * $above, $below);
    }

    private function rest(string $text): void
    {
        $letter = $text[0];
        $length = substr($text, 1);
        if ($letter === 'Z' || $letter === 'X') {
            for ($count = max(1, min(500, (int) $length)); $count > 0; $count--) {
                $full = $this->meter->ticks(Reader::RESOLUTION) ?? 4 * Reader::RESOLUTION;
                $this->add(new Note($this->nextId(), $this->onset, $full, rest: true, voice: '1', kept: ['rest' => '<rest measure="yes"/>']));
                $count > 1 && $this->closeMeasure([]);
            }

            return;
        }
        [$duration, $value, $tuplets] = $this->time($this->ticksOf($length));
        $this->add(new Note($this->nextId(), $this->onset, $duration, rest: true, voice: '1', value: $value, tuplets: $tuplets, kept: $letter === 'x' ? ['print-object' => 'no'] : []));
    }

    private function chord(string $text): void
    {
        preg_match('/^\[(.*)\]([\d\/]*)(-?)$/', $text, $found);
        preg_match_all('/(?:\^\^|\^|__|_|=)?[A-Ga-g][,\']*\d*\/*\d*-?/', $found[1] ?? '', $heads);
        if ($heads[0] === []) {
            $this->warn("“{$text}” is a chord without notes; it was left out.");

            return;
        }
        $tie = $found[3] ?? '';
        $this->sound(array_map(static fn (string $head): string => $head.(str_ends_with($head, '-') ? '' : $tie), $heads[0]), $found[2] ?? '');
    }

    /** @param non-empty-list<string> $heads */
    private function sound(array $heads, string $chordLength): void
    {
        preg_match('/[\d\/]*(?=-?$)/', $heads[0], $own);
        [$duration, $value, $tuplets] = $this->time(intdiv($this->ticksOf($own[0] ?? '') * $this->ticksOf($chordLength), $this->unit));
        $slurs = $this->openedSlurs();
        $tied = $this->tied;
        $this->tied = [];
        foreach ($heads as $index => $head) {
            $pitch = $this->pitchOf($head);
            $ties = str_ends_with($head, '-');
            $ties && $this->tied[$pitch->midi()] = true;
            $decorated = $index === 0 ? $this->decorated() : [];
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
        preg_match_all('/(?:\^\^|\^|__|_|=)?[A-Ga-g][,\']*/', $text, $heads);
        foreach ($heads[0] as $head) {
            $this->items[] = new Note($this->nextId(), $this->onset, 0, $this->pitchOf($head), grace: true, voice: '1', value: NoteValue::lasting(intdiv(Reader::RESOLUTION, 2), Reader::RESOLUTION), slurs: $this->openedSlurs(), kept: str_starts_with($text, '{/') ? ['grace' => '<grace slash="yes"/>'] : []);
        }
    }

    private function add(Note $note): void
    {
        $this->decorations = [];
        $this->items[] = $note;
        $this->onset += $note->duration;
    }

    private function nextId(): string
    {
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

    /** @return array{int, NoteValue|null, list<Span>} ticks, written value, ends of the tuplet */
    private function time(int $ticks): array
    {
        if ($this->broken !== null) {
            $ticks = intdiv($ticks * $this->broken[0], $this->broken[1]);
            $this->broken = null;
        }
        if ($this->tuplet === null) {
            return [$ticks, $this->valueOf($ticks, null), []];
        }
        [$actual, $normal, $left] = $this->tuplet;
        $ends = $this->tupletStarts ? [new Span('start')] : [];
        $this->tupletStarts = false;
        if ($left === 1) {
            $ends[] = new Span('stop');
        }
        $this->tuplet = $left === 1 ? null : [$actual, $normal, $left - 1];

        return [intdiv($ticks * $normal, $actual), $this->valueOf($ticks, new TimeModification($actual, $normal)), $ends];
    }

    private function valueOf(int $ticks, ?TimeModification $tuplet): ?NoteValue
    {
        $value = NoteValue::lasting($ticks, Reader::RESOLUTION);

        return $value === null || $tuplet === null ? $value : new NoteValue($value->type, $value->dots, $tuplet);
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

    /**
     * What stands before a note, as arguments for it.
     *
     * @return array<string, mixed>
     */
    private function decorated(): array
    {
        $signs = $this->decorations;
        $this->decorations = [];
        foreach (array_intersect($signs, self::DYNAMICS) as $dynamic) {
            $this->items[] = new Direction($this->onset, [new DirectionSign(DirectionKind::Dynamics, $dynamic)], placement: 'below');
        }
        foreach (['crescendo(' => 'crescendo', '<(' => 'crescendo', 'diminuendo(' => 'diminuendo', '>(' => 'diminuendo', 'crescendo)' => 'stop', '<)' => 'stop', 'diminuendo)' => 'stop', '>)' => 'stop'] as $sign => $wedge) {
            in_array($sign, $signs, true) && $this->items[] = new Direction($this->onset, [new DirectionSign(DirectionKind::Wedge, $wedge)], placement: 'below');
        }
        foreach (['fine' => 'Fine', 'D.C.' => 'D.C.', 'D.S.' => 'D.S.', 'dacoda' => 'To Coda'] as $sign => $words) {
            in_array($sign, $signs, true) && $this->items[] = new Direction($this->onset, [new DirectionSign(DirectionKind::Words, $words)]);
        }
        foreach (['segno' => DirectionKind::Segno, 'coda' => DirectionKind::Coda] as $sign => $kind) {
            in_array($sign, $signs, true) && $this->items[] = new Direction($this->onset, [new DirectionSign($kind)]);
        }
        $articulations = ['staccato' => Articulation::Staccato, 'accent' => Articulation::Accent, '>' => Articulation::Accent, 'emphasis' => Articulation::Accent, 'tenuto' => Articulation::Tenuto, 'wedge' => Articulation::Staccatissimo, 'marcato' => Articulation::StrongAccent];

        return [
            'articulations' => array_values(array_intersect_key($articulations, array_flip($signs))),
            'fermata' => in_array('fermata', $signs, true),
            'technical' => self::technical($signs),
        ];
    }

    /** @param list<string> $signs */
    private static function technical(array $signs): Technical
    {
        $fingers = array_values(array_filter($signs, static fn (string $sign): bool => preg_match('/^[0-5]$/', $sign) === 1));
        $circle = in_array('open', $signs, true);

        return new Technical(
            in_array('downbow', $signs, true) ? BowSign::Down : (in_array('upbow', $signs, true) ? BowSign::Up : null),
            $fingers === [] || $fingers === ['0'] ? null : implode(' ', $fingers),
            open: $fingers === ['0'] || ($circle && $fingers === []),
            harmonic: $circle && $fingers !== [] && $fingers !== ['0'],
        );
    }

    private function warn(string $message): void
    {
        $this->warnings[] = new Warning($message, $this->part, (string) (count($this->measures) + 1), $this->lineNumber);
    }
}
