<?php

declare(strict_types=1);

namespace UprightPencil\Core\Teaching\Knowing;

use UprightPencil\Core\Bowing\Marks\BowAction;
use UprightPencil\Core\Fingering\Grips\FingerLink;
use UprightPencil\Core\Fingering\Trouble\PlayedLine;
use UprightPencil\Core\Fingering\Trouble\PlayedNote;
use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\NoteMark;
use UprightPencil\Core\Score\Articulation;
use UprightPencil\Core\Score\BowSign;
use UprightPencil\Core\Score\Key;
use UprightPencil\Core\Score\Measure;
use UprightPencil\Core\Score\Note;
use UprightPencil\Core\Score\NoteType;
use UprightPencil\Core\Strings\FramePlace;
use UprightPencil\Core\Strings\Instrument;

/** All that a marked line asks of its player, each thing where it first comes and how often. */
final class Demands
{
    private const VALUES = [
        NoteType::Breve->value => 'double whole', NoteType::Whole->value => 'whole', NoteType::Half->value => 'half', NoteType::Quarter->value => 'quarter',
        NoteType::Eighth->value => 'eighth', NoteType::N16->value => 'sixteenth', NoteType::N32->value => 'thirty-second',
    ];

    private const SIGNS = [Articulation::Staccato->value => 'staccato', Articulation::Accent->value => 'accents', Articulation::StrongAccent->value => 'strong accents', Articulation::Tenuto->value => 'tenuto', Articulation::Spiccato->value => 'spiccato'];

    /** @var array<string, array{string, NoteMark, int, array<string, true>, Key|null}> what => kind, first, times, measures, signature */
    private array $found = [];

    /** @var array<string, NoteMark> by note id */
    private array $marks;

    private function __construct(private readonly MarkedPart $part)
    {
        $this->marks = array_column(array_map(static fn (NoteMark $mark): array => [$mark->note->id, $mark], $part->sounding()), 1, 0);
    }

    /** @return array<string, Demand> by what they are; in the order in which they first come */
    public static function of(MarkedPart $part): array
    {
        $demands = new self($part);
        foreach ($part->lines() as $line) {
            $demands->hand($line);
        }
        $demands->bow();
        $demands->page();
        $all = array_map(static fn (string $what, array $found): Demand => new Demand($found[0], $what, $found[1], $found[2], array_map(strval(...), array_keys($found[3])), $found[4]), array_keys($demands->found), array_values($demands->found));
        usort($all, static fn (Demand $one, Demand $other): int => [$one->first->place->tick, array_search($one->kind, Demand::KINDS, true)] <=> [$other->first->place->tick, array_search($other->kind, Demand::KINDS, true)]);

        return array_column($all, null, 'what');
    }

    private function add(string $kind, string $what, ?NoteMark $at, ?Key $key = null): void
    {
        if ($at === null) {
            return;
        }
        $this->found[$what] ??= [$kind, $at, 0, [], $key];
        if ($at->place->tick < $this->found[$what][1]->place->tick) {
            $this->found[$what][1] = $at;
        }
        $this->found[$what][2]++;
        $this->found[$what][3][$at->place->measure] = true;
    }

    private function hand(PlayedLine $line): void
    {
        foreach ($line->notes as $place => $note) {
            $mark = $this->marks[$note->note()->id] ?? null;
            $string = $this->part->instrument->stringName($note->stop()->string);
            $this->add('string', "the {$string} string", $mark);
            $note->note()->tieStop || $this->add('finger', $this->finger($note, $string), $mark);
            $note->stop()->finger === 0 || $this->add('position', Instrument::positionName($note->grip->position), $mark);
            count($note->grip->stops) > 1 && $this->add('technique', 'double stops', $mark);
            $before = $line->notes[$place - 1] ?? null;
            if ($before !== null && $note->step->makes(FingerLink::Slide, $before->stop(), $note->stop())) {
                $this->add('technique', $before->grip->hand === $note->grip->hand ? 'a finger that slides a half step' : 'a shift on one finger', $mark);
            }
            if ($before !== null && $note->step->makes(FingerLink::Bar, $before->stop(), $note->stop())) {
                $this->add('technique', 'a bar over two strings', $mark);
            }
            $before !== null && $note->step->slurred && $before->stop()->string !== $note->stop()->string && $this->add('bow', 'a slur over two strings', $mark);
            ! $note->onTheBeat && $note->holdsOverABeat && $this->add('rhythm', 'a note held over the beat (syncopation)', $mark);
        }
        foreach ($line->shifts() as [, , $to]) {
            $this->add('technique', 'a shift to '.Instrument::positionName($to->grip->position), $this->marks[$to->note()->id] ?? null);
        }
    }

    /** “open D”, “low 2 on D”, “2 on D in third position”. */
    private function finger(PlayedNote $note, string $string): string
    {
        $stop = $note->stop();
        if ($stop->finger === 0) {
            return "open {$string}";
        }
        $name = (new FramePlace($stop->finger, $stop->placement, $stop->place() - $note->grip->hand))->name();

        return "{$name} on {$string}".($note->grip->position === 1.0 ? '' : ' in '.Instrument::positionName($note->grip->position));
    }

    private function bow(): void
    {
        $strokes = [];
        foreach ($this->part->sounding() as $mark) {
            $note = $mark->note;
            if ($mark->bow === null || $mark->bow->direction === null) {
                $this->add('bow', 'pizzicato', $mark);

                continue;
            }
            $note->chord || $note->grace || ($note->tieStop && ! $mark->bow->begins) || $strokes[$mark->bow->stroke][] = $mark;
            $action = match ($mark->bow->begins || $mark->bow->action === BowAction::Hook ? $mark->bow->action : null) {
                BowAction::Hook => 'hooked bows',
                BowAction::Retake => 'a retake',
                BowAction::Lift => 'a lift',
                default => null,
            };
            $action === null || $this->add('bow', $action, $mark);
            foreach ($note->articulations as $sign) {
                isset(self::SIGNS[$sign->value]) && $this->add('bow', self::SIGNS[$sign->value], $mark);
            }
            $note->tremolo > 0 && $this->add('bow', 'tremolo', $mark);
            $note->grace && $this->add('technique', 'grace notes', $mark);
        }
        foreach ($strokes as $stroke) {
            if (count($stroke) > 1) {
                $this->add('bow', 'a slur of '.self::number(count($stroke)), $stroke[0]);
                $stroke[0]->bow?->direction === BowSign::Up && $this->add('bow', 'a slur on an up-bow', $stroke[0]);
            }
        }
        $first = array_values($strokes)[0][0] ?? null;
        $first?->bow?->direction === BowSign::Up && $this->add('bow', 'beginning up-bow', $first);
    }

    private static function number(int $count): string
    {
        return [2 => 'two', 3 => 'three', 4 => 'four', 5 => 'five', 6 => 'six', 7 => 'seven', 8 => 'eight'][$count] ?? 'more than eight';
    }

    private function page(): void
    {
        $meter = $key = null;
        foreach ($this->part->part->measures as $index => $measure) {
            $at = $this->firstFrom($measure);
            $measure->meter === null || $measure->meter->name() === $meter || $this->add('meter', "{$measure->meter->name()} time", $at);
            $measure->key === null || $measure->key->name() === $key || $this->add('key', $measure->key->name(), $at, $measure->key);
            [$meter, $key] = [$measure->meter?->name() ?? $meter, $measure->key?->name() ?? $key];
            $index === 0 && $this->part->part->hasPickup($this->part->beats->resolution) && $this->add('rhythm', 'a pickup', $at);
            foreach ($measure->barlines as $barline) {
                $barline->repeat === 'backward' && $this->add('sign', 'a repeat', $at);
                $barline->endingType === 'start' && $barline->endings === [2] && $this->add('sign', 'first and second endings', $at);
            }
            foreach ($measure->notes() as $note) {
                $note->cue || $this->rhythm($note, $at);
            }
        }
    }

    private function rhythm(Note $note, ?NoteMark $inMeasure): void
    {
        $at = $this->marks[$note->id] ?? $inMeasure;
        if ($note->value === null || $note->grace || $note->chord) {
            return;
        }
        $value = self::VALUES[$note->value->type->value] ?? 'very short';
        $tuplet = $note->value->tuplet === null ? '' : ($note->value->tuplet->actual === 3 ? 'triplet ' : 'tuplet ');
        $dots = ['', 'dotted ', 'double-dotted '][min(2, $note->value->dots)];
        $this->add('rhythm', $tuplet.$dots.$value.($note->rest ? ' rests' : ' notes'), $at);
        $note->tieStart && $this->add('rhythm', 'ties', $at);
        $note->fermata && $this->add('sign', 'a fermata', $at);
    }

    /** The first note that sounds in a measure or after it; of a silence at the end, the last before it. */
    private function firstFrom(Measure $measure): ?NoteMark
    {
        foreach ($this->marks as $mark) {
            if ($mark->place->tick >= $measure->start) {
                return $mark;
            }
        }

        return array_values($this->marks)[count($this->marks) - 1] ?? null;
    }
}
