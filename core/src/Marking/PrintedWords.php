<?php

declare(strict_types=1);

namespace UprightPencil\Core\Marking;

use UprightPencil\Core\Marking\Kinds\Choice;
use UprightPencil\Core\Marking\Kinds\HeldChanges;
use UprightPencil\Core\Marking\Kinds\Kind;
use UprightPencil\Core\Marking\Kinds\Kinds;
use UprightPencil\Core\Marking\Kinds\PlaceOnBow;
use UprightPencil\Core\Score\Direction;
use UprightPencil\Core\Score\DirectionKind;
use UprightPencil\Core\Score\Line;
use UprightPencil\Core\Score\Part;

/**
 * Words in the print that say what a mark says (“spiccato”, “tip”, “retake”, two fingers to choose from), whether a
 * publisher wrote them or we did. Words that hold end where their line ends; those without a line hold until the next of
 * their kind, a place on the bow at most until the bow rests.
 */
final class PrintedWords
{
    /** @var array<string, array<string, mixed>> note id => field => value */
    public array $fields = [];

    /** @var array<int, true> ticks at which a change of bow on a held note is said */
    public array $cuts = [];

    /** @var array<string, list<array{int, int|null, mixed}>> field => ticks from and to, and the value (null ends the one before) */
    private array $held = [];

    /** @var array<int, array<string, mixed>> tick => field => value, for one note */
    private array $single = [];

    /** @param list<Line> $lines */
    public static function of(Part $part, array $lines): self
    {
        $words = new self;
        foreach ($part->measures as $measure) {
            foreach ($measure->directions() as $direction) {
                $said = $direction->words();
                $said === '' || $words->hear($said, $direction, $measure->start, $part);
            }
        }
        foreach ($lines as $line) {
            $words->held === [] && $words->single === [] || $words->apply($line);
            $words->choices($line);
        }

        return $words;
    }

    private function hear(string $said, Direction $direction, int $start, Part $part): void
    {
        $tick = $start + $direction->time();
        if (str_starts_with($said, HeldChanges::WORDS)) {
            $this->cuts[$tick] = true;
        }
        foreach (Kinds::all() as $kind) {
            $fields = $kind->heard($said);
            if ($fields !== [] && $kind->holds()) {
                $this->held[$kind->field()][] = [$tick, self::endOfLine($direction, $tick, $part), $fields[$kind->field()]];
            } elseif ($fields !== []) {
                $this->single[$tick] = $fields + ($this->single[$tick] ?? []);
            } elseif ($kind->holds() && $kind->isEndedBy($said)) {
                $this->held[$kind->field()][] = [$tick, null, null];
            }
        }
    }

    /** The tick at which the line after some words ends; null when they have none. */
    private static function endOfLine(Direction $direction, int $tick, Part $part): ?int
    {
        foreach ($direction->signs as $sign) {
            if ($sign->kind === DirectionKind::Dashes && $sign->text === 'start') {
                return self::stopAfter($tick, $sign->number, $part);
            }
        }

        return null;
    }

    private static function stopAfter(int $tick, int $number, Part $part): ?int
    {
        foreach ($part->measures as $measure) {
            foreach ($measure->start + $measure->length < $tick ? [] : $measure->directions() as $direction) {
                foreach ($direction->signs as $sign) {
                    if ($sign->kind === DirectionKind::Dashes && $sign->text === 'stop' && $sign->number === $number && $measure->start + $direction->time() > $tick) {
                        return $measure->start + $direction->time();
                    }
                }
            }
        }

        return null;
    }

    /** Fingers “0 4” over one note leave it to the player. */
    private function choices(Line $line): void
    {
        foreach ($line->events as $event) {
            if ($event->first()->technical->finger === Choice::PRINTED) {
                $this->fields[$event->first()->id][Choice::FIELD] = true;
            }
        }
    }

    private function apply(Line $line): void
    {
        $end = 0;
        $now = [];
        $next = array_fill_keys(array_keys($this->held), 0);
        foreach ($line->events as $event) {
            foreach ($this->held as $field => $words) {
                while (isset($words[$next[$field]]) && $words[$next[$field]][0] <= $event->start) {
                    $now[$field] = $words[$next[$field]++];
                }
                [$from, $to, $value] = $now[$field] ?? [0, null, null];
                $rests = $field === PlaceOnBow::FIELD && $to === null && $event->start > $end && $from < $event->start;
                if ($value === null || ($to !== null && $event->start >= $to) || $rests) {
                    unset($now[$field]);
                } else {
                    $this->fields[$event->first()->id][$field] = $value;
                }
            }
            if (isset($this->single[$event->start]) && ! $event->isGrace()) {
                $this->fields[$event->first()->id] = $this->single[$event->start] + ($this->fields[$event->first()->id] ?? []);
            }
            $end = max($end, $event->end());
        }
    }
}
