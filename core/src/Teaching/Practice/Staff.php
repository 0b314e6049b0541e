<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Practice;

use UprightPencil\Core\Format\Beaming;
use UprightPencil\Core\Score\Attributes;
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
use UprightPencil\Core\Score\PrintedAccidentals;
use UprightPencil\Core\Score\Technical;

/** Puts tones into measures: full ones, in values that can be printed, tied over barlines, beamed by the beat. */
final class Staff
{
    private int $at = 0;

    private int $count = 0;

    /** @var list<Note|Direction|Attributes> */
    private array $items = [];

    /** @var list<Measure> */
    private array $measures = [];

    private readonly int $full;

    private readonly int $beat;

    private function __construct(private readonly string $name, private readonly Meter $meter, private readonly Key $key, Clef $clef, private readonly int $resolution)
    {
        $this->full = max(1, $meter->ticks($resolution) ?? 4 * $resolution);
        $this->beat = $meter->isCompound() ? 3 * $meter->beatTicks($resolution) : $meter->beatTicks($resolution);
        $this->items[] = new Attributes(0, $key, $meter, [$clef]);
    }

    /**
     * @param  list<Tone>  $tones
     * @param  string  $name  with which the ids of its notes begin
     * @return list<Measure>
     */
    public static function of(array $tones, string $name, Meter $meter, Key $key, Clef $clef, int $resolution): array
    {
        $staff = new self($name, $meter, $key, $clef, $resolution);
        foreach ($tones as $tone) {
            $tone->measure && $staff->fill();
            $staff->tone($tone);
        }
        $staff->fill();

        return PrintedAccidentals::over(Beaming::over($staff->measures));
    }

    private function tone(Tone $tone): void
    {
        $left = $tone->ticks;
        $tone->said === null || $this->items[] = new Direction($this->at, [new DirectionSign(DirectionKind::Words, $tone->said)], placement: 'above');
        for ($first = true; $left > 0; $first = false) {
            $ticks = $this->printable(min($left, $this->full - $this->at));
            $left -= $ticks;
            $this->note($tone, $ticks, $first, $left > 0);
            $this->at += $ticks;
            $this->at < $this->full || $this->close();
        }
    }

    /** The longest value that is no longer than what is left: dots and values that an engraver knows. */
    private function printable(int $ticks): int
    {
        for ($try = $ticks; $try > 0; $try--) {
            $value = NoteValue::lasting($try, $this->resolution);
            if ($value !== null && $value->dots < 2 && $value->tuplet === null) {
                return $try;
            }
        }

        return $ticks;
    }

    private function note(Tone $tone, int $ticks, bool $first, bool $more): void
    {
        $value = NoteValue::lasting($ticks, $this->resolution);
        $name = $this->name.'-'.(++$this->count);
        if ($tone->pitch === null) {
            $this->items[] = new Note($name, $this->at, $ticks, rest: true, voice: '1', value: $value);

            return;
        }
        $short = $value !== null && $value->type->perMaxima() >= NoteType::Eighth->perMaxima();
        $kept = [
            ...($short && $this->at % $this->beat !== 0 ? ['beam' => ''] : []),
            ...($first && $tone->sung !== null ? ['lyric' => self::lyric($tone->sung)] : []),
            ...($tone->slides && ! $more ? ['notations' => '<slide type="start" line-type="solid"/>'] : []),
        ];
        $this->items[] = new Note(
            $name, $this->at, $ticks, $tone->pitch, voice: '1', value: $value, tieStart: $more, tieStop: ! $first,
            technical: $first ? new Technical($tone->bow, $tone->finger, $tone->string) : new Technical, kept: $kept,
        );
    }

    public static function lyric(string $text, int $number = 1): string
    {
        return "<lyric number=\"{$number}\"><syllabic>single</syllabic><text>".htmlspecialchars($text, ENT_XML1).'</text></lyric>';
    }

    /** What is left of the measure is silent. */
    private function fill(): void
    {
        $this->at > 0 && $this->tone(new Tone($this->full - $this->at));
    }

    private function close(): void
    {
        $index = count($this->measures);
        $this->measures[] = new Measure((string) ($index + 1), $index * $this->full, $this->full, $this->meter, $this->key, items: $this->items);
        $this->items = [];
        $this->at = 0;
    }
}
