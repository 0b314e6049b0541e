<?php

declare(strict_types=1);

namespace UprightPencil\Core\Format\Manuscript;

use UprightPencil\Core\Format\Beaming;
use UprightPencil\Core\Format\Budget;
use UprightPencil\Core\Format\UnreadableMusic;
use UprightPencil\Core\Format\Warning;
use UprightPencil\Core\Score\Attributes;
use UprightPencil\Core\Score\Barline;
use UprightPencil\Core\Score\Bounds;
use UprightPencil\Core\Score\Clef;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Resolution;

/** Reads the measures of one manuscript, one after the other, with what holds from one to the next. Used once and thrown away. */
final class MeasureReader
{
    private const MOST_HEADS = 6;

    private Key $key;

    private Meter $meter;

    private string $clef = '';

    private int $start = 0;

    /** @var array<string, float> letter and octave => alteration that holds until the barline */
    private array $held = [];

    /** @var array<string, float> letter and octave => alteration of what is tied on */
    private array $tied = [];

    private bool $lastWasChanged = false;

    private readonly Slurs $slurs;

    /** @var array<string, true> */
    private array $ids = [];

    /** @var list<int> passes of the ending under way */
    private array $ending = [];

    /** @var list<Warning> */
    private array $warnings = [];

    /** @param string $part id of the part */
    public function __construct(private readonly string $part, private readonly bool $rhythm)
    {
        $this->key = new Key(0);
        $this->meter = Meter::of(4, 4);
        $this->slurs = new Slurs;
    }

    /** @return list<Warning> */
    public function warnings(): array
    {
        $open = $this->slurs->leftOpen();

        return [...$this->warnings, ...$open === 0 ? [] : [new Warning($open === 1 ? 'A slur begins and nothing ends it.' : "{$open} slurs begin and nothing ends them.", $this->part)]];
    }

    /** Whether key and meter are at this measure what they were when it was read. */
    public function holdsAt(Measure $former, Entry $entry): bool
    {
        $key = $entry->has('key') ? $this->key : $former->key;

        return ($former->key === null || $key?->fifths === $this->key->fifths) && ($former->meter === null || $entry->has('meter') || $former->meter->terms === $this->meter->terms);
    }

    /** Takes up key, meter and clef of a measure, before anything else is asked of it. @throws UnreadableMusic */
    public function signature(Entry $entry): ?Attributes
    {
        $key = $meter = null;
        if ($entry->has('key')) {
            $this->key = $key = new Key($entry->whole('key', -7, 7), $entry->choice('mode', ['major', 'minor']));
        }
        if ($entry->has('meter')) {
            $this->meter = $meter = self::meter($entry);
        }
        $clef = $entry->choice('clef', array_keys(Signs::CLEFS));
        $this->clef = $clef ?? $this->clef;
        $clefs = $clef === null ? [] : [new Clef(...Signs::CLEFS[$clef])];

        return $key === null && $meter === null && $clefs === [] ? null : new Attributes(0, $key, $meter, $clefs, kept: $clef === 'rhythm' ? ['staff-details' => '<staff-details><staff-lines>1</staff-lines></staff-details>'] : []);
    }

    /** @throws UnreadableMusic */
    private static function meter(Entry $entry): Meter
    {
        $text = $entry->text('meter', 20);

        return match (true) {
            $text === 'C' => new Meter([['4', 4]], kept: ['symbol' => 'common']),
            $text === 'C|' => new Meter([['2', 2]], kept: ['symbol' => 'cut']),
            preg_match('/^(\d+(?:\+\d+)*)\/(\d+)$/', $text, $found) === 1 && Bounds::isMeter($found[1], $found[2]) => new Meter([[$found[1], (int) $found[2]]]),
            default => throw new UnreadableMusic("{$entry->place}: “{$text}” is not a meter."),
        };
    }

    /** A measure that nobody touched, at its place among what was. */
    public function kept(Measure $former, string $number): Measure
    {
        $items = [];
        foreach ($former->items as $item) {
            if ($item instanceof Note) {
                $item = $this->slurs->kept($this->mendedTie($item));
                $this->useId($item->id, "Measure {$number}");
            }
            $items[] = $item;
        }
        $this->tied = $this->heldOver($items, $former->length);
        $this->lastWasChanged = false;
        $this->ending = [];
        $measure = $former->with(number: $number, start: $this->start, items: $items);
        $this->start += $measure->length;

        return $measure;
    }

    /** Where the measure before was changed, a tie into this one is what that one says. */
    private function mendedTie(Note $note): Note
    {
        if (! $this->lastWasChanged || $note->onset > 0 || $note->pitch === null) {
            return $note;
        }
        $tied = ($this->tied[self::place($note)] ?? null) === $note->pitch->alter;

        return $note->tieStop === $tied ? $note : $note->with(tieStop: $tied);
    }

    /**
     * @param  list<object>  $items
     * @return array<string, float>
     */
    private function heldOver(array $items, int $length): array
    {
        $tied = [];
        foreach ($items as $item) {
            if ($item instanceof Note && $item->tieStart && $item->pitch !== null && $item->end() >= $length) {
                $tied[self::place($item)] = $item->pitch->alter;
            }
        }

        return $tied;
    }

    private static function place(Note $note): string
    {
        return $note->pitch === null ? '' : $note->pitch->letter.$note->pitch->octave;
    }

    /**
     * A measure as it is typed.
     *
     * @param  array<string, Note>  $former  notes of the version before, by id: what an engraver needs besides goes along
     * @param  list<int>  $nextEnding  passes of the ending that the next measure stands in
     *
     * @throws UnreadableMusic
     */
    public function typed(Entry $entry, ?Attributes $signature, string $number, array $former, array $nextEnding): Measure
    {
        $this->held = [];
        $full = $this->meter->ticks(Resolution::FINE) ?? 4 * Resolution::FINE;
        // A measure in which nothing was typed is one that was not entered.
        $blank = $entry->flag('blank') || $entry->list('notes', Budget::MOST_NOTES_IN_A_MEASURE) === [];
        [$items, $length] = $blank ? [$this->blank($number, $full), $full] : $this->notes($entry, $number, $full, $former);
        $length = $length === 0 ? $full : $length;
        $barlines = $this->barlines($entry, $nextEnding);
        $this->checkBeats($entry, $length, $full, $number, $barlines !== []);
        $measure = new Measure($number, $this->start, $length, $this->meter, $this->key, $entry->flag('uncounted'), [...$signature === null ? [] : [$signature], ...$this->over($entry), ...$items, ...self::after($entry, $length)], $barlines, ! $blank);
        $this->start += $length;
        $this->lastWasChanged = true;

        return Beaming::over([$measure])[0];
    }

    /** @return list<Note> the rest that stands for what is not entered */
    private function blank(string $number, int $full): array
    {
        $this->tied = [];

        return [new Note($this->useId("{$this->part}-".count($this->ids).'-blank', "Measure {$number}"), 0, $full, rest: true, voice: '1', kept: ['rest' => '<rest measure="yes"/>'])];
    }

    /**
     * @return list<Direction> what stands over the measure
     *
     * @throws UnreadableMusic
     */
    private function over(Entry $entry): array
    {
        $found = [];
        $letter = $entry->text('letter', 20);
        $letter === '' || $found[] = NoteReader::direction(0, DirectionKind::Rehearsal, $letter, 'above');
        $tempo = $entry->has('tempo') ? $entry->whole('tempo', (int) Bounds::SLOWEST, (int) Bounds::FASTEST) : null;
        $tempo === null || $found[] = NoteReader::direction(0, DirectionKind::Metronome, '', 'above', $tempo);
        foreach ($entry->choices('signs', Signs::JUMP_SIGNS) as $sign) {
            $found[] = NoteReader::direction(0, DirectionKind::from($sign), '', 'above');
        }

        return $found;
    }

    /**
     * @return list<Direction> words at its end, as “D.C. al Fine”
     *
     * @throws UnreadableMusic
     */
    private static function after(Entry $entry, int $length): array
    {
        $words = $entry->text('endWords', 100);

        return $words === '' ? [] : [NoteReader::direction($length, DirectionKind::Words, $words, 'above')];
    }

    /**
     * @param  array<string, Note>  $former
     * @return array{list<Note|Direction|Attributes>, int} what the measure holds, and its length in ticks
     *
     * @throws UnreadableMusic
     */
    private function notes(Entry $entry, string $number, int $full, array $former): array
    {
        $items = [];
        $onset = 0;
        $group = null;
        foreach ($entry->list('notes', Budget::MOST_NOTES_IN_A_MEASURE) as $told) {
            $note = Entry::of($told, "Measure {$number}");
            $whole = $note->flag('full');
            $value = $whole ? null : NoteReader::value($note);
            $length = $note->flag('grace') ? 0 : ($value === null ? $full : NoteReader::ticks($note, $value));
            $clef = $note->choice('clef', array_keys(Signs::CLEFS));
            $clef === null || $items[] = new Attributes($onset, clefs: [new Clef(...Signs::CLEFS[$clef])]);
            $directions = NoteReader::directions($note, $onset, $onset + $length);
            array_push($items, ...array_filter($directions, static fn (Direction $one): bool => $one->onset === $onset || $length === 0));
            $own = Beams::group($this->meter, $onset, $length);
            $bare = new Note('', $onset, $length, grace: $note->flag('grace'), voice: '1', value: $value, kept: $own !== null && $own === $group ? ['beam' => ''] : []);
            array_push($items, ...$note->flag('rest') || $whole ? [$this->rest($note, $bare, $number, $former)] : $this->sound($note, $bare, $number, $former));
            array_push($items, ...array_filter($directions, static fn (Direction $one): bool => $one->onset !== $onset && $length > 0));
            $group = $length === 0 ? $group : $own;
            $onset += $length;
        }

        return [$items, $onset];
    }

    /**
     * @param  Note  $bare  with its place and value
     * @param  array<string, Note>  $former
     *
     * @throws UnreadableMusic
     */
    private function rest(Entry $entry, Note $bare, string $number, array $former): Note
    {
        $id = $this->useId($entry->text('id', 80), "Measure {$number}");
        $this->slurs->at($entry->whole('slurEnds', 0, 16, 0), 0);
        $this->tied = [];

        return $bare->with(id: $id, rest: true, tuplets: NoteReader::tuplet($entry), fermata: NoteReader::signs($entry)['fermata'], kept: ($bare->value === null ? ['rest' => '<rest measure="yes"/>'] : []) + self::carried($former[$id] ?? null));
    }

    /**
     * @param  Note  $bare  with its place and value
     * @param  array<string, Note>  $former
     * @return list<Note>
     *
     * @throws UnreadableMusic
     */
    private function sound(Entry $entry, Note $bare, string $number, array $former): array
    {
        $notes = [];
        $slurs = $this->slurs->at($entry->whole('slurEnds', 0, 16, 0), $entry->whole('slurs', 0, 16, 0));
        [$before, $this->tied] = [$this->tied, $bare->grace ? $this->tied : []];
        $heads = $this->rhythm ? [$entry] : array_map(static fn (mixed $head): Entry => Entry::of($head, $entry->place), $entry->list('heads', self::MOST_HEADS));
        $heads === [] && throw new UnreadableMusic("{$entry->place}: a note has no pitch.");
        foreach ($heads as $index => $head) {
            $id = $this->useId($head->text('id', 80), "Measure {$number}");
            $note = $bare->with(id: $id, chord: $index > 0, tieStart: $entry->flag('tie'), kept: $bare->kept + self::carried($former[$id] ?? null));
            $note = $this->rhythm ? self::unpitched($note, isset($before[''])) : $note->with(...$this->pitched($head, $before, $bare->grace));
            $note->tieStart && $this->tied[self::place($note)] = $note->pitch->alter ?? 0.0;
            $notes[] = $index > 0 ? $note : $note->with(...[...NoteReader::signs($entry), 'slurs' => $slurs, 'tuplets' => NoteReader::tuplet($entry)]);
        }

        return $notes;
    }

    private static function unpitched(Note $note, bool $tied): Note
    {
        return $note->with(tieStop: $tied, kept: $note->kept + ['unpitched' => '<unpitched><display-step>E</display-step><display-octave>4</display-octave></unpitched>']);
    }

    /**
     * @param  array<string, float>  $tied
     * @return array<string, mixed>
     *
     * @throws UnreadableMusic
     */
    private function pitched(Entry $head, array $tied, bool $grace): array
    {
        $at = $head->text('at', 4);
        $sign = $head->choice('sign', array_keys(Signs::ACCIDENTALS));
        $letter = $at[0] ?? '';
        $usual = str_contains('ABCDEFG', $letter) && $letter !== '' ? $this->key->alterOf($letter) : 0;
        $pitch = NoteReader::pitch($head, $sign === null && isset($tied[$at]) ? $tied : $this->held, $usual);
        $sign === null || $this->held[$at] = $pitch->alter;

        return [
            'pitch' => $pitch,
            'accidental' => $sign === null ? null : Signs::ACCIDENTAL_NAMES[$sign],
            'tieStop' => ! $grace && ($tied[$at] ?? null) === $pitch->alter,
        ];
    }

    /** @return array<string, string> what only an engraver needs, of the same note before; beams and stems are drawn anew */
    private static function carried(?Note $former): array
    {
        return array_diff_key($former->kept ?? [], ['beam' => 1, 'stem' => 1, 'accidental' => 1, 'rest' => 1, 'unpitched' => 1, 'tied' => 1, 'fermata' => 1, 'articulations' => 1]);
    }

    /** @throws UnreadableMusic when it is none, or another note has it */
    private function useId(string $id, string $place): string
    {
        if (preg_match('/^[A-Za-z_][\w.-]*$/', $id) !== 1 || isset($this->ids[$id])) {
            throw new UnreadableMusic("{$place}: two notes have one name, or one has none.");
        }
        $this->ids[$id] = true;

        return $id;
    }

    /**
     * @param  list<int>  $nextEnding
     * @return list<Barline>
     *
     * @throws UnreadableMusic
     */
    private function barlines(Entry $entry, array $nextEnding): array
    {
        $own = self::ending($entry);
        $barlines = [];
        $begins = $own !== [] && $own !== $this->ending;
        if ($entry->flag('repeatStarts') || $begins) {
            $barlines[] = new Barline('left', $entry->flag('repeatStarts') ? 'forward' : null, 2, $begins ? $own : [], $begins ? 'start' : null);
        }
        $closing = $entry->choice('barline', Signs::CLOSINGS);
        $ends = $own !== [] && $own !== $nextEnding;
        $style = $closing === 'double' ? 'light-light' : ($closing === 'final' || $closing === 'repeat' ? 'light-heavy' : null);
        if ($closing !== null || $ends) {
            $barlines[] = new Barline('right', $closing === 'repeat' ? 'backward' : null, $entry->whole('times', 2, 9, 2), $ends ? $own : [], $ends ? 'stop' : null, $style === null ? [] : ['before' => "<bar-style>{$style}</bar-style>"]);
        }
        $this->ending = $own;

        return $barlines;
    }

    /**
     * @return list<int>
     *
     * @throws UnreadableMusic
     */
    public static function ending(Entry $entry): array
    {
        $passes = [];
        foreach ($entry->list('ending', 8) as $pass) {
            $passes[] = is_int($pass) && $pass >= 1 && $pass <= 9 ? $pass : throw $entry->fault('ending');
        }

        return $passes;
    }

    private function checkBeats(Entry $entry, int $length, int $full, string $number, bool $atSign): void
    {
        if ($length === $full || ($length < $full && ($entry->flag('uncounted') || $atSign))) {
            return;
        }
        $this->warnings[] = new Warning($this->meter->misfit($number, $length, $full, Resolution::FINE), $this->part, $number);
    }
}
