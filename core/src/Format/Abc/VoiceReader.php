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
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\NoteValue;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\Span;
use UprightPencil\Core\Score\Technical;

/** Reads the lines of one ABC voice into measures. Used once and thrown away. */
final class VoiceReader
{
    private const MOST_RESTS = 500;

    private const MOST_SLURS = 16;

    /** Fields of the music that say nothing of the notes. */
    private const SILENT_FIELDS = 'TCORNrwWABDFGHSZI';

    /** “Am7/E”, “F#sus4”, “N.C.”, “(G)”: what may stand over the notes for whoever accompanies. */
    private const CHORD = '/^\(?(?:[A-Ga-g][#b♯♭]?(?:maj|min|dim|aug|sus|add|dom|alt|no|M|m|[-+°ø△o0-9#b♯♭(),])*(?:\/[A-Ga-g]?[#b♯♭]?\d*)?|N\.?C\.?|\/[A-G][#b]?|[-%*]+)\)?$/u';

    private readonly Standing $now;

    private readonly Rhythm $rhythm;

    private readonly Decorations $decorations;

    private readonly Accidentals $accidentals;

    private readonly Measures $measures;

    private int $onset = 0;

    /** How far the layers of this measure have come that an overlay left. */
    private int $furthest = 0;

    /** The overlay under way; 0 is the voice itself. */
    private int $layer = 0;

    /** @var array<int, Note|Direction|Attributes> of the measure under way */
    private array $items = [];

    /** @var list<int> where the heads of the last note, chord or rest are in it */
    private array $last = [];

    private int $slursToOpen = 0;

    /** @var list<int> numbers of the open slurs */
    private array $openSlurs = [];

    /** @var array<int, array<string, float>> layer => letter and octave => alteration of what is tied to its next note */
    private array $tied = [];

    /** @var array<string, float>|null what is tied into the endings that are under way; a later ending is entered from the same note */
    private ?array $tiedIntoEndings = null;

    private bool $afterSpace = true;

    private int $notes = 0;

    private int $inMeasure = 0;

    /** @var list<Warning> */
    private array $warnings = [];

    /** @var array<string, true> */
    private array $said = [];

    private int $line = 0;

    /** @param string $ids what the ids of its notes begin with */
    public function __construct(
        private readonly string $part,
        private readonly string $ids,
        Heading $heading,
        VoiceText $voice,
        private readonly Symbols $symbols,
        string $accidentalsReach,
    ) {
        $this->line = $heading->line('M');
        $this->measures = new Measures($part);
        $this->decorations = new Decorations;
        $this->accidentals = new Accidentals;
        $this->accidentals->reachTo($accidentalsReach);
        $this->now = new Standing;
        $this->rhythm = new Rhythm(Fields::unit($heading->value('L'), $heading->meter()));
        $this->setMeter($heading->meter());
        $this->line = $heading->line('K');
        $this->setKey($heading->value('K'));
        $this->setStaff(StaffWords::of($voice->staff));
        $this->line = $heading->line('Q');
        $this->setTempo($heading->value('Q'));
        $this->tellOrder($heading);
        foreach ($voice->lines as [$number, $text]) {
            $this->read($number, $text);
        }
    }

    private function read(int $number, string $text): void
    {
        $this->line = $number;
        $this->afterSpace = true;
        foreach (Lexer::tokens($text) as [$kind, $sign]) {
            $this->token($kind, $sign);
            $this->afterSpace = in_array($kind, ['space', 'bar', 'overlay', 'spacer'], true) || ($this->afterSpace && ! in_array($kind, ['note', 'chord', 'rest'], true));
        }
    }

    /** @return list<Measure> */
    public function measures(): array
    {
        $this->closeMeasure([]);
        $this->measures->stopEnding();

        return Beaming::over($this->measures->without($this->openSlurs));
    }

    /** @return list<Warning> */
    public function warnings(): array
    {
        return [...$this->warnings, ...$this->measures->warnings()];
    }

    private function token(string $kind, string $text): void
    {
        match ($kind) {
            'field' => $this->field($text[1], trim(substr($text, 3, -1))),
            'text' => $this->words(substr($text, 1, -1)),
            'sign' => $this->sign(trim($text, '!+') === '' ? '+' : substr($text, 1, -1)),
            'short' => $this->letter($text),
            'bar' => $this->barline($text),
            'tuplet' => $this->rhythm->startTuplet($text, $this->now->meter) || $this->warn("“{$text}” is a tuplet that makes no sense; it was left out."),
            'grace' => $this->grace($text),
            'chord' => $this->chord($text),
            'note' => $this->sound([$text], ''),
            'rest' => $this->rest($text),
            'spacer' => array_push($this->items, ...$this->decorations->directions($this->onset)),
            'broken' => $this->breakRhythm($text),
            'slur' => $text === '(' ? $this->slursToOpen++ : $this->closeSlur(),
            'tie' => $this->tieLast(),
            'overlay' => $this->overlay($text),
            'odd' => $this->warn("“{$text}” is not ABC that we know; it was left out."),
            default => null,
        };
    }

    private function field(string $name, string $value): void
    {
        match (true) {
            $name === 'K' => $this->setKey($value),
            $name === 'M' => $this->setMeter($value),
            $name === 'L' => $this->setUnit($value),
            $name === 'Q' => $this->setTempo($value),
            $name === 'V' => $this->setStaff(StaffWords::of((string) preg_replace('/^\S+/', '', $value))),
            $name === 'P' => $value === '' || $this->items[] = new Direction($this->onset, [new DirectionSign(DirectionKind::Rehearsal, Text::plain(trim($value, '"')))], placement: 'above'),
            $name === 'U' => $this->symbols->define($value) || $this->warn("“U:{$value}” gives a letter a meaning that we do not know; it was left out.", false),
            $name === 'r' && $value === VoiceWriter::ENDING_ENDS => $this->measures->stopEnding(),
            $name === 'r' && $value === VoiceWriter::NOT_ENTERED => $this->measures->markNotEntered(),
            $name === 'm' => $this->warn('A macro (m:) is defined here; macros are not carried out. Write its notes out where they are played.'),
            $name === 's' => $this->warn('A line of signs (s:) is not read; write the signs before their notes.', false),
            str_contains(self::SILENT_FIELDS, $name) => null,
            default => $this->warn("“{$name}:” is not a field that we know; it was left out.", false),
        };
    }

    private function setKey(string $text): void
    {
        $field = KeyField::of($text);
        $field->understood || $this->warn("“K:{$text}” is not a key that we know; the key stays as it was.");
        array_push($this->items, ...$this->now->setKey($field, $this->onset));
    }

    private function setStaff(StaffWords $staff): void
    {
        array_push($this->items, ...$this->now->setStaff($staff, $this->onset));
    }

    private function setMeter(string $text): void
    {
        $meter = Fields::meter($text);
        if ($meter === null) {
            $this->warn("“M:{$text}” is not a meter that we know; its measures are not counted.");
        }
        array_push($this->items, ...$this->now->setMeter($meter ?? new Meter([], printed: false), $this->onset));
    }

    /** “AABB”: the order in which parts of the tune are played is told to the players; what is counted are the measures as they stand. */
    private function tellOrder(Heading $heading): void
    {
        $order = Text::plain($heading->value('P'));
        $letters = (string) preg_replace('/[.\s]/', '', $order);
        if ($letters === '' || (ctype_upper($letters) && count(array_unique(str_split($letters))) === strlen($letters))) {
            return;
        }
        $this->line = $heading->line('P');
        $this->warn("“P:{$order}” says in which order the parts of the tune are played; it is printed over the beginning, and the measures are played as they stand.");
        $this->items[] = new Direction(0, [new DirectionSign(DirectionKind::Words, "Play {$order}")], placement: 'above');
    }

    private function setUnit(string $text): void
    {
        preg_match('/^1(\s*\/\s*[1-9]\d*)?$/', $text) === 1 || $this->warn("“L:{$text}” is not a length of notes that we know; an eighth was taken.");
        $this->rhythm->unit = Fields::unit($text, '4/4');
    }

    private function setTempo(string $text): void
    {
        $tempo = Fields::tempo($text, $this->onset, $this->rhythm->unit);
        $tempo === null ? ($text === '' || $this->warn("“Q:{$text}” is not a tempo that we know; it was left out.")) : $this->items[] = $tempo;
    }

    /** “^pizz.” and the like are words on the page, and so is “Fine” without a place; names of chords nobody here plays. */
    private function words(string $text): void
    {
        $placed = preg_match('/^(?:[\^_<>]|@[\d.,\s-]*)(.*)$/u', $text, $found) === 1;
        $said = Text::plain($placed ? $found[1] : $text);
        if ($said !== '' && ($placed || preg_match(self::CHORD, $said) !== 1)) {
            $this->items[] = new Direction($this->onset, [new DirectionSign(DirectionKind::Words, $said)], placement: $text[0] === '_' ? 'below' : 'above');
        }
    }

    private function sign(string $name): void
    {
        $this->decorations->add($name) || $this->warnOnce("“!{$name}!” is a sign that we do not know; it was left out.");
    }

    private function letter(string $letter): void
    {
        $meaning = $this->symbols->meaningOf($letter);
        match (true) {
            $meaning === null => $this->warnOnce("“{$letter}” before a note means nothing that we know, and no U: field says what; it was left out."),
            $meaning === '' => null,
            $meaning[0] === '"' => $this->words(trim($meaning, '"')),
            default => $this->sign($meaning),
        };
    }

    private function overlay(string $text): void
    {
        if ($text !== '&') {
            $text === '&)' || $this->warn('An overlay over several measures is read as one of each measure.');

            return;
        }
        $this->furthest = max($this->furthest, $this->onset);
        $this->onset = 0;
        $this->layer++;
        $this->last = [];
        $this->accidentals->forget();
    }

    private function barline(string $text): void
    {
        $sign = BarSign::of($text);
        $starts = [];
        foreach ($this->decorations->directions($this->onset) as $direction) {
            // The sign that a D.S. goes back to stands at the barline where the passage begins.
            $direction->has(DirectionKind::Segno) ? $starts[] = $direction->with(onset: 0) : $this->items[] = $direction;
        }
        $this->closeMeasure($sign->right);
        array_push($this->items, ...$starts);
        $this->measures->begin($sign);
        if ($sign->passes !== []) {
            $this->tiedIntoEndings ??= $this->tied[0] ?? [];
            $this->tied[0] = ($this->tied[0] ?? []) + $this->tiedIntoEndings;
        } elseif (! $this->measures->isInEnding()) {
            $this->tiedIntoEndings = null;
        }
    }

    /** @param list<Barline> $right */
    private function closeMeasure(array $right): void
    {
        $this->accidentals->forget();
        $this->inMeasure = 0;
        $this->last = [];
        if (array_filter($this->items, static fn (object $item): bool => $item instanceof Note) === []) {
            $this->measures->addToLast($right);

            return;
        }
        $this->measures->close(array_values($this->items), max($this->onset, $this->furthest), $right, $this->now->meter, $this->now->key, $this->line);
        $this->onset = $this->furthest = $this->layer = 0;
        $this->items = [];
    }

    private function breakRhythm(string $text): void
    {
        $first = $this->rhythm->breakNotes($text);
        if ($this->last === []) {
            $this->warn("“{$text}” stands after no note; it was left out.");
            $this->rhythm->mend();
        }
        $moved = 0;
        foreach ($this->last as $place) {
            $item = $this->items[$place];
            if ($item instanceof Note) {
                $duration = intdiv($item->duration * $first[0], $first[1]);
                $moved = $duration - $item->duration;
                $tuplet = $item->value?->tuplet;
                $this->items[$place] = $item->with(duration: $duration, value: Rhythm::valueOf($tuplet === null ? $duration : intdiv($duration * $tuplet->actual, $tuplet->normal), $tuplet));
            }
        }
        // Grace notes of the second note may stand before the sign.
        foreach (array_slice($this->items, $this->last === [] ? 0 : max($this->last) + 1, null, true) as $place => $item) {
            $this->items[$place] = $moved === 0 ? $item : $item->with(onset: $item->onset + $moved);
        }
        $this->onset += $moved;
    }

    private function rest(string $text): void
    {
        $letter = $text[0];
        $length = substr($text, 1);
        if ($letter === 'Z' || $letter === 'X') {
            $this->measuresRest($letter === 'X', max(1, min(self::MOST_RESTS, (int) $length)));

            return;
        }
        [$duration, $value, $tuplets] = $this->rhythm->time($this->rhythm->ticksOf($length));
        $this->addRest($duration, ['value' => $value, 'tuplets' => $tuplets, 'kept' => $letter === 'x' ? ['print-object' => 'no'] : []]);
    }

    private function measuresRest(bool $hidden, int $count): void
    {
        for (; $count > 0; $count--) {
            $this->addRest($this->now->meter->ticks(Reader::RESOLUTION) ?? 4 * Reader::RESOLUTION, ['kept' => ['rest' => '<rest measure="yes"/>'] + ($hidden ? ['print-object' => 'no'] : [])]);
            $count > 1 && $this->closeMeasure([]);
        }
    }

    /** @param array<string, mixed> $more what it has besides, as arguments for a note */
    private function addRest(int $duration, array $more): void
    {
        $this->begin();
        array_push($this->items, ...$this->decorations->directions($this->onset));
        $this->last = [count($this->items)];
        $this->items[] = (new Note($this->nextId(), $this->onset, $duration, rest: true, voice: $this->voice(), fermata: ($this->decorations->forNote()['fermata'] ?? false) === true))->with(...$more);
        $this->onset += $duration;
        $this->tied[$this->layer] = [];
    }

    private function chord(string $text): void
    {
        $chord = ChordText::of($text);
        $this->slursToOpen += $chord->slurs;
        foreach ($chord->before as [$kind, $sign]) {
            $this->token($kind, $sign);
        }
        foreach ($chord->foreign as $sign) {
            $this->warn("“{$sign}” does not belong into a chord; it was left out.");
        }
        if ($chord->heads === []) {
            $this->warn("“{$text}” is a chord without notes; it was left out.");

            return;
        }
        $this->sound($chord->heads, $chord->length);
        foreach ($chord->fingers as $index => $signs) {
            $this->finger($this->last[$index] ?? null, $signs);
        }
        for ($ends = $chord->slurEnds; $ends > 0; $ends--) {
            $this->closeSlur();
        }
    }

    /**
     * Fingers of a head inside a chord; those of its first head stand before the chord.
     *
     * @param  list<string>  $signs
     */
    private function finger(?int $place, array $signs): void
    {
        $note = $place === null ? null : $this->items[$place];
        if ($note instanceof Note) {
            $this->items[$place] = $note->with(technical: new Technical(finger: $signs === ['0'] ? null : implode(' ', $signs), open: $signs === ['0']));
        }
    }

    /** @param non-empty-list<string> $heads */
    private function sound(array $heads, string $chordLength): void
    {
        $this->begin();
        [$duration, $value, $tuplets] = $this->rhythm->time(intdiv($this->rhythm->ticksOf(self::lengthOf($heads[0])) * $this->rhythm->ticksOf($chordLength), max(1, $this->rhythm->unit)));
        array_push($this->items, ...$this->decorations->directions($this->onset));
        $slurs = $this->openedSlurs();
        $tied = $this->tied[$this->layer] ?? [];
        $this->tied[$this->layer] = [];
        $this->last = [];
        foreach ($heads as $index => $head) {
            $pitch = $this->accidentals->pitchOf($head, $this->now->key, $this->now->octaves, $tied);
            $note = $this->head($head, $pitch, $duration, $value)->with(chord: $index > 0, tieStop: ($tied[self::placeOf($pitch)] ?? null) === $pitch->alter, kept: $this->keptOf($pitch));
            if ($index === 0) {
                $decorated = $this->decorations->forNote();
                $note = $note->with(...['slurs' => $slurs, 'tuplets' => $tuplets, ...$decorated, 'kept' => $note->kept + (is_array($decorated['kept'] ?? null) ? $decorated['kept'] : [])]);
            }
            if (str_ends_with($head, '-')) {
                $this->tied[$this->layer][self::placeOf($pitch)] = $pitch->alter;
            }
            $this->last[] = count($this->items);
            $this->items[] = $note;
        }
        $this->onset += $duration;
    }

    private function head(string $typed, Pitch $pitch, int $duration, ?NoteValue $value): Note
    {
        return new Note(
            $this->nextId(),
            $this->onset,
            $duration,
            $this->now->isPercussion() ? null : $pitch,
            voice: $this->voice(),
            value: $value,
            accidental: $this->now->isPercussion() ? null : Accidentals::nameOf($typed),
            tieStart: str_ends_with($typed, '-'),
        );
    }

    /** @return array<string, string> */
    private function keptOf(Pitch $pitch): array
    {
        $place = "<unpitched><display-step>{$pitch->letter}</display-step><display-octave>{$pitch->octave}</display-octave></unpitched>";

        return ($this->afterSpace ? [] : ['beam' => '']) + ($this->now->isPercussion() ? ['unpitched' => $place] : []);
    }

    private static function placeOf(Pitch $pitch): string
    {
        return $pitch->letter.$pitch->octave;
    }

    private static function lengthOf(string $head): string
    {
        return preg_match('/[\d\/]+(?=-?$)/', (string) preg_replace('/^[\^_=]*\/?[A-Ga-g]/', '', $head), $found) === 1 ? $found[0] : '';
    }

    private function grace(string $text): void
    {
        $this->begin();
        $slash = preg_match('/^\{\s*\//', $text) === 1;
        foreach (Lexer::tokens((string) preg_replace('/^\{\s*\/?|\}$/', '', $text)) as [$kind, $sign]) {
            match ($kind) {
                'note' => $this->graceNote($sign, $slash, false),
                'chord' => $this->graceChord($sign, $slash),
                'slur' => $sign === '(' ? $this->slursToOpen++ : $this->closeSlur(),
                'sign', 'short', 'odd' => $this->token($kind, $sign),
                'space', 'broken', 'linebreak', 'text' => null,
                default => $this->warn("“{$sign}” does not belong to grace notes; it was left out."),
            };
        }
    }

    private function graceChord(string $text, bool $slash): void
    {
        foreach (ChordText::of($text)->heads as $index => $head) {
            $this->graceNote($head, $slash, $index > 0);
        }
    }

    private function graceNote(string $head, bool $slash, bool $chord): void
    {
        $eighth = intdiv(Reader::RESOLUTION, 2);
        $value = NoteValue::lasting((new Rhythm($eighth))->ticksOf(self::lengthOf($head)), Reader::RESOLUTION) ?? NoteValue::lasting($eighth, Reader::RESOLUTION);
        $pitch = $this->accidentals->pitchOf($head, $this->now->key, $this->now->octaves, $this->tied[$this->layer] ?? []);
        $this->items[] = $this->head(rtrim($head, '-'), $pitch, 0, $value)->with(grace: true, chord: $chord, slurs: $chord ? [] : $this->openedSlurs(), kept: ($slash ? ['grace' => '<grace slash="yes"/>'] : []) + array_diff_key($this->keptOf($pitch), ['beam' => 1]));
    }

    /** The first thing that is played: what was said until here is how the voice begins. */
    private function begin(): void
    {
        $beginning = $this->now->begin();
        $beginning === null || array_unshift($this->items, $beginning);
    }

    private function nextId(): string
    {
        Budget::refuseFullMeasure(++$this->inMeasure, $this->part, $this->measures->number());

        return "{$this->ids}-".($this->measures->count() + 1).'-'.(++$this->notes);
    }

    private function voice(): string
    {
        return (string) ($this->layer + 1);
    }

    private function tieLast(): void
    {
        $tied = false;
        foreach ($this->last as $place) {
            $item = $this->items[$place];
            if ($item instanceof Note && ! $item->rest) {
                $this->items[$place] = $item->with(tieStart: true);
                $item->pitch === null || $this->tied[$this->layer][self::placeOf($item->pitch)] = $item->pitch->alter;
                $tied = true;
            }
        }
        $tied || $this->warn('A tie stands after no note; it was left out.');
    }

    /** @return list<Span> */
    private function openedSlurs(): array
    {
        $slurs = [];
        for (; $this->slursToOpen > 0; $this->slursToOpen--) {
            $number = min(array_diff(range(1, self::MOST_SLURS), $this->openSlurs) ?: [self::MOST_SLURS]);
            $this->openSlurs[] = $number;
            $slurs[] = new Span('start', $number);
        }

        return $slurs;
    }

    private function closeSlur(): void
    {
        $number = array_pop($this->openSlurs);
        if ($number === null) {
            $this->warn('A slur ends here that was not begun; it was left out.');

            return;
        }
        $end = new Span('stop', $number);
        for ($place = count($this->items) - 1; $place >= 0; $place--) {
            $item = $this->items[$place];
            if ($item instanceof Note && ! $item->rest && ! $item->chord) {
                $this->items[$place] = $item->with(slurs: [$end, ...$item->slurs]);

                return;
            }
        }
        $this->measures->closeSlurOnLast($end);
    }

    /** @return true */
    private function warn(string $message, bool $matters = true): bool
    {
        $this->warnings[] = new Warning($message, $this->part, $this->measures->number(), $this->line, $matters);

        return true;
    }

    /** A sign that was left out: the same is said once, where it is met first. */
    private function warnOnce(string $message): void
    {
        isset($this->said[$message]) || $this->warn($message, false);
        $this->said[$message] = true;
    }
}
