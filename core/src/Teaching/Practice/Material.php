<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Fingering\Trouble\PlayedNote;
use UprightPencil\Core\Fingering\Trouble\Troubles;
use UprightPencil\Core\Fingering\Trouble\TroubleSpot;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\MarkedScore;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Clef;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Pitch;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\Technical;
use UprightPencil\Core\Strings\Instrument;
use UprightPencil\Core\Strings\InstrumentData;
use UprightPencil\Core\Strings\Placement;

/** Some measures of a marked part, as practice is made from them: their notes with the fingers and bows that count. */
final readonly class Material
{
    /** Practice begins at this share of the goal, and never slower than so many quarters a minute. */
    public const SLOW = 0.6;

    private const SLOWEST = 44.0;

    /** Exercises in which the left hand does the same again and again. */
    private const OF_THE_HAND = ['one-hand', 'one-string', 'fours', 'drill', 'into-pitch', 'units'];

    private const STRETCH = 'A stretch again and again tires the hand: open it only for its note, let it close between, and stop if it hurts.';

    /** An exercise of fewer notes than this is no exercise. */
    private const FEWEST = 2;

    /** @var list<Measure> as they are marked */
    public array $measures;

    /** @var array<string, NoteMark> those that sound, by note id, in written order */
    public array $marks;

    /** @var list<PlayedNote> with the hand that plays them */
    public array $played;

    /** @var list<array{int, PlayedNote, PlayedNote}> the hand that is left, the note before, the first note of the new hand */
    public array $shifts;

    /** @var list<TroubleSpot> */
    public array $troubles;

    public Instrument $instrument;

    public int $resolution;

    public Meter $meter;

    public Key $key;

    public Clef $clef;

    /** Octaves from what is written down to what sounds. */
    private int $below;

    /**
     * @param  Part  $marked  the whole part with its marks written in
     * @param  int  $first  measure, counted from 0
     * @param  list<string>  $lines  printed numbers of the measures with which the lines of the page begin
     */
    private function __construct(public MarkedPart $part, private Part $marked, public int $first, public int $last, private array $lines)
    {
        $this->instrument = $part->instrument;
        $this->resolution = $part->beats->resolution;
        $this->measures = Excerpt::of($marked, $first, $last);
        $ids = array_fill_keys(array_column(array_merge(...array_map(static fn (Measure $measure): array => $measure->notes(), $this->measures)), 'id'), true);
        $this->marks = array_column(array_map(static fn (NoteMark $mark): array => [$mark->note->id, $mark], array_values(array_filter($part->sounding(), static fn (NoteMark $mark): bool => isset($ids[$mark->note->id])))), 1, 0);
        $played = $shifts = $troubles = [];
        $isHere = static fn (PlayedNote $note): bool => isset($ids[$note->note()->id]);
        foreach ($part->lines() as $line) {
            array_push($played, ...array_values(array_filter($line->notes, $isHere)));
            array_push($shifts, ...array_values(array_filter($line->shifts(), static fn (array $shift): bool => $isHere($shift[1]) && $isHere($shift[2]))));
            array_push($troubles, ...array_values(array_filter(Troubles::found($line), static fn (TroubleSpot $spot): bool => $isHere($spot->at))));
        }
        [$this->played, $this->shifts, $this->troubles] = [$played, $shifts, $troubles];
        $head = $this->measures[0]->attributes()[0];
        $this->meter = $head->meter ?? Meter::of(4, 4);
        $this->key = $head->key ?? new Key(0);
        $this->clef = $head->clefs[0] ?? $part->instrument->clef();
        $some = array_values($this->marks)[0]->note ?? null;
        $this->below = $some?->pitch === null ? 0 : intdiv($some->pitch->midi() - ($part->soundingMidi($some) ?? $some->pitch->midi()), 12);
    }

    /**
     * @param  string  $from  printed number of the first measure
     * @param  list<string>  $lines  printed numbers of the measures with which the lines of the page begin
     *
     * @throws NothingToPractise where there are no such measures, or nothing sounds in them
     */
    public static function of(Score $score, MarkedPart $part, string $from, string $to, array $lines = []): self
    {
        $marked = MarkedScore::of($score, [$part])->part($part->part->id) ?? $part->written;
        $numbers = array_column($marked->measures, 'number');
        [$first, $last] = [array_search($from, $numbers, true), array_search($to, $numbers, true)];
        if (! is_int($first) || ! is_int($last) || $last < $first) {
            throw new NothingToPractise("{$part->part->name} has no measures {$from} to {$to}.");
        }
        $material = new self($part, $marked, $first, $last, $lines);
        if (count($material->marks) < self::FEWEST) {
            throw new NothingToPractise("There is nothing to practise in {$material->where()} of {$part->part->name}.");
        }

        return $material;
    }

    /** “measures 5–8”, “measure 5”. */
    public function where(): string
    {
        [$from, $to] = [$this->measures[0]->number, $this->measures[count($this->measures) - 1]->number];

        return $from === $to ? "measure {$from}" : "measures {$from}–{$to}";
    }

    /** Other measures of the same part, counted from 0. */
    public function at(int $first, int $last): self
    {
        return new self($this->part, $this->marked, $first, $last, $this->lines);
    }

    public function hasMeasure(int $index): bool
    {
        return isset($this->marked->measures[$index]);
    }

    /** @return list<int> measures, counted from 0, with which a line of the page begins and which follow one that is here */
    public function lineBeginnings(): array
    {
        $numbers = array_column($this->marked->measures, 'number');
        $begins = array_values(array_filter(array_map(static fn (string $start): int|false => array_search($start, $numbers, true), $this->lines), is_int(...)));

        return array_values(array_filter($begins, fn (int $begin): bool => $begin > $this->first && $begin <= $this->last + 1));
    }

    /** Slow enough to think, in quarters a minute. */
    public function slow(): float
    {
        return max(self::SLOWEST, round(self::SLOW * $this->part->tempo));
    }

    /** The first direction of the passage; null where it is plucked. */
    public function firstBow(): ?BowSign
    {
        return (array_values($this->marks)[0] ?? null)?->bow?->direction;
    }

    public function isBowed(): bool
    {
        return array_filter($this->marks, static fn (NoteMark $mark): bool => $mark->bow?->direction !== null) !== [];
    }

    /**
     * An open string as it is written.
     *
     * @param  int  $string  0 is the lowest
     */
    public function open(int $string): Pitch
    {
        $midi = $this->instrument->string($string)->midi;

        return Pitch::of($this->instrument->stringName($string), 0, intdiv($midi, 12) - 1 + $this->below);
    }

    /** A pitch by its height, spelled as the key spells it. */
    public function pitch(int $midi): Pitch
    {
        return Pitch::chromatic($midi, sharps: $this->key->fifths >= 0);
    }

    /** As MusicXML counts strings: 1 is the highest. */
    public static function stringNumber(int $string): int
    {
        return InstrumentData::TOP_STRING - $string + 1;
    }

    /** The finger as the page shows it. */
    public function finger(PlayedNote $note): string
    {
        return $this->part->style->finger($note->stop()->finger, $note->stop()->placement);
    }

    /** A played note as a tone of an exercise. */
    public function tone(PlayedNote $note, int $ticks, ?BowSign $bow = null): Tone
    {
        return new Tone($ticks, $note->pitch(), $this->finger($note), self::stringNumber($note->stop()->string), $bow);
    }

    /**
     * The passage with its notes changed; what stands over it in words stays away, since it is about the music.
     *
     * @param  string  $name  with which the ids of its notes begin
     * @param  \Closure(Note, NoteMark|null): (Note|null)  $change  null: the note is left out
     * @return list<Measure>
     */
    public function changed(string $name, \Closure $change): array
    {
        return array_map(function (Measure $measure) use ($name, $change): Measure {
            $items = array_filter(array_map(function (object $item) use ($name, $change): ?object {
                if (! $item instanceof Note) {
                    return $item instanceof Direction ? null : $item;
                }
                $changed = $change($item, $this->marks[$item->id] ?? null);

                return $changed?->with(id: "{$name}-{$item->id}");
            }, $measure->items));

            return $measure->with(items: array_values($items));
        }, $this->withFirstBow());
    }

    /**
     * The passage as it is marked, without what stands over it in words.
     *
     * @param  string  $name  with which the ids of its notes begin
     * @return list<Measure>
     */
    public function asMarked(string $name): array
    {
        return $this->changed($name, static fn (Note $note): Note => $note);
    }

    /** @return list<Measure> the first note says which way the bow goes: what came before does not tell it here */
    private function withFirstBow(): array
    {
        $first = array_key_first($this->marks);
        $bow = $this->firstBow();

        return $bow === null ? $this->measures : array_map(static fn (Measure $measure): Measure => $measure->with(items: array_map(static fn (object $item): object => $item instanceof Note && $item->id === $first
            ? $item->with(technical: new Technical($bow, $item->technical->finger, $item->technical->string, $item->technical->open, $item->technical->harmonic, $item->technical->other))
            : $item, $measure->items)), $this->measures);
    }

    /**
     * A line of its own for tones.
     *
     * @param  list<Tone>  $tones
     * @return list<Measure>
     */
    public function staff(string $name, array $tones, ?Meter $meter = null): array
    {
        return Staff::of($tones, $name, $meter ?? $this->meter, $this->key, $this->clef, $this->resolution);
    }

    /**
     * @param  list<Measure>  $measures
     * @param  list<float>|null  $tempos
     */
    public function step(Exercise $kind, string $title, string $say, string $goOn, array $measures, int $times = 1, ?array $tempos = null, ?string $caution = null, int $rest = Step::REST): Step
    {
        return new Step($kind->name(), $title, $say, $goOn, $measures, $this->resolution, $this->measures[0]->number, $this->measures[count($this->measures) - 1]->number, $tempos ?? [$this->slow()], $times, $caution ?? (in_array($kind->name(), self::OF_THE_HAND, true) && $this->stretches() ? self::STRETCH : null), $rest);
    }

    /** @return list<PlayedNote> each pitch once as it is first fingered, from low to high */
    public function pitches(?\Closure $which = null): array
    {
        $found = [];
        foreach ($this->played as $note) {
            $which !== null && ! $which($note) || $found["{$note->pitch()->midi()} {$note->stop()->string}"] ??= $note;
        }
        usort($found, static fn (PlayedNote $one, PlayedNote $other): int => $one->pitch()->midi() <=> $other->pitch()->midi());

        return $found;
    }

    /** @return list<int> the strings that are used, the busiest first */
    public function strings(): array
    {
        $used = array_count_values(array_map(static fn (PlayedNote $note): int => $note->stop()->string, $this->played));
        arsort($used);

        return array_keys($used);
    }

    /**
     * @param  string  ...$codes  of trouble spots
     * @return string|null what is said of the first of them
     */
    public function trouble(string ...$codes): ?string
    {
        foreach ($this->troubles as $spot) {
            if (in_array($spot->code, $codes, true)) {
                return $spot->message;
            }
        }

        return null;
    }

    /** Whether a finger is stretched out of the hand. */
    private function stretches(): bool
    {
        return array_filter($this->played, static fn (PlayedNote $note): bool => $note->stop()->placement === Placement::Extended) !== [];
    }

    /** Whether the bow goes on from one note to another somewhere, without a stop. */
    public function hasSlurs(): bool
    {
        foreach ($this->marks as $mark) {
            if ($mark->bow !== null && $mark->bow->direction !== null && ! $mark->bow->begins && $mark->bow->action !== BowAction::Hook && ! $mark->note->tieStop && ! $mark->note->chord) {
                return array_key_first($this->marks) !== $mark->note->id;
            }
        }

        return false;
    }
}
