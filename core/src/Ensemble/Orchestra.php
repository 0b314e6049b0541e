<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble;

use UprightPencil\Core\Marking\MarkedPart;
use UprightPencil\Core\Marking\SizeUp;
use UprightPencil\Core\Score\Beats;
use UprightPencil\Core\Score\Dynamics;
use UprightPencil\Core\Score\Part;
use UprightPencil\Core\Score\Score;
use UprightPencil\Core\Score\TempoMap;

/**
 * All sections of a piece as they are marked, under each other in time. Ticks are those of the score, for every section.
 *
 * @phpstan-import-type Spot from TuningSpots
 */
final class Orchestra
{
    /** @var list<Figure>|null */
    private ?array $figures = null;

    /** @var array<int, list<non-empty-list<int>>>|null */
    private ?array $together = null;

    /** @var array<int, Dynamics> */
    private array $dynamics = [];

    /** @var array<int, array<int, string>> */
    private array $news = [];

    /** @var list<Spot>|null */
    private ?array $spots = null;

    private readonly TempoMap $tempo;

    private readonly Beats $beats;

    /**
     * @param  Score  $score  as it is played
     * @param  list<Section>  $sections
     */
    private function __construct(
        public readonly Score $score,
        public readonly array $sections,
    ) {
        $this->tempo = TempoMap::of($score);
        $this->beats = new Beats($score->parts[0] ?? new Part('', '', []), $score->resolution);
    }

    /** @param list<MarkedPart> $parts worked out together */
    public static function of(Score $score, array $parts): self
    {
        return new self($score, array_map(static fn (int $index, MarkedPart $part): Section => Section::of($index, $part, $score->resolution), array_keys($parts), $parts));
    }

    /** @param array<int, MarkedPart> $parts those that are marked otherwise, by their place; the notes are the same, and so are the figures */
    public function with(array $parts): self
    {
        $with = new self($this->score, array_map(fn (Section $section): Section => isset($parts[$section->index]) ? Section::of($section->index, $parts[$section->index], $this->score->resolution) : $section, $this->sections));
        if ($this->figures !== null) {
            // A figure whose notes are others now is looked at as it was.
            $figures = [];
            foreach ($this->figures as $figure) {
                $figures[] = $figure->in($with->sections) ?? $figure;
            }
            $with->figures = $figures;
        }

        return $with;
    }

    /** @return list<Figure> in the order of time */
    public function figures(): array
    {
        return $this->figures ??= Figures::of($this->sections, $this->score->resolution);
    }

    /** @return array<int, list<non-empty-list<int>>> start of a measure => groups of sections that play it alike */
    public function together(): array
    {
        if ($this->together === null) {
            $this->together = Together::groups($this->sections);
            ksort($this->together);
        }

        return $this->together;
    }

    /**
     * What the class of a section has not been taught, or has just learned, where it comes first.
     *
     * @return array<int, string> by tick
     */
    public function news(Section $section): array
    {
        if (! isset($this->news[$section->index])) {
            $at = $news = [];
            foreach ($section->part->notes as $mark) {
                $at[$mark->note->id] = $mark->place->tick * $section->times;
            }
            foreach (SizeUp::newIn($section->part) as $note => $what) {
                isset($at[$note]) && $news[$at[$note]] = $what;
            }
            $this->news[$section->index] = $news;
        }

        return $this->news[$section->index];
    }

    /** @return list<Spot> where three sections or more hold one pitch class */
    public function tuningSpots(): array
    {
        return $this->spots ??= TuningSpots::placed($this->score);
    }

    /** From 0 (pp) to 5 (ff). */
    public function loudness(Section $section, int $tick): float
    {
        $this->dynamics[$section->index] ??= Dynamics::of($this->sections[$section->index]->part->written);

        return $this->dynamics[$section->index]->at(intdiv($tick, $section->times));
    }

    public function seconds(int $from, int $until): float
    {
        return $this->tempo->seconds($until - $from, $from);
    }

    /** @return array{measure: string, beat: float} as the top part names it */
    public function place(int $tick): array
    {
        [$measure, $beat] = $this->beats->placeAt($tick);

        return ['measure' => $measure, 'beat' => $beat];
    }

    /** @return array{measure: string, beat: float} the beat that a tick belongs to */
    public function beatOf(int $tick): array
    {
        $place = $this->place($tick);

        return ['beat' => floor($place['beat'])] + $place;
    }

    public function beatTicks(int $tick): int
    {
        return $this->beats->beatTicksAt($tick);
    }

    /** @return list<int> where its measures start */
    public function measures(): array
    {
        return array_column($this->score->parts[0]->measures ?? [], 'start');
    }

    /** @return int tick at which it ends */
    public function end(): int
    {
        $measures = $this->score->parts[0]->measures ?? [];
        $last = $measures[count($measures) - 1] ?? null;

        return $last === null ? 0 : $last->start + $last->length;
    }

    /**
     * @param  list<int>  $sections
     * @return string “Violin 2 and Viola”
     */
    public function names(array $sections): string
    {
        $names = array_map(fn (int $index): string => $this->sections[$index]->name(), $sections);
        $last = array_pop($names);

        return $names === [] ? (string) $last : implode(', ', $names)." and {$last}";
    }

    /** @return list<LinedNote> the notes that begin at a tick, one for each section that has one */
    public function beginning(int $tick): array
    {
        $beginning = [];
        foreach ($this->sections as $section) {
            $note = $section->at($tick);
            $note !== null && $note->tick() === $tick && $beginning[] = $note;
        }

        return $beginning;
    }
}
