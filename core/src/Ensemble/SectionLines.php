<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Marking\Kinds\Know;
use UprightPencil\Core\Marking\MarkedPage;

/**
 * What each section has to know of each passage, in a line: as before, new, or as before with an exception. Worked out from what
 * is alike; where a director wrote another line, that one stands, and it is told when what it was written about has changed.
 *
 * @phpstan-type SectionLine array{passage: string, from: string, to: string, part: string, section: int, kind: string, text: string, workedOut: string, edited: bool, stale: bool, note: string|null}
 */
final class SectionLines
{
    public const RESTS = 'rests';

    public const AS_BEFORE = 'as before';

    public const NEW = 'new';

    public const EXCEPTION = 'exception';

    /** Of so many measures one may differ and the rest is as before. */
    private const MEASURES_FOR_AN_EXCEPTION = 3;

    private const VALUES = ['1/4' => 'sixteenths', '1/2' => 'eighths', '1/1' => 'quarters', '3/4' => 'dotted eighths', '3/2' => 'dotted quarters', '2/1' => 'halves', '3/1' => 'dotted halves', '4/1' => 'whole notes', '1/3' => 'triplets'];

    /** @var array<int, array<int, string>> section => start of a measure => its notes */
    private array $notes = [];

    /** @var array<int, array<int, string>> section => start of a measure => its rhythm, slurs and contour */
    private array $shapes = [];

    /** @var array<string, list<int>> passage => starts of its measures */
    private array $starts = [];

    /** @var array<int, string> start of a measure => its number */
    private array $numbers = [];

    /** @param list<Passage> $passages */
    private function __construct(private readonly Orchestra $orchestra, private readonly array $passages)
    {
        foreach ($orchestra->score->parts[0]->measures ?? [] as $measure) {
            $this->numbers[$measure->start] = $measure->number;
        }
        foreach ($orchestra->sections as $section) {
            $this->notes[$section->index] = $this->shapes[$section->index] = [];
            foreach ($section->measures as $start => $notes) {
                $shape = '';
                $pitches = '';
                foreach ($notes as $number => $note) {
                    $shape .= $note->rhythm($start).'/'.($number === 0 ? 0 : $note->midi() <=> $notes[$number - 1]->midi()).' ';
                    $pitches .= implode('+', array_map(static fn ($head): int => $head->note->pitch?->midi() ?? 0, $section->heads($note))).' ';
                }
                $this->shapes[$section->index][$start] = $shape;
                $this->notes[$section->index][$start] = "{$shape}: {$pitches}";
            }
        }
    }

    /**
     * @param  list<Passage>  $passages
     * @return list<SectionLine> passage by passage, section by section
     */
    public static function of(Orchestra $orchestra, array $passages): array
    {
        $lines = new self($orchestra, $passages);
        $told = [];
        foreach ($passages as $index => $passage) {
            foreach ($orchestra->sections as $section) {
                $told[] = $lines->line($section, $index, $passage);
            }
        }

        return $told;
    }

    /** @return SectionLine */
    private function line(Section $section, int $index, Passage $passage): array
    {
        $notes = $section->within($passage->start, $passage->end);
        [$kind, $text] = $notes === [] ? [self::RESTS, $section->at($passage->start) === null ? 'rests' : 'holds on'] : $this->asBefore($section, $index, $passage) ?? [self::NEW, $this->what($section, $passage, $notes)];
        $note = $notes === [] ? null : $notes[0]->mark;
        $written = $note === null ? null : Know::read($note->said(Know::FIELD));

        return [
            'passage' => $passage->name,
            'from' => $passage->from,
            'to' => $passage->to,
            'part' => $section->id(),
            'section' => $section->index,
            'kind' => $kind,
            'text' => $written['text'] ?? $text,
            'workedOut' => $text,
            'edited' => $written !== null,
            'stale' => $written !== null && $written['of'] !== $text,
            'note' => $note?->note->id,
        ];
    }

    /** @return array{string, string}|null */
    private function asBefore(Section $section, int $index, Passage $passage): ?array
    {
        $best = null;
        foreach (array_slice($this->passages, 0, $index) as $earlier) {
            foreach ([[$this->notes, 0, ''], [$this->notes, 1, ''], [$this->notes, -1, ''], [$this->shapes, 0, ' in other notes'], [$this->shapes, 1, ' in other notes']] as [$of, $later, $how]) {
                $different = $this->different($of[$section->index], $earlier, $passage, $later);
                if ($different !== null && ($best === null || count($different) < count($best[0]))) {
                    $best = [$different, "as in {$earlier->name}{$how}"];
                }
            }
        }
        if ($best === null) {
            return $this->figuresOnly($section, $passage);
        }

        return $best[0] === [] ? [self::AS_BEFORE, $best[1]] : [self::EXCEPTION, "{$best[1]}, ".$this->exception($best[0], $passage)];
    }

    /**
     * “but 12 and 15”; where it goes its own way to the end, “from 50 on new”.
     *
     * @param  non-empty-list<string>  $different
     */
    private function exception(array $different, Passage $passage): string
    {
        if (count($different) > 1 && $this->isToTheEnd($different, $passage)) {
            return "from {$different[0]} on new";
        }
        $last = array_pop($different);

        return 'but '.($different === [] ? '' : implode(', ', $different).' and ').$last;
    }

    /**
     * Whether some measures are the last of a passage.
     *
     * @param  list<string>  $measures
     */
    private function isToTheEnd(array $measures, Passage $passage): bool
    {
        $numbers = array_map(fn (int $start): string => $this->numbers[$start], $this->starts($passage));

        return $measures !== [] && array_slice($numbers, -count($measures)) === $measures;
    }

    /**
     * Measures that are not as they were; null where too many are not.
     *
     * @param  array<int, string>  $measures
     * @param  int  $later  measures by which the earlier passage is ahead: one of them may begin with a pickup
     * @return list<string>|null
     */
    private function different(array $measures, Passage $earlier, Passage $passage, int $later): ?array
    {
        $different = [];
        $same = 0;
        $before = $this->starts($earlier);
        foreach ($this->starts($passage) as $number => $start) {
            $there = $before[$number + $later] ?? null;
            $now = $measures[$start] ?? '';
            if ($there !== null && ($measures[$there] ?? '') === $now) {
                $same += (int) ($now !== '');
            } else {
                $different[] = $this->numbers[$start];
            }
        }

        $all = count($this->starts($passage));
        $most = $this->isToTheEnd($different, $passage) ? intdiv($all, 2) : intdiv($all, self::MEASURES_FOR_AN_EXCEPTION);

        return $same > 0 && count($different) <= $most ? $different : null;
    }

    /** @return list<int> */
    private function starts(Passage $passage): array
    {
        return $this->starts["{$passage->start} {$passage->end}"] ??= array_values(array_filter(array_keys($this->numbers), $passage->has(...)));
    }

    /**
     * All of it is figures that were heard before.
     *
     * @return array{string, string}|null
     */
    private function figuresOnly(Section $section, Passage $passage): ?array
    {
        $notes = $section->within($passage->start, $passage->end);
        $covered = [];
        $names = [];
        foreach ($this->orchestra->figures() as $index => $figure) {
            foreach ($figure->places as $number => $place) {
                if ($number > 0 && $place->part() === $section->index && $passage->has($place->start()) && $figure->places[0]->start() < $passage->start) {
                    $first = $figure->places[0];
                    $covered += array_fill_keys(array_map(static fn (LinedNote $note): string => $note->id(), $place->notes), true);
                    $names[$index] = 'figure '.Figure::letter($index).($first->part() === $section->index ? '' : " ({$this->orchestra->sections[$first->part()]->name()}, {$first->measure()})");
                }
            }
        }

        return count($covered) === count($notes) ? [self::AS_BEFORE, implode(', ', $names)] : null;
    }

    /**
     * What is new, in a few words: who it is with, how it moves, where it comes in, and what has not been taught.
     *
     * @param  non-empty-list<LinedNote>  $notes
     */
    private function what(Section $section, Passage $passage, array $notes): string
    {
        $facts = [
            $this->companion($section, $passage),
            $this->motion($notes),
            $this->oneBreath($section, $passage),
            $notes[0]->tick() > $passage->start ? 'comes in on beat '.MarkedPage::beat($notes[0]->mark->place->beat)." of {$notes[0]->mark->place->measure}" : null,
        ];
        $news = array_unique(array_filter($this->orchestra->news($section), $passage->has(...), ARRAY_FILTER_USE_KEY));

        return implode(', ', array_filter([...$facts, ...array_slice(array_values($news), 0, 3)]));
    }

    /** Divided players have other notes, but come in and leave together. */
    private function oneBreath(Section $section, Passage $passage): ?string
    {
        $voices = [];
        foreach ($section->part->sounding() as $mark) {
            $tick = $mark->place->tick * $section->times;
            if ($passage->has($tick) && ! $mark->note->grace && ! $mark->note->chord) {
                $voices[MarkedPage::voice($mark)][] = [$tick, $tick + $mark->note->duration * $section->times];
            }
        }
        $breaths = [];
        foreach (count($voices) > 1 ? $voices : [] as $notes) {
            $at = null;
            $own = [];
            foreach ($notes as [$from, $until]) {
                $from === $at ? array_pop($own) : $own[] = "in {$from}";
                $own[] = 'off '.($at = $until);
            }
            $breaths[] = implode(' ', $own);
        }

        return $breaths !== [] && count(array_unique($breaths)) === 1 ? 'in together, off together' : null;
    }

    /** An upper section that has the same rhythm and slurs in all measures that both play. */
    private function companion(Section $section, Passage $passage): ?string
    {
        foreach (array_slice($this->orchestra->sections, 0, $section->index) as $other) {
            $with = 0;
            foreach ($this->starts($passage) as $start) {
                foreach ($this->orchestra->together()[$start] ?? [] as $group) {
                    $with += (int) (in_array($other->index, $group, true) && in_array($section->index, $group, true));
                }
            }
            $own = count(array_filter($this->starts($passage), static fn (int $start): bool => isset($section->measures[$start])));
            if ($own > 0 && 4 * $with >= 3 * $own) {
                return "with {$other->name()}";
            }
        }

        return null;
    }

    /** @param non-empty-list<LinedNote> $notes */
    private function motion(array $notes): string
    {
        $values = [];
        foreach ($notes as $note) {
            $values[$note->ticks()] = ($values[$note->ticks()] ?? 0) + 1;
        }
        arsort($values);
        $ticks = (int) array_key_first($values);
        $quarter = $this->orchestra->score->resolution;
        if (array_filter($notes, static fn (LinedNote $note): bool => $note->direction() !== '-') === []) {
            return 'pizzicato';
        }
        $name = null;
        foreach (self::VALUES as $ratio => $word) {
            [$above, $below] = array_map(intval(...), explode('/', $ratio));
            $name = $ticks * $below === $quarter * $above ? $word : $name;
        }
        $name ??= $ticks > 4 * $quarter ? 'long held notes' : 'mixed values';
        $mixed = count($values) > 2 && 2 * $values[$ticks] < count($notes) ? 'mostly ' : '';
        $slurred = count(array_filter($notes, static fn (LinedNote $note): bool => $note->slurred));

        return $mixed.$name.(2 * $slurred >= count($notes) ? ', slurred' : '');
    }
}
