<?php

declare(strict_types=1);

namespace UprightPencil\Core\Ensemble\Comparing;

use UprightPencil\Core\Ensemble\LinedNote;
use UprightPencil\Core\Ensemble\Orchestra;
use UprightPencil\Core\Ensemble\Section;
use UprightPencil\Core\Marking\Decision;
use UprightPencil\Core\Marking\Kinds\Divide;
use UprightPencil\Core\Score\Dynamics;
use UprightPencil\Core\Strings\Instrument;

/**
 * A section has the tune alone while others are as loud or louder and have double stops or lie above it. First the double stops
 * are divided, then the others play a dynamic lower, then the tune is played nearer the bridge.
 */
final class Covered extends Comparison
{
    /** The tune moves so much more than the next section does. */
    private const MORE_MOTION = 1.6;

    private const LEAST_NOTES = 3;

    /** Measures: shorter is no tune. */
    private const LEAST_MEASURES = 2;

    /** What covers a tune: one section that lies above it or has double stops, or two with double stops below violins. */
    private const ENOUGH = 2;

    /** Degrees by which a tune near the bridge comes through. */
    private const BRIDGE = 1.0;

    public function code(): string
    {
        return 'covered';
    }

    public function of(Orchestra $orchestra): array
    {
        $found = [];
        $open = null;
        $starts = $orchestra->measures();
        foreach ([...$starts, null] as $number => $start) {
            $now = $start === null ? null : $this->measure($orchestra, $start, $starts[$number + 1] ?? $orchestra->end());
            if ($open !== null && $now !== null && $now['tune'] === $open['tune'] && $now['from'] === $open['until']) {
                $open = ['until' => $now['until'], 'measures' => $open['measures'] + 1, 'by' => $open['by'] + $now['by']] + $open;

                continue;
            }
            if ($open !== null && $open['measures'] >= self::LEAST_MEASURES) {
                $found[] = $this->told($orchestra, $open);
            }
            $open = $now;
        }

        return $found;
    }

    /** @return array{tune: int, from: int, until: int, measures: int, by: array<int, bool>}|null by: covering sections => whether they have double stops */
    private function measure(Orchestra $orchestra, int $from, int $until): ?array
    {
        $tune = $this->tune($orchestra, $from);
        if ($tune === null) {
            return null;
        }
        $by = [];
        $weight = 0;
        $own = $this->heights($tune, $from, $until);
        $level = $orchestra->loudness($tune, $tune->measures[$from][0]->tick()) + ($this->isNearBridge($tune->measures[$from]) ? self::BRIDGE : 0.0);
        // Violins on top come through thick chords below them; no other tune does.
        $isTop = $tune->part->instrument === Instrument::Violin && array_filter($orchestra->sections, fn (Section $section): bool => $section !== $tune && $this->heights($section, $from, $until)[1] > $own[1]) === [];
        foreach ($orchestra->sections as $section) {
            $first = $section->within($from, $from + 1)[0] ?? $section->at($from);
            if ($section === $tune || $first === null || $orchestra->loudness($section, max($from, $first->tick())) < $level) {
                continue;
            }
            $thick = $this->hasDoubleStops($section, $from, $until);
            $above = $this->heights($section, $from, $until)[0] > $own[1];
            $weight += ($thick ? ($isTop ? 1 : self::ENOUGH) : 0) + ($above ? self::ENOUGH : 0);
            $thick || $above ? $by[$section->index] = $thick : null;
        }

        return $weight >= self::ENOUGH ? ['tune' => $tune->index, 'from' => $from, 'until' => $until, 'measures' => 1, 'by' => $by] : null;
    }

    /** The section that has it alone: a solo, or the only one that moves. */
    private function tune(Orchestra $orchestra, int $start): ?Section
    {
        $motion = [];
        foreach ($orchestra->sections as $section) {
            $notes = $section->measures[$start] ?? [];
            if ($notes !== [] && $notes[0]->solo) {
                return $section;
            }
            $motion[$section->index] = count($notes);
        }
        arsort($motion);
        [$first, $second] = [array_values($motion)[0] ?? 0, array_values($motion)[1] ?? 0];
        $tune = $orchestra->sections[(int) array_key_first($motion)] ?? null;
        $plucked = array_filter($tune->measures[$start] ?? [], static fn (LinedNote $note): bool => $note->direction() === '-') !== [];

        return $first >= self::LEAST_NOTES && $first >= self::MORE_MOTION * $second && ! $plucked ? $tune : null;
    }

    /** @return array{int, int} the lowest and the highest that it sounds; above everything where it rests */
    private function heights(Section $section, int $from, int $until): array
    {
        $heights = [];
        foreach ($section->heard($from, $until) as $note) {
            foreach ($section->heads($note) as $head) {
                $midi = $section->part->soundingMidi($head->note);
                $midi === null || $heights[] = $midi;
            }
        }

        return $heights === [] ? [-1, -1] : [min($heights), max($heights)];
    }

    private function hasDoubleStops(Section $section, int $from, int $until): bool
    {
        foreach ($section->heard($from, $until) as $note) {
            if ($note->chord !== [] && $note->mark->inForce(Divide::FIELD) === null) {
                return true;
            }
        }

        return false;
    }

    /** @param non-empty-list<LinedNote> $notes */
    private function isNearBridge(array $notes): bool
    {
        return $notes[0]->mark->inForce('lane') === 'bridge';
    }

    /** @param array{tune: int, from: int, until: int, measures: int, by: array<int, bool>} $passage */
    private function told(Orchestra $orchestra, array $passage): OutOfLine
    {
        ['tune' => $index, 'from' => $from, 'until' => $until, 'by' => $by] = $passage;
        $tune = $orchestra->sections[$index];
        $notes = $tune->within($from, $until);
        $thick = array_keys(array_filter($by));
        $remedies = [
            $thick === [] ? null : new Remedy("{$orchestra->names($thick)} ".(count($thick) === 1 ? 'divides' : 'divide').' the double stops', $this->divided($orchestra, $thick, $from, $until)),
            new Remedy('A dynamic lower for '.$orchestra->names(array_keys($by)), $this->softer($orchestra, $tune, array_keys($by), $from, $until)),
            new Remedy("{$tune->name()} plays nearer the bridge", [$index => [Decision::fromArray(['note' => $notes[0]->id(), 'to' => $notes[count($notes) - 1]->id(), 'lane' => 'bridge'])]]),
        ];
        $what = $thick === [] ? 'as loud and above it' : 'as loud, with double stops';

        return new OutOfLine($this->code(), $from, $until, [$index, ...array_keys($by)], "{$tune->name()} has the tune alone; {$orchestra->names(array_keys($by))} ".(count($by) === 1 ? 'is' : 'are')." {$what}.", [$notes[0]], array_values(array_filter($remedies)));
    }

    /**
     * @param  list<int>  $sections
     * @return array<int, list<Decision>>
     */
    private function divided(Orchestra $orchestra, array $sections, int $from, int $until): array
    {
        $decisions = [];
        foreach ($sections as $index) {
            $section = $orchestra->sections[$index];
            foreach ($section->heard($from, $until) as $note) {
                foreach ($note->chord === [] ? [] : $section->heads($note) as $head) {
                    $decisions[$index][$head->note->id] = Decision::onNote($head->note->id, [Divide::FIELD => 'outside-top']);
                }
            }
        }

        return array_map(array_values(...), $decisions);
    }

    /**
     * Softer from the beginning on, and as it was after it.
     *
     * @param  list<int>  $sections
     * @return array<int, list<Decision>>
     */
    private function softer(Orchestra $orchestra, Section $tune, array $sections, int $from, int $until): array
    {
        $degrees = array_flip(array_map(intval(...), array_filter(Dynamics::DEGREES, static fn (string $name): bool => strlen($name) <= 2, ARRAY_FILTER_USE_KEY)));
        $decisions = [];
        $level = $orchestra->loudness($tune, $tune->measures[$from][0]->tick());
        foreach ($sections as $index) {
            $section = $orchestra->sections[$index];
            $notes = $section->within($from, $until);
            $first = $notes[0] ?? null;
            $after = $section->within($until, $orchestra->end() + 1)[0] ?? null;
            if ($first === null || $level < 1.0) {
                continue;
            }
            $lower = min($orchestra->loudness($section, $first->tick()), $level) - 1.0;
            $decisions[$index][] = Decision::onNote($first->id(), ['dynamic' => $degrees[max(0, (int) ceil($lower))]]);
            $after === null || $decisions[$index][] = Decision::onNote($after->id(), ['dynamic' => $degrees[(int) round($orchestra->loudness($section, $after->tick()))]]);
        }

        return $decisions;
    }
}
