<?php

declare(strict_types=1);

namespace Tests\Browser\Support;

use Facebook\WebDriver\WebDriverKeys;
use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Meter;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\NoteType;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Span;

/** The keys that somebody presses who types a part from its page: what the key sheet says, and no key more. Used once and thrown away. */
final class Keystrokes
{
    private const LENGTHS = [NoteType::Whole->value => '1', NoteType::Half->value => '2', NoteType::Quarter->value => '3', NoteType::Eighth->value => '4', NoteType::N16->value => '5'];

    private const DYNAMICS = ['pp' => '1', 'p' => '2', 'mp' => '3', 'mf' => '4', 'f' => '5', 'ff' => 'q'];

    private const SIGNS = [Articulation::Accent->value => 'a', Articulation::Staccato->value => 's', Articulation::Tenuto->value => 'd'];

    private const TYPES = [NoteType::Whole, NoteType::Half, NoteType::Quarter, NoteType::Eighth, NoteType::N16];

    /** @var list<string> */
    private array $keys = [];

    private NoteType $length = NoteType::Quarter;

    private ?NoteType $once = null;

    private bool $dotted = false;

    /** Notes of a short slur that are still to be joined. */
    private int $joins = 0;

    private int $last;

    /** @var array<string, float> */
    private array $held = [];

    private Key $key;

    private Meter $meter;

    /** @param array<string, int> $slurs */
    private function __construct(private readonly int $resolution, int $middle, private readonly array $slurs)
    {
        $this->last = $middle;
    }

    /**
     * @param  int  $middle  letters above C0 of the middle line: where the first note is looked for
     * @return list<string>
     */
    public static function of(Part $part, int $resolution, int $middle = 34): array
    {
        $walk = new self($resolution, $middle, self::slurs($part));
        foreach ($part->measures as $index => $measure) {
            $walk->key = $measure->key ?? new Key(0);
            $walk->meter = $measure->meter ?? Meter::of(4, 4);
            $walk->held = [];
            foreach ($measure->notes() as $place => $note) {
                $note->chord || $walk->note($measure, $note, $place === 0);
            }
            $walk->barlines($measure);
            if ($index === 0 && $measure->length < (int) $walk->meter->ticks($resolution)) {
                $walk->keys[] = WebDriverKeys::ENTER;
                $walk->once = null;
            }
        }

        return $walk->keys;
    }

    private function note(Measure $measure, Note $note, bool $first): void
    {
        $type = $note->value->type ?? NoteType::Quarter;
        if (($this->once ?? $this->length) !== $type || ($this->dotted && ($note->value->dots ?? 0) === 0)) {
            $this->keys[] = self::LENGTHS[$type->value] ?? throw new \LogicException("No key for {$type->value}.");
            $this->length = $type;
            $this->once = null;
            $this->dotted = false;
        }
        $this->once = $this->once === null && ! $this->dotted && $this->isLongOnBeat($note) ? NoteType::Eighth : null;
        $note->pitch === null ? $this->keys[] = ' ' : $this->pitch($note);
        $this->dots($note);
        $note->tieStart && $this->keys[] = 't';
        $this->slur($note);
        foreach ($note->articulations as $sign) {
            isset(self::SIGNS[$sign->value]) && array_push($this->keys, 'z', self::SIGNS[$sign->value]);
        }
        $note->technical->bow === null || array_push($this->keys, 'z', $note->technical->bow === BowSign::Down ? 'q' : 'w');
        foreach ($measure->directions() as $direction) {
            foreach ($direction->time() === $note->onset ? $direction->signs : [] as $sign) {
                $sign->kind === DirectionKind::Dynamics && isset(self::DYNAMICS[$sign->text]) && array_push($this->keys, 'h', 'f', self::DYNAMICS[$sign->text]);
            }
        }
        $opens = array_filter($measure->barlines, static fn ($barline): bool => $barline->repeat === 'forward') !== [];
        $first && $opens && array_push($this->keys, 'h', '3');
    }

    /** Two or three notes are joined one to the other; a longer slur is begun and ended. */
    private function slur(Note $note): void
    {
        $kinds = array_map(static fn (Span $slur): string => $slur->type, $note->slurs);
        (in_array('stop', $kinds, true) || $this->joins-- > 0) && $this->keys[] = 's';
        if (in_array('start', $kinds, true)) {
            $this->joins = $this->slurs[$note->id] <= 2 ? $this->slurs[$note->id] - 1 : 0;
            $this->slurs[$note->id] > 2 && $this->keys[] = WebDriverKeys::SHIFT.'s'.WebDriverKeys::NULL;
        }
    }

    /** @return array<string, int> note that a slur begins on => how many notes later it ends */
    private static function slurs(Part $part): array
    {
        $open = null;
        $found = [];
        foreach (array_values(array_filter($part->notes(), static fn (Note $note): bool => ! $note->chord)) as $index => $note) {
            foreach ($note->slurs as $slur) {
                $slur->type === 'stop' && $open !== null && $found[$open[0]] = $index - $open[1];
                $open = $slur->type === 'start' ? [$note->id, $index] : $open;
            }
        }

        return $found;
    }

    private function pitch(Note $note): void
    {
        $pitch = $note->pitch ?? throw new \LogicException('A rest has none.');
        $this->keys[] = strtolower($pitch->letter);
        $octaves = array_map(static fn (int $octave): int => 7 * ($octave - $pitch->octave) + $pitch->diatonic(), range(1, 8));
        usort($octaves, fn (int $a, int $b): int => abs($a - $this->last) <=> abs($b - $this->last));
        for ($at = $octaves[0]; $at !== $pitch->diatonic(); $at += $at < $pitch->diatonic() ? 7 : -7) {
            $this->keys[] = $at < $pitch->diatonic() ? 'r' : 'v';
        }
        $this->last = $pitch->diatonic();
        $place = $pitch->letter.$pitch->octave;
        $usual = (float) $this->key->alterOf($pitch->letter);
        if ($pitch->alter !== ($this->held[$place] ?? $usual) && ! $note->tieStop) {
            for ($alter = $usual; $alter !== $pitch->alter; $alter += $alter < $pitch->alter ? 1 : -1) {
                $this->keys[] = $alter < $pitch->alter ? 'w' : 'x';
            }
            $pitch->alter === $usual && array_push($this->keys, 'z', 'c');
            $this->held[$place] = $pitch->alter;
        }
    }

    /** In six-eight the eighth that fills the beat comes by itself. */
    private function isLongOnBeat(Note $note): bool
    {
        return $this->meter->isCompound() && $note->value?->type === NoteType::Quarter && $note->onset % (3 * $this->meter->beatTicks($this->resolution)) === 0;
    }

    /** After a dot the note that fills the beat comes by itself. */
    private function dots(Note $note): void
    {
        $dots = $note->value->dots ?? 0;
        $this->dotted || array_push($this->keys, ...array_fill(0, $dots, 'q'));
        $this->dotted = $this->dotted || ($dots === 1 && $this->meter->isCompound());
        $place = array_search($note->value?->type, self::TYPES, true);
        $this->once = $dots > 0 ? null : $this->once;
        if ($dots > 0 && ! $this->meter->isCompound() && $note->end() % $this->meter->beatTicks($this->resolution) !== 0 && is_int($place)) {
            $this->once = self::TYPES[$place + $dots] ?? null;
        }
    }

    private function barlines(Measure $measure): void
    {
        foreach ($measure->barlines as $barline) {
            $barline->endingType === 'start' && array_push($this->keys, 'h', (string) $barline->endings[0]);
            $barline->repeat === 'backward' && array_push($this->keys, 'h', '4');
            $barline->repeat === null && str_contains($barline->kept['before'] ?? '', 'light-heavy') && array_push($this->keys, 'h', '5');
        }
    }
}
